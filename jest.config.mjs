const swc = {
  jsc: {
    target: 'es2022',
    parser: { syntax: 'typescript', tsx: true, decorators: true },
    transform: { legacyDecorator: true, decoratorMetadata: true, react: { runtime: 'automatic' } },
    keepClassNames: true,
  },
  module: { type: 'commonjs' },
}

/** Every file by itself, in a sandbox of its own. */
const project = (displayName, testMatch) => ({
  displayName,
  testMatch,
  setupFiles: ['<rootDir>/tests/support/seed.ts'],
  testEnvironment: 'node',
  transform: { '\\.[cm]?[jt]sx?$': ['@swc/jest', swc] },
  transformIgnorePatterns: [
    '/node_modules/(?!(@better-auth|@noble|better-auth|d3-[a-z-]+|delaunator|internmap|jose|rou3|nanostores|robust-predicates|uuid)/)',
  ],
  // Looking these up through the sandbox would more than double the time of what computes.
  sandboxInjectedGlobals: ['Math', 'Map', 'Set', 'Number', 'Infinity'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
})

/** Tests of the core and its documents, one after the other: it has no state that one could leave to the next. */
const together = (displayName, testMatch) => ({
  displayName,
  testMatch,
  runner: '<rootDir>/tests/support/runner.mjs',
  transform: {},
})

/** Unit and reference tests need nothing but Node; api and e2e tests need a running Falto (./falto test starts one). */
const config = {
  // Ends what hangs; how fast something is, is for ./falto bench to say.
  testTimeout: 60_000,
  testSequencer: '<rootDir>/tests/support/sequencer.mjs',
  projects: [
    together('unit', ['<rootDir>/src/{core,dto}/**/*.test.ts']),
    project('unit', ['<rootDir>/src/!(core|dto)/**/*.test.ts']),
    together('reference', ['<rootDir>/tests/reference/**/*.test.ts']),
    project('api', ['<rootDir>/tests/api/**/*.test.ts']),
    project('e2e', ['<rootDir>/tests/e2e/**/*.test.ts']),
  ],
}

export default config
