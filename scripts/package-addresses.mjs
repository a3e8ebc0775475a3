// package-addresses.mjs REGISTRY: writes npm-shrinkwrap.json, which `npm ci` reads before the lockfile: the same with
// where each package lies in this machine's registry. The lockfile names no registry, and without an address npm asks
// for a package's whole history to learn it: a minute of processor for a thousand of them.
import { readFileSync, writeFileSync } from 'node:fs'

const registry = process.argv[2].replace(/\/$/, '')
const lock = JSON.parse(readFileSync('package-lock.json', 'utf8'))
for (const [path, entry] of Object.entries(lock.packages)) {
  if (path === '') continue
  const name = entry.name ?? path.slice(path.lastIndexOf('node_modules/') + 'node_modules/'.length)
  entry.resolved = `${registry}/${name}/-/${name.slice(name.indexOf('/') + 1)}-${entry.version}.tgz`
}
writeFileSync('npm-shrinkwrap.json', JSON.stringify(lock))
