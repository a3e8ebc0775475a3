import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'

/** Small faults put into the core, one at a time, and whether the tests notice; ./falto mutate runs it. */
const folder = process.env.FALTO_MUTATE ?? 'src/core'
/** Every so many lines are tried where the whole would take hours; 1 is all. */
const every = Number(process.env.FALTO_MUTATE_EVERY ?? 1)

const sources = (path) =>
  readdirSync(path, { recursive: true })
    .map((name) => join(path, name))
    .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts') && !name.endsWith('constants.ts'))
    .sort()

/** The same lines every time, spread over all files: line 1, 1 + every, … counted through the whole folder. */
function sampled() {
  let count = 0
  return sources(folder).flatMap((file) => {
    const lines = readFileSync(file, 'utf8').split('\n').length
    const picked = []
    for (let line = 1; line <= lines; line++) if (count++ % every === 0) picked.push(`${file}:${line}-${line}`)
    return picked
  })
}

const config = {
  testRunner: 'jest',
  plugins: ['@stryker-mutator/jest-runner'],
  testRunnerNodeArgs: ['--experimental-vm-modules', '--no-warnings'],
  jest: { projectType: 'custom', configFile: 'scripts/mutation/jest.config.mjs', enableFindRelatedTests: true },
  mutate: every === 1 ? sources(folder) : sampled(),
  // Words are read by people; what a word decides is a type, and the compiler holds it.
  mutator: { excludedMutations: ['StringLiteral'] },
  coverageAnalysis: 'perTest',
  // What stands outside functions is constants and tables: the test of the constants holds every one of them.
  ignoreStatic: true,
  concurrency: 2,
  // Long, so that a busy machine does not make a fault look noticed.
  timeoutMS: 40_000,
  reporters: ['json', 'progress-append-only'],
  jsonReporter: { fileName: '.stryker/report.json' },
  tempDirName: '.stryker/work',
}

export default config
