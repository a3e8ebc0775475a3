# ./falto mutate [FOLDER] [--every N] [--tests GLOBS] [--survivors]: how many small faults the tests of the core notice.

mutate_falto() {
  local folder=src/core survivors= every=1 tests=
  while [ $# -gt 0 ]; do
    case "$1" in
      --survivors) survivors=--survivors ;;
      --tests) tests=${2:?say which tests, as 'src/core/time/fold/*.test.ts'}; shift ;;
      --every) every=${2:?say every how many lines}; shift ;;
      *) folder=${1%/} ;;
    esac
    shift
  done
  [ -d "$folder" ] || die "there is no folder $folder; name one of src/core, as src/core/scalp/head."
  ensure_modules
  [ -z "$tests" ] || export FALTO_MUTATE_TESTS=$tests
  FALTO_MUTATE=$folder FALTO_MUTATE_EVERY=$every node_modules/.bin/stryker run scripts/mutation/stryker.config.mjs || die "the faults could not be tried; the lines above say why."
  node scripts/mutation/report.mjs $survivors
}
