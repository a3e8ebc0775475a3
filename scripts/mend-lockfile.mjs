// Run after `npm install`: npm writes optional packages for other platforms into the lockfile that it could not look
// up, and `npm ci` then refuses the file. This takes out those names, and entries nothing asks for.
import { readFileSync, writeFileSync } from 'node:fs'

const lock = JSON.parse(readFileSync('package-lock.json', 'utf8'))
for (const [path, entry] of Object.entries(lock.packages)) {
  if (entry.extraneous) delete lock.packages[path]
}
for (const [path, entry] of Object.entries(lock.packages)) {
  for (const name of Object.keys(entry.optionalDependencies ?? {})) {
    const homes = [`${path}/node_modules/${name}`, `node_modules/${name}`]
    if (!homes.some((home) => lock.packages[home])) delete entry.optionalDependencies[name]
  }
}
writeFileSync('package-lock.json', `${JSON.stringify(lock, null, 2)}\n`)
