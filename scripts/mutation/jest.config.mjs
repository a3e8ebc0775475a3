import jest from '../../jest.config.mjs'

// Stryker brings a runner of its own; it reads what the sandboxes of the others read.
const unit = jest.projects.find(({ runner }) => runner === undefined)
/**
 * The core's own tests and the quick outside facts, or those that are named. The golden figures notice everything and
 * say nothing of why, so they do not count here.
 */
const tests = (process.env.FALTO_MUTATE_TESTS ?? 'src/core/**/*.test.ts tests/reference/{C,P}*.test.ts').split(' ')
const config = {
  ...unit,
  rootDir: process.cwd(),
  testMatch: tests.map((glob) => `<rootDir>/${glob}`),
}

export default config
