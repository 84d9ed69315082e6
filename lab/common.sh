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
LAB_USER=boss
LAB_EMAIL=boss@lab.example
LAB_PASSWORD=${LAB_PASSWORD:-Lab-First-Pass-1}

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

short_hash() { sha256sum | cut -c1-10; }

# The state to go back to is kept in FOLDER/fresh. It is made anew when it was made with other choices; its mark
# comes last, so that an installation that was broken off begins again.
wants_fresh() { [ "${RESET:-}" = 1 ] || [ ! -f fresh/.made ]; }
fresh_is() { [ "$(cat fresh/.made 2>/dev/null)" = "$(printf '%s\n' "$@" | short_hash)" ]; }
fresh_made() { printf '%s\n' "$@" | short_hash >fresh/.made; }
keep_fresh() { mkdir -p fresh && cp -a "$1" "fresh/$1"; }
back_to_fresh() {
  rm -rf "$1" "$1.new"
  cp -a "fresh/$1" "$1.new"
  mv "$1.new" "$1"
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

python_from() { # OLDEST CANDIDATE...: the first that is new enough and can make environments; $PYTHON comes first
  local oldest=$1 name p
  shift
  for name in ${PYTHON:+"$PYTHON"} "$@"; do
    # also the versions that pyenv holds: its own command for them runs only those chosen beforehand
    for p in "$(command -v "$name" || true)" "${PYENV_ROOT:-$HOME/.pyenv}"/versions/*/bin/"$name"; do
      p=$("$p" -c 'import sys; print(sys.executable)' 2>/dev/null) || continue
      "$p" -c "import sys; sys.exit(sys.version_info < tuple(map(int, '$oldest'.split('.'))))" || continue
      "$p" -c 'import ensurepip' 2>/dev/null || need_apt "$("$p" -c 'import sys; print("python%d.%d-venv" % sys.version_info[:2])')"
      echo "$p"
      return
    done
  done
  return 1
}

need_venv() { # REQUIREMENTS PYTHON [FUNCTION]: sets VENV, shared through the cache, with exactly these packages
  local requirements=$1 python=$2 after=${3:-true}
  VENV=$CACHE/$NAME-venv-$({ "$python" -VV; cat "$requirements"; } | short_hash)
  make_venv() {
    say "making a Python environment"
    "$python" -m venv "$1"
    # the list is complete, so pip has nothing to work out; wheel is for the few packages that come as source
    PIP_CACHE_DIR=$CACHE/pip "$1/bin/pip" install -q --disable-pip-version-check 'wheel<0.46' >"$DIR/log/pip.log" 2>&1
    PIP_CACHE_DIR=$CACHE/pip "$1/bin/pip" install -q --disable-pip-version-check --no-deps -r "$requirements" \
      >>"$DIR/log/pip.log" 2>&1 || { tail -20 "$DIR/log/pip.log" >&2; exit 1; }
    "$after" "$1"
  }
  cached "$VENV" make_venv
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

free_port() {
  local p
  while p=$((20000 + RANDOM % 10000)) && port_busy "$p"; do :; done
  echo "$p"
}

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

# ---------------------------------------------------------------- PostgreSQL

as_postgres() { setpriv --reuid=postgres --regid=postgres --init-groups -- "$@"; }

start_postgres() { # a cluster of this folder only; sets PGHOST, PGPORT, PGUSER, PGPASSWORD for psql and the programs
  local bin secret
  if ! compgen -G '/usr/lib/postgresql/*/bin/postgres' >/dev/null; then
    # keep the package from making and starting a cluster of the machine's own
    need_apt postgresql-common
    sed -i -E 's/^#?\s*create_main_cluster\b.*/create_main_cluster = false/' /etc/postgresql-common/createcluster.conf
    need_apt postgresql
  fi
  as_postgres test -x "$DIR" ||
    die "user postgres cannot reach $DIR: place it below directories that all have mode 755"
  bin=$(ls -d /usr/lib/postgresql/*/bin | sort -V | tail -1)
  if [ ! -f pg/.ok ]; then
    rm -rf pg
    install -d -m 700 -o postgres pg
    secret=$(od -An -N16 -tx1 /dev/urandom | tr -d ' \n')
    (umask 077 && echo "$secret" >pg/secret)
    chown postgres pg/secret
    as_postgres "$bin/initdb" -D "$DIR/pg/data" -U postgres -A scram-sha-256 --pwfile="$DIR/pg/secret" \
      -E UTF8 --locale=C.UTF-8 --no-sync >log/initdb.log 2>&1
    touch pg/.ok
  fi
  if alive db; then PGPORT=$(sed -n 4p pg/data/postmaster.pid); else
    PGPORT=$(free_port)
    rm -f pg/data/postmaster.pid
    # no socket (its path may not be long) and no fsync (nothing here must outlive a power cut)
    start db INT setpriv --reuid=postgres --regid=postgres --init-groups -- "$bin/postgres" -D "$DIR/pg/data" \
      -p "$PGPORT" -c listen_addresses=127.0.0.1 -c unix_socket_directories= -c fsync=off
  fi
  export PGHOST=127.0.0.1 PGPORT PGUSER=postgres PGPASSWORD
  PGPASSWORD=$(cat pg/secret)
  local i
  for ((i = 0; i < 300; i++)); do
    sql 'select 1' >/dev/null 2>&1 && return
    alive db || break
    sleep 0.1
  done
  tail -20 log/db.log >&2
  die "the database did not start"
}

sql() { psql -qAtX -v ON_ERROR_STOP=1 -d postgres -c "$1"; }

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
