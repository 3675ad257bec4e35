# Sourced by ./decant and ./check: finds a JDK, installs system packages where it may.

# Sets JAVA_HOME to a JDK 25 or newer, from JAVA_HOME, the PATH or the usual folders.
find_jdk() {
  local dir version
  for dir in "${JAVA_HOME:-}" "$(dirname "$(dirname "$(readlink -f "$(command -v javac 2>/dev/null || echo /none/bin/javac)")")")" \
      /usr/lib/jvm/*25* /usr/lib/jvm/* "$HOME"/.sdkman/candidates/java/* "$HOME"/.jdks/* /opt/jdk* /opt/java/*; do
    [ -x "$dir/bin/javac" ] || continue
    version=$(env -u JAVA_TOOL_OPTIONS -u JDK_JAVA_OPTIONS "$dir/bin/javac" -version 2>&1 | sed -E 's/^javac ([0-9]+).*/\1/')
    if [ "${version:-0}" -ge 25 ] 2>/dev/null; then
      export JAVA_HOME=$dir
      return 0
    fi
  done
  echo "Decant needs a JDK 25 or newer, and found none in JAVA_HOME, on the PATH or under /usr/lib/jvm." >&2
  echo "Install one (for example Eclipse Temurin 25) and set JAVA_HOME to its folder." >&2
  return 1
}

find_maven() {
  command -v mvn >/dev/null && return 0
  need mvn maven
}

# need COMMAND PACKAGE…: installs the packages if the command is missing.
need() {
  local command=$1
  shift
  command -v "$command" >/dev/null && return 0
  install_packages "$@"
}

# optional COMMAND PACKAGE…: installs what only widens the tests, where it may; else goes without.
optional() {
  command -v "$1" >/dev/null && return 0
  if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null; then
    shift
    (install_packages "$@") || echo "Going without $*." >&2
  fi
}

# need_library NAME PACKAGE: installs the package if the shared library is missing.
need_library() {
  ldconfig -p 2>/dev/null | grep -q "$1" && return 0
  install_packages "$2"
}

install_packages() {
  if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null; then
    if [ -z "${APT_UPDATED:-}" ]; then
      apt-get update -qq || true
      APT_UPDATED=1
    fi
    DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$@" >/dev/null
  else
    echo "Decant needs system packages that are not here. Install them with:" >&2
    echo "  sudo apt-get install --no-install-recommends $*" >&2
    return 1
  fi
}

# Shared libraries that a window needs.
window_libraries() {
  need_library libgtk-3.so.0 libgtk-3-0
  need_library libXtst.so.6 libxtst6
  need_library libGL.so.1 libgl1
}

# Starts Xvfb on a free display and sets DISPLAY; ends it when the script ends.
start_xvfb() {
  start_displays 1
  export DISPLAY="${DISPLAYS}1"
}

# start_displays COUNT: starts Xvfb on displays of one number but for its last digit, 1 to COUNT, and sets DISPLAYS to
# what they share; ends them when the script ends.
start_displays() {
  need Xvfb xvfb
  need setxkbmap x11-xkb-utils
  need xdotool xdotool
  local base
  XVFB_PIDS=${XVFB_PIDS:-}
  trap 'kill $XVFB_PIDS 2>/dev/null || true' EXIT
  for base in $(seq 20 99); do
    if displays_from "$base" "$1"; then
      DISPLAYS=":$base"
      return 0
    fi
  done
  echo "No display is free for Xvfb." >&2
  return 1
}

# displays_from BASE COUNT: those of one number; fails if another program has one of them.
displays_from() {
  local n pid
  for n in $(seq "$2"); do
    if [ -e "/tmp/.X$1$n-lock" ] || [ -e "/tmp/.X11-unix/X$1$n" ]; then
      return 1
    fi
  done
  for n in $(seq "$2"); do
    Xvfb ":$1$n" -screen 0 1440x1000x24 -nolisten tcp 2>/dev/null &
    pid=$!
    XVFB_PIDS="$XVFB_PIDS $pid"
    for _ in $(seq 100); do
      kill -0 "$pid" 2>/dev/null || return 1
      [ -S "/tmp/.X11-unix/X$1$n" ] && break
      sleep 0.1
    done
    kill -0 "$pid" 2>/dev/null || return 1
  done
}
