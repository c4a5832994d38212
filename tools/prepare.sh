# Shared by ./start and ./test: install what is missing. Sourced with the repository as folder.
# Every step may be repeated: a stamp is written only after a step has succeeded.

# What Python compiles is kept beside its packages: every process would compile it anew.
unset PYTHONDONTWRITEBYTECODE
export PYTHONPYCACHEPREFIX="$PWD/.venv/bytecode"

say() { printf '%s\n' "$*" >&2; }
fail() { say "pavrik: $*"; exit 1; }

as_root() {
  if [ "$(id -u)" = 0 ]; then "$@"
  elif command -v sudo >/dev/null 2>&1 && sudo -n true 2>/dev/null; then sudo -n "$@"
  else return 1
  fi
}

has_postgres() { ls /usr/lib/postgresql/*/bin/initdb >/dev/null 2>&1 || command -v initdb >/dev/null 2>&1; }

# debian_packages PACKAGE...: install with apt, or say which are missing.
debian_packages() {
  say "Installing Debian packages: $*"
  as_root env DEBIAN_FRONTEND=noninteractive apt-get update -qq >/dev/null 2>&1 \
    && as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$@" >/dev/null 2>&1 \
    || fail "these Debian packages are missing and cannot be installed by this user: $*"
}

need_base() {
  local missing=()
  command -v python3 >/dev/null 2>&1 || missing+=(python3)
  python3 -c 'import venv, ensurepip' >/dev/null 2>&1 || missing+=(python3-venv)
  command -v node >/dev/null 2>&1 || missing+=(nodejs)
  command -v npm >/dev/null 2>&1 || missing+=(npm)
  has_postgres || missing+=(postgresql)
  [ ${#missing[@]} -eq 0 ] || debian_packages "${missing[@]}"
  python3 -c 'import sys; sys.exit(sys.version_info < (3, 11))' \
    || fail "Python 3.11 or newer is needed, this is $(python3 -V)"
  [ "$(node -p 'parseInt(process.versions.node)')" -ge 20 ] \
    || fail "Node 20 or newer is needed, this is $(node -v)"
}

need_browser() {
  local missing=()
  [ -x /usr/bin/chromium ] || missing+=(chromium)
  [ -x /usr/bin/chromedriver ] || missing+=(chromium-driver)
  [ ${#missing[@]} -eq 0 ] || debian_packages "${missing[@]}"
}

digest() { cat "$@" 2>/dev/null | sha256sum | cut -c1-16; }

# locked_packages LOCK: by uv, which is much faster; by pip alone where uv does not get there.
locked_packages() {
  local pip=(.venv/bin/python -m pip install -q --disable-pip-version-check --no-compile --no-deps --require-hashes)
  { "${pip[@]}" -r requirements-uv.lock && .venv/bin/uv pip install -q --python .venv/bin/python \
    --no-deps --require-hashes -r "$1"; } 2>.venv/uv.log || "${pip[@]}" -r "$1"
}

# python_environment LOCK: a venv with exactly the locked packages and Pavrik itself.
python_environment() {
  local lock=$1 stamp
  stamp="$(digest "$lock" pyproject.toml)-$(basename "$lock")"
  [ -x .venv/bin/pavrik ] && [ "$(cat .venv/stamp 2>/dev/null)" = "$stamp" ] && return
  [ "$lock" = requirements.lock ] && [ "$(cat .venv/stamp 2>/dev/null)" = \
    "$(digest requirements-dev.lock pyproject.toml)-requirements-dev.lock" ] && return
  say "Setting up Python in .venv"
  .venv/bin/python -c '' >/dev/null 2>&1 || { rm -rf .venv; python3 -m venv .venv || fail "python3 -m venv failed"; }
  locked_packages "$lock" 2>.venv/pip.log \
    || fail "Python packages could not be installed: $(grep -i error .venv/pip.log | tail -1)"
  .venv/bin/python -m pip install -q --disable-pip-version-check --no-deps --no-build-isolation -e . 2>>.venv/pip.log \
    || fail "Pavrik could not be installed into .venv: $(tail -1 .venv/pip.log)"
  echo "$stamp" >.venv/stamp
}

node_modules() {
  local stamp
  stamp=$(digest web/package-lock.json)
  [ "$(cat web/node_modules/.stamp 2>/dev/null)" = "$stamp" ] && return
  say "Setting up the page's packages"
  (cd web && npm ci --no-audit --no-fund --loglevel=error >/dev/null) || fail "npm ci failed in web/"
  echo "$stamp" >web/node_modules/.stamp
}

# The page's API types are made from docs/openapi.json, so that file counts and they do not.
page_sources() {
  find docs/openapi.json web/src web/public web/index.html web/package-lock.json web/*.ts -type f \
    ! -name api-types.ts 2>/dev/null | sort
}

page() {
  local stamp
  stamp=$(digest $(page_sources))
  [ -f web/dist/index.html ] && [ "$(cat web/dist/.stamp 2>/dev/null)" = "$stamp" ] && return
  node_modules
  say "Building the page"
  (cd web && npm run --silent build >.build.log 2>&1) || fail "the page did not build: see web/.build.log"
  echo "$stamp" >web/dist/.stamp
}
