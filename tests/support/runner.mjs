import { mkdtempSync, rmSync } from 'node:fs'
import { join, relative } from 'node:path'
import { build } from 'esbuild'
import { createRunner } from 'jest-light-runner'
import { FOR_NODE } from '../../scripts/bundle.mjs'

// What failed is told by its lines in our files.
process.execArgv.push('--enable-source-maps')

const Processes = createRunner({ runtime: 'child_process' })

/**
 * Runs tests in a few processes that keep what they have read, so that the core is read and made fast once, not for
 * every file. All of it is translated at once beforehand, as it is for those who use it.
 */
export default class Runner extends Processes {
  constructor(config, ...more) {
    // With one worker it would run them in Jest's own process.
    super({ ...config, maxWorkers: Math.max(2, config.maxWorkers) }, ...more)
  }

  async runTests(tests, watcher, onStart, onResult, onFailure) {
    const { rootDir } = tests[0].context.config
    // Beside the packages, which are found from there.
    this.built = mkdtempSync(join(rootDir, 'node_modules', '.falto-tests-'))
    try {
      await build({
        ...FOR_NODE,
        entryPoints: tests.map(({ path }) => path),
        inject: [join(rootDir, 'tests/support/seed.ts')],
        outdir: this.built,
        outbase: rootDir,
        outExtension: { '.js': '.mjs' },
        splitting: true,
        sourcemap: 'inline',
      })
      await super.runTests(tests, watcher, onStart, onResult, onFailure)
    } finally {
      rmSync(this.built, { recursive: true })
    }
  }

  async _runTest(test) {
    const path = join(this.built, relative(test.context.config.rootDir, test.path)).replace(/\.ts$/, '.mjs')
    const result = await super._runTest({ ...test, path })
    return { ...result, testFilePath: test.path }
  }
}
