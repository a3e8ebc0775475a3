import { mkdirSync, renameSync } from 'node:fs'
import { basename, resolve } from 'node:path'
import { pathToFileURL } from 'node:url'
import { buildSync } from 'esbuild'
import { FOR_NODE } from './bundle.mjs'

/**
 * Runs a script of ours: node scripts/run.mjs scripts/salon.ts ARGS. As one file it starts in a third of the time that
 * reading its some hundred files one by one takes; that is done where nothing may be written beside the packages.
 */
const [node, , script, ...args] = process.argv
process.argv = [node, script, ...args]
const file = asOneFile()
if (!file) (await import('tsx/esm/api')).register()
await import(pathToFileURL(file ?? resolve(script)).href)

/** A script as one file beside the packages, which are found from there. */
function asOneFile() {
  const folder = resolve('node_modules/.falto-scripts')
  const whole = resolve(folder, basename(script).replace(/\.ts$/, '.mjs'))
  // Two at once each put theirs in its place whole.
  const own = `${whole}.${process.pid}`
  try {
    mkdirSync(folder, { recursive: true })
    buildSync({ ...FOR_NODE, entryPoints: [script], outfile: own, logLevel: 'silent' })
    renameSync(own, whole)
    return whole
  } catch {
    return undefined
  }
}
