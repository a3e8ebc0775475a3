# ./falto mutate [FOLDER] [--every N] [--survivors]: how many small faults the tests of the core notice.

mutate_falto() {
  local folder=src/core survivors= every=1
  while [ $# -gt 0 ]; do
    case "$1" in
      --survivors) survivors=--survivors ;;
      --every) every=${2:?say every how many lines}; shift ;;
      *) folder=${1%/} ;;
    esac
    shift
  done
  [ -d "$folder" ] || die "there is no folder $folder; name one of src/core, as src/core/scalp/head."
  ensure_modules
  FALTO_MUTATE=$folder FALTO_MUTATE_EVERY=$every node_modules/.bin/stryker run scripts/mutation/stryker.config.mjs || die "the faults could not be tried; the lines above say why."
  node scripts/mutation/report.mjs $survivors
}
