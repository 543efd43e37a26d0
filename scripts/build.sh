# Shared by run and test: says what is missing in one sentence, builds only what has changed.
export DOTNET_CLI_TELEMETRY_OPTOUT=1 DOTNET_NOLOGO=1
configuration=Release
server_dll=.run/server/TuningFork.Server.dll

stop() {
  echo "$*" >&2
  exit 1
}

need_tools() {
  command -v dotnet >/dev/null && dotnet --list-sdks | grep -q '^10\.' || stop "The .NET SDK 10 is missing. Install it and run this again."
  command -v node >/dev/null || stop "Node 20 is missing. Install it and run this again."
  [ "$(node -p 'process.versions.node.split(".")[0]')" -ge 20 ] || stop "Node 20 or newer is needed; this is $(node --version)."
}

npm11() {
  if [ "$(npm --version | cut -d. -f1)" -ge 11 ]; then npm "$@"; else npx --yes npm@11 "$@"; fi
}

# newer DIR... than FILE: true when FILE is missing or something below the folders is newer.
changed_since() {
  local stamp=$1
  shift
  [ ! -e "$stamp" ] || [ -n "$(find "$@" -newer "$stamp" -type f -not -path '*/node_modules/*' -not -path '*/bin/*' -not -path '*/obj/*' -not -path '*/dist/*' -print -quit)" ]
}

install_web() {
  if changed_since web/node_modules/.installed web/package-lock.json; then
    echo "Installing the web's packages; the first time this takes a minute ..." >&2
    (cd web && npm11 ci --no-audit --no-fund --loglevel=error)
    touch web/node_modules/.installed
  fi
}

build_web() {
  install_web
  if changed_since web/dist/.built web/src web/public web/index.html web/package-lock.json web/vite.config.ts; then
    echo "Building the web ..." >&2
    (cd web && npx vite build --logLevel warn)
    touch web/dist/.built
  fi
}

# Compiled ahead of time, so that a start takes two seconds instead of four; the lock files stay those of the plain build.
build_server() {
  if changed_since .run/server/.built src Directory.Build.props Directory.Packages.props; then
    echo "Building the program ..." >&2
    local rid=linux-x64
    [ "$(uname -m)" != aarch64 ] || rid=linux-arm64
    dotnet publish src/TuningFork.Server -c $configuration -r $rid --self-contained false -p:PublishReadyToRun=true \
      -p:NuGetLockFilePath=obj/publish.lock.json -o .run/server -v quiet --nologo -clp:ErrorsOnly
    touch .run/server/.built
  fi
}
