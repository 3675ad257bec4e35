#!/usr/bin/env bash
# Measures what a person waits for in a long document: scripts/bench.sh [PAGES]
set -euo pipefail
cd "$(dirname "$(readlink -f "$0")")/.."
. scripts/setup.sh
find_jdk
find_maven
mvn -q -B -Dstyle.color=never -pl core,bench compile dependency:build-classpath -Dmdep.outputFile=target/classpath.txt -DincludeScope=runtime -DexcludeArtifactIds=decant-core >&2
"$JAVA_HOME/bin/java" -Xmx2g -Djava.awt.headless=true -cp "core/target/classes:bench/target/classes:$(cat bench/target/classpath.txt)" decant.bench.Scale "${1:-300}"
