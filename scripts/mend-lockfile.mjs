// Run after `npm install`: npm writes optional packages for other platforms into the lockfile that it could not look
// up, and `npm ci` then refuses the file. This takes out those names, and entries nothing asks for.
// It also says of every package where it lies in a registry; otherwise `npm ci` asks for each package's whole history
// to learn that. Whose registry is for the machine to say: .npmrc lets it put its own for the host that is none.
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
for (const [path, entry] of Object.entries(lock.packages)) {
  if (path === '') continue
  const { version, resolved: _before, ...rest } = entry
  const name = entry.name ?? path.slice(path.lastIndexOf('node_modules/') + 'node_modules/'.length)
  const file = `${name.slice(name.indexOf('/') + 1)}-${version}.tgz`
  lock.packages[path] = { version, resolved: `https://registry.invalid/${name}/-/${file}`, ...rest }
}
writeFileSync('package-lock.json', `${JSON.stringify(lock, null, 2)}\n`)
