#!/usr/bin/env bash
# Measures:
#   scripts/bench.sh [PAGES]            what a person waits for in a long document
#   scripts/bench.sh breaks FOLDER…     our pages against those that office documents record of themselves
#   scripts/bench.sh sound FOLDER…      crashes, lines over one another, published pages unlike painted ones
#   scripts/bench.sh speed FOLDER…      taking PDF files in beside reading their bare text
#   scripts/bench.sh publish [PAGES]    publishing dense pages beside compressing their contents alone
set -euo pipefail
cd "$(dirname "$(readlink -f "$0")")/.."
. scripts/setup.sh
find_jdk
find_maven
mvn -q -B -Dstyle.color=never -pl core,bench compile dependency:build-classpath -Dmdep.outputFile=target/classpath.txt -DincludeScope=runtime -DexcludeArtifactIds=decant-core >&2
case "${1:-}" in
  breaks) main=PageBreaks; shift ;;
  sound) main=Soundness; shift ;;
  speed) main=TakeInSpeed; shift ;;
  publish) main=PublishSpeed; shift ;;
  *) main=Scale; set -- "${1:-300}" ;;
esac
"$JAVA_HOME/bin/java" -Xmx2g -Djava.awt.headless=true -cp "core/target/classes:bench/target/classes:$(cat bench/target/classpath.txt)" decant.bench.$main "$@"
