#!/usr/bin/env bash
# Takes the pictures of docs/screenshots from the demo data, in a real window under Xvfb.
#   scripts/screenshots.sh [FOLDER [runs|pinned]]    all of them, or that of Runs or of a pinned page alone
set -euo pipefail
cd "$(dirname "$(readlink -f "$0")")/.."
. scripts/setup.sh
find_jdk
window_libraries
out=${1:-docs/screenshots}
mkdir -p "$out"
mvn -q -B -Dstyle.color=never -pl core,desktop test-compile dependency:build-classpath -Dmdep.outputFile=target/test-classpath.txt -DexcludeArtifactIds=decant-core >&2
unset DISPLAY
start_xvfb
"$JAVA_HOME/bin/java" --enable-native-access=ALL-UNNAMED --sun-misc-unsafe-memory-access=allow -Djava.awt.headless=true -Dprism.order=sw \
  -cp "core/target/classes:desktop/target/classes:desktop/target/test-classes:$(cat desktop/target/test-classpath.txt)" \
  decant.desktop.Screenshots demo "$out" ${2:+"$2"}
