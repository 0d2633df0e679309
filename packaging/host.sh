# shellcheck shell=bash
# What the machine must have: found, or installed where that is possible. Read by hearth.

may_install() { [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null; }

# install PACKAGE...: from Debian, where that is possible
install() {
  say "installing $* from Debian"
  { apt-get install -y --no-install-recommends "$@" || { apt-get update && apt-get install -y --no-install-recommends "$@"; }; } >/dev/null 2>&1
}

need() { # need COMMAND PACKAGE WHAT
  command -v "$1" >/dev/null && return
  if may_install && install "$2"; then return; fi
  say "$3 is missing: install it (on Debian: apt-get install $2) and start again."
  exit 3
}

is_25() { [ -x "$1/bin/java" ] && "$1/bin/java" -version 2>&1 | head -1 | grep -qE '"(2[5-9]|[3-9][0-9])'; }

# find_java: sets jdk
find_java() {
  local home
  for home in "${JAVA_HOME:-}" /usr/lib/jvm/* "$HOME"/.sdkman/candidates/java/* /Library/Java/JavaVirtualMachines/*/Contents/Home; do
    # shellcheck disable=SC2034 # hearth reads it
    if [ -n "$home" ] && is_25 "$home" && [ -x "$home/bin/javac" ]; then jdk=$home; return; fi
  done
  say "a JDK 25 or newer is missing. Install one (for example Temurin 25), set JAVA_HOME to it, and start again."
  exit 3
}

# Text on an offscreen window needs pango and fontconfig, a real one GTK.
need_libraries() {
  local missing=() known
  known=$(ldconfig -p 2>/dev/null || true)
  grep -q libpangoft2 <<<"$known" || missing+=(libpango-1.0-0 libpangoft2-1.0-0)
  command -v fc-list >/dev/null || missing+=(fontconfig)
  [ "${1:-}" = window ] && { grep -q libgtk-3 <<<"$known" || missing+=(libgtk-3-0); }
  [ "${#missing[@]}" = 0 ] && return
  if [ "$(uname)" != Linux ]; then return; fi
  if may_install && install "${missing[@]}"; then return; fi
  say "these libraries seem to be missing: ${missing[*]}. Going on; if no window comes, install them."
}

# test_tools: the programs that the tests compare with; a test whose program is missing is left out, and it is said here
test_tools() {
  # The circuit simulator checks the charge model live; without it the golden values do.
  if ! command -v ngspice >/dev/null; then
    { may_install && install ngspice; } || say "ngspice is not here: the live comparison with it is left out."
  fi
  # A general SCPI client drives the stand-in instruments.
  if ! command -v lxi >/dev/null; then
    { may_install && install lxi-tools; } || say "lxi-tools is not here: the check with a general SCPI client is left out."
  fi
  # Memory sticks: images with their file systems, mounted in user space.
  if ! command -v mount.exfat-fuse >/dev/null || ! command -v fusefat >/dev/null; then
    { may_install && install exfatprogs exfat-fuse dosfstools fusefat; } || say "no driver for memory sticks here: the checks with real ones are left out."
  fi
  # A pseudo-terminal stands for a serial port.
  if ! command -v socat >/dev/null; then
    { may_install && install socat; } || say "socat is not here: the check with a serial port is left out."
  fi
  # A real server stands for the shop that several benches share; it needs no cluster of Debian's own.
  if ! ls /usr/lib/postgresql/*/bin/initdb >/dev/null 2>&1; then
    if may_install && [ ! -e /etc/postgresql-common/createcluster.conf ]; then
      mkdir -p /etc/postgresql-common && echo 'create_main_cluster = false' >/etc/postgresql-common/createcluster.conf
    fi
    { may_install && install postgresql; } || say "postgresql is not here: the checks of a shared shop are left out."
  fi
}
