import { readFileSync } from 'node:fs'

/** Prints the score of every room of the core, and with --survivors what no test noticed. */
const { files } = JSON.parse(readFileSync('.stryker/report.json', 'utf8'))
const survivors = process.argv.includes('--survivors')
const NOTICED = new Set(['Killed', 'Timeout'])
const COUNTED = new Set(['Killed', 'Timeout', 'Survived', 'NoCoverage'])

const rooms = new Map()
for (const [file, { mutants }] of Object.entries(files)) {
  const room = file.replace(/^src\/core\//, '').replace(/\/[^/]+$/, '')
  const sum = rooms.get(room) ?? { noticed: 0, all: 0 }
  rooms.set(room, sum)
  for (const { status, location, mutatorName, replacement } of mutants) {
    if (!COUNTED.has(status)) continue
    sum.all++
    if (NOTICED.has(status)) sum.noticed++
    else if (survivors) console.log(`${file}:${location.start.line} ${mutatorName} ${replacement ?? ''} ${status}`)
  }
}
let [noticed, all] = [0, 0]
for (const [room, sum] of [...rooms].sort(([a], [b]) => (a < b ? -1 : 1))) {
  console.log(`${room.padEnd(28)} ${share(sum)} (${sum.noticed} of ${sum.all})`)
  noticed += sum.noticed
  all += sum.all
}
console.log(`${'in all'.padEnd(28)} ${share({ noticed, all })} (${noticed} of ${all})`)

function share(sum) {
  return `${((100 * sum.noticed) / Math.max(1, sum.all)).toFixed(1).padStart(5)} %`
}
