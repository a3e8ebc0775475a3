import { statSync } from 'node:fs'
import { basename } from 'node:path'

/**
 * Suites that take long for their size, about s on two cores: they begin first, so that none of them runs alone at the
 * end. All others come after them, the largest first.
 */
const LONG = {
  'chair.test.ts': 111,
  'studio.test.ts': 105,
  'plan.test.ts': 66,
  'look.test.ts': 50,
  'mix.test.ts': 45,
  'consultation.test.ts': 39,
  'record.test.ts': 35,
  'salons.test.ts': 34,
  'manyStages.test.ts': 29,
  'begin.test.ts': 28,
  'afterChair.test.ts': 27,
  'clock.test.ts': 27,
  'units.test.ts': 27,
  'golden.test.ts': 26,
  'visits.test.ts': 26,
  'tablet.test.ts': 23,
  'faults.test.ts': 22,
  'commandLine.test.ts': 22,
  'pipeline.test.ts': 21,
  'goldenLook.test.ts': 19,
  'runs.test.ts': 19,
  'C21-visits.test.ts': 19,
  'trouble.test.ts': 18,
  'api.test.ts': 18,
  'propose.test.ts': 16,
  'placement.test.ts': 16,
  'basin.test.ts': 15,
  'paint.test.ts': 15,
  'permissions.test.ts': 14,
  'bound.test.ts': 11,
  'script.test.ts': 10,
}

/** In which order suites begin. */
export default class Sequencer {
  sort(tests) {
    const weight = ({ path }) => LONG[basename(path)] ?? 0
    const size = ({ path }) => statSync(path).size
    return [...tests].sort((a, b) => weight(b) - weight(a) || size(b) - size(a))
  }
  allFailedTests(tests) {
    return tests
  }
  cacheResults() {}
}
