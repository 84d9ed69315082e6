# Shared parts of the lab: sourced by every `up` and `down`, never run by itself.
#
# A FOLDER holds all of one instance: data, database, logs and, in FOLDER/run, one file for each
# process group started (process id, its start time, the signal that ends it). Only groups recorded
# there, and still the same process, are ever stopped. What all instances can share (downloads,
# Python environments, npm packages, builds) is in LAB_CACHE, by default FOLDER/../.cache.

set -euo pipefail
umask 022

NAME=$(basename "$(dirname "$(readlink -f "$0")")")
HERE=$(cd "$(dirname "$(readlink -f "$0")")" && pwd)

say() { echo "$NAME: $*" >&2; }
die() { say "$*"; exit 1; }

# ---------------------------------------------------------------- folder and cache

open_folder() { # FOLDER PORT: sets DIR, PORT, CACHE; refuses a second `up` or `down` on it meanwhile
  [ $# -eq 2 ] && [[ $2 =~ ^[0-9]+$ ]] || die "usage: up FOLDER PORT"
  mkdir -p "$1"
  DIR=$(cd "$1" && pwd -P)
  PORT=$2
  mkdir -p "${LAB_CACHE:-$DIR/../.cache}" "$DIR/run" "$DIR/log"
  CACHE=$(cd "${LAB_CACHE:-$DIR/../.cache}" && pwd -P)
  chmod 700 "$DIR/run"
  exec 8>"$DIR/run/.lock"
  flock -w 600 8 || die "$DIR is in use by another up or down"
  cd "$DIR"
  trap 'stopped_short $?' EXIT
  if alive web; then
    if [ "${RESET:-}" = 1 ] || [ "$(cat port 2>/dev/null)" != "$PORT" ]; then stop web; fi
  fi
  alive web || ! port_busy "$PORT" || die "port $PORT is taken by something else"
  echo "$PORT" >port
}

stopped_short() { # an `up` that fails leaves nothing running
  [ "$1" -eq 0 ] || { say "failed (logs: $DIR/log)"; stop_all; }
}

ready() { # [PATH]: the one line that callers wait for
  echo "ready http://127.0.0.1:$PORT/${1:-}"
}

cached() { # DIRECTORY FUNCTION: fill a directory of the cache once, also if several `up` want it at a time
  local into=$1
  [ "$(cat "$into/.ok" 2>/dev/null)" = "$into" ] && return
  mkdir -p "$CACHE"
  (
    exec 9>"$CACHE/.lock"
    flock 9
    [ "$(cat "$into/.ok" 2>/dev/null)" = "$into" ] && exit
    rm -rf "$into"
    mkdir -p "$into"
    "$2" "$into"
    echo "$into" >"$into/.ok"
  )
}

# ---------------------------------------------------------------- packages

need_apt() { # PACKAGE...: install what is missing, without recommended packages
  local p missing=()
  for p; do
    [ "$(dpkg-query -W -f='${db:Status-Status}' "$p" 2>/dev/null)" = installed ] || missing+=("$p")
  done
  [ ${#missing[@]} -gt 0 ] || return 0
  [ "$(id -u)" = 0 ] || die "run as root once, to install: ${missing[*]}"
  say "installing ${missing[*]}"
  apt_lists
  DEBIAN_FRONTEND=noninteractive apt-get -o DPkg::Lock::Timeout=300 -q install -y --no-install-recommends \
    "${missing[@]}" >>"$DIR/log/apt.log" 2>&1
}

apt_lists() { # fetch the package lists if there are none
  compgen -G '/var/lib/apt/lists/*_Packages*' >/dev/null ||
    apt-get -o DPkg::Lock::Timeout=300 -q update >>"$DIR/log/apt.log" 2>&1
}

# ---------------------------------------------------------------- processes

# "live" or "dead", and the start time: from fields 3, 20 and 22 of a process's stat line, counted after the name,
# which may hold blanks. One whose first thread has ended (Z) is dead only when its other threads are gone too.
stat_of() {
  local s state=live
  { read -r s <"/proc/$1/stat"; } 2>/dev/null || return 1
  set -- ${s##*) }
  [ "$1" != Z ] || [ "${18}" -gt 1 ] || state=dead
  echo "$state ${20}"
}

start() { # NAME SIGNAL COMMAND...: in a process group of its own, recorded in FOLDER/run
  local name=$1 signal=$2 pid
  shift 2
  stop "$name" # what may be left of a group whose first process died
  LAB_FOLDER=$DIR setsid "$@" >>"$DIR/log/$name.log" 2>&1 </dev/null 8>&- &
  pid=$!
  echo "$pid $(stat_of "$pid" | cut -d' ' -f2) $signal" >"$DIR/run/$name"
}

alive() { # NAME: the recorded process is there, and is that process and not a later one with its number
  local pid started signal now
  read -r pid started signal 2>/dev/null <"$DIR/run/$1" || return 1
  now=$(stat_of "$pid") || return 1
  [ "$now" = "live $started" ]
}

members() { # GROUP: its processes that still run and were started for this folder
  local f s
  for f in /proc/[0-9]*/stat; do
    { read -r s <"$f"; } 2>/dev/null || continue
    set -- "$1" ${s##*) }
    [ "$4" = "$1" ] && [ "$2" != Z ] || continue
    f=${f%/stat}
    grep -qzxF "LAB_FOLDER=$DIR" "$f/environ" 2>/dev/null && echo "${f#/proc/}"
  done
  return 0
}

stop() { # NAME: end its whole group, and wait for the end
  local pid started signal now i
  [ -f "$DIR/run/$1" ] || return 0
  read -r pid started signal <"$DIR/run/$1"
  now=$(stat_of "$pid") || now=gone
  # a dead first process keeps the number of the group taken until it is collected; after that, what is left of
  # the group is known by its environment
  if [ "${now#* }" = "$started" ] || { [ "$now" = gone ] && [ -n "$(members "$pid")" ]; }; then
    kill -s "$signal" -- "-$pid" 2>/dev/null || true
    for ((i = 0; i < 300; i++)); do
      alive "$1" || [ -n "$(members "$pid")" ] || break
      sleep 0.1
      [ $i -ne 150 ] || kill -s KILL -- "-$pid" 2>/dev/null || true
    done
  fi
  rm -f "$DIR/run/$1"
}

stop_all() { # what serves first, databases last
  stop web
  stop db
}

port_busy() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

wait_web() { # PATH STATUS-PATTERN SECONDS: until the server answers so
  local end=$((SECONDS + $3)) code=
  while [ $SECONDS -lt $end ]; do
    code=$(curl -s -m 60 -o /dev/null -w '%{http_code}' "http://127.0.0.1:$PORT$1" || true)
    [[ $code =~ ^($2)$ ]] && return
    alive web || { tail -20 "$DIR/log/web.log" >&2; die "the server ended"; }
    sleep 0.1
  done
  die "no answer on port $PORT in $3 s (last status $code)"
}

# ---------------------------------------------------------------- down

lab_down() { # FOLDER [--wipe]
  [ $# -ge 1 ] && [ "${2:---wipe}" = --wipe ] || die "usage: down FOLDER [--wipe]"
  [ -d "$1" ] || return 0
  DIR=$(cd "$1" && pwd -P)
  [ -d "$DIR/run" ] || die "$DIR is not a folder made by up"
  exec 8>"$DIR/run/.lock"
  flock -w 600 8 || die "$DIR is in use by another up or down"
  stop_all
  [ "${2:-}" != --wipe ] || rm -rf "$DIR"
}
