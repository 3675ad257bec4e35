#!/usr/bin/env bash
# Measures:
#   scripts/bench.sh [PAGES]            what a person waits for in a long document
#   scripts/bench.sh keys [PAGES]       how long the window is busy with a key, place by place
#   scripts/bench.sh killed [TIMES]     what is lost when the program is killed while it is typed in
#   scripts/bench.sh breaks FOLDER…     our pages against those that office documents record of themselves
#   scripts/bench.sh sound FOLDER…      crashes, lines over one another, published pages unlike painted ones
#   scripts/bench.sh speed FOLDER…      taking PDF files in beside reading their bare text
#   scripts/bench.sh runs hard [FILES]  a run over a tree of all kinds of files: counts, memory, what is written
#   scripts/bench.sh runs plain [FILES] a run over documents by one worker and by two
#   scripts/bench.sh runs killed [TIMES] runs that are killed and gone on with
#   scripts/bench.sh runs window [FILES] how long the window is busy at a time while a run works
#   scripts/bench.sh publish [PAGES]    publishing dense pages beside compressing their contents alone
#   scripts/bench.sh documents [PAGES [FOLDER]]  office documents published as PDF, step by step; FOLDER holds the DOCX files of the corpus
set -euo pipefail
cd "$(dirname "$(readlink -f "$0")")/.."
. scripts/setup.sh
find_jdk
find_maven
mvn -q -B -Dstyle.color=never -pl core,bench compile dependency:build-classpath -Dmdep.outputFile=target/classpath.txt -DincludeScope=runtime -DexcludeArtifactIds=decant-core >&2
java=("$JAVA_HOME/bin/java" -Xmx2g -Djava.awt.headless=true --enable-native-access=ALL-UNNAMED)
if [ "${1:-}" = keys ] || [ "${1:-}" = killed ] || [ "${1:-} ${2:-}" = "runs window" ]; then
  window_libraries
  mvn -q -B -Dstyle.color=never -pl core,desktop test-compile dependency:build-classpath -Dmdep.outputFile=target/test-classpath.txt -DexcludeArtifactIds=decant-core >&2
  windowed="core/target/classes:desktop/target/classes:desktop/target/test-classes:$(cat desktop/target/test-classpath.txt)"
  window=("${java[@]}" --enable-native-access=ALL-UNNAMED --sun-misc-unsafe-memory-access=allow -Dprism.order=sw -XX:+UseSerialGC -Xmn256m -cp "$windowed")
  if [ "$1" = killed ]; then
    unset DISPLAY
    start_xvfb
    "${window[@]}" decant.desktop.Killed kill "${2:-50}"
    exit 0
  fi
  if [ "$1" = runs ]; then
    unset DISPLAY
    start_xvfb
    "${window[@]}" decant.desktop.RunsSmooth "${3:-100000}"
    exit 0
  fi
  folder=$(mktemp -d)
  "${java[@]}" -cp "core/target/classes:bench/target/classes:$(cat bench/target/classpath.txt)" decant.bench.WriteLong "${2:-500}" "$folder/long.docx"
  unset DISPLAY
  start_xvfb
  "${window[@]}" decant.desktop.KeyTimes "$folder/long.docx"
  rm -r "$folder"
  exit 0
fi
case "${1:-}" in
  breaks) main=PageBreaks; shift ;;
  sound) main=Soundness; shift ;;
  speed) main=TakeInSpeed; shift ;;
  publish) main=PublishSpeed; shift ;;
  documents) main=PublishDocuments; shift ;;
  runs) main=Runs; shift; ./decant --version >&2 ;;
  *) main=Scale; set -- "${1:-300}" ;;
esac
"${java[@]}" -cp "core/target/classes:bench/target/classes:$(cat bench/target/classpath.txt)" decant.bench.$main "$@"
