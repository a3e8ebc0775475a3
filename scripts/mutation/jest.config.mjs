import jest from '../../jest.config.mjs'

const [unit] = jest.projects
/**
 * The core's own tests and the quick outside facts. The golden figures notice everything and say nothing of why, so
 * they do not count here.
 */
const config = {
  ...unit,
  rootDir: process.cwd(),
  testMatch: ['<rootDir>/src/core/**/*.test.ts', '<rootDir>/tests/reference/{C,P}*.test.ts'],
}

export default config
