import { createHash } from 'node:crypto'
import { execFile } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { gunzipSync, gzipSync } from 'node:zlib'
import { Client } from 'pg'
import { v7 as newId } from 'uuid'
import { database, salon as salonTable, staff, user } from '@/db'
import { unpackSalon } from '@/server/moving'
import { BASE_URL, beginRun, newClient, newPlan } from '../support/server'
import { closeDatabase, newSalon, type TestSalon } from '../support/salon'

/** A salon moves house: packed here as one file, taken in by an empty database, and nothing of it is another. */
jest.setTimeout(180_000)

const run = promisify(execFile)
const folder = mkdtempSync(join(tmpdir(), 'falto-moving-'))
const NEW_HOUSE = `falto_moving_${process.pid}`
const address = new URL(process.env['DATABASE_URL']!)
address.pathname = `/${NEW_HOUSE}`

const oldHouse = process.env['DATABASE_URL']!
const inOldHouse = async (words: string): Promise<void> => {
  const client = new Client({ connectionString: oldHouse })
  await client.connect()
  await client.query(words)
  await client.end()
}
const env = { ...process.env, DATABASE_URL: address.href, DATABASE_LISTEN_URL: address.href }
const node = (...words: string[]) => run('node', ['scripts/run.mjs', ...words], { env })

/** From here on this file's own work goes to the new house. */
async function moveOver(): Promise<void> {
  await closeDatabase()
  process.env['DATABASE_URL'] = address.href
  Reflect.deleteProperty(globalThis, 'faltoDatabase')
}

const PASSWORD = 'a word for the new house'
const unpack = (file: string) => unpackSalon(file, PASSWORD)

let salon: TestSalon
let clientId: string
let packed: string
beforeAll(async () => {
  salon = await newSalon()
  const { owner, colourist } = salon.devices
  clientId = await newClient(owner, 'Moves “too” \\ \u2028 with\nlines')
  await beginRun(colourist, await newPlan(owner, clientId, { service: 'topAndSides' }))
  const doneId = await newPlan(owner, clientId, { service: 'topAndSides' })
  expect((await owner.call('POST', `/api/plans/${doneId}/done`, { on: '2026-01-05' })).status).toBe(200)
  await owner.call('PUT', '/api/account/pin', { password: 'a word for everybody here', pin: '48151' })
  const answer = await fetch(`${BASE_URL}/api/salon/file`, { headers: { cookie: owner.cookie, connection: 'close' } })
  expect([answer.status, answer.headers.get('content-disposition')]).toEqual([
    200,
    expect.stringMatching(/^attachment; filename="salon-\d{4}-\d\d-\d\d\.falto\.gz"$/),
  ])
  packed = join(folder, 'salon.gz')
  writeFileSync(packed, Buffer.from(await answer.arrayBuffer()))
  await inOldHouse(`create database ${NEW_HOUSE}`)
  await node('src/db/migrate.ts')
  await moveOver()
})
afterAll(async () => {
  await closeDatabase()
  await inOldHouse(`drop database ${NEW_HOUSE}`)
  rmSync(folder, { recursive: true, force: true })
})

const text = () => gunzipSync(readFileSync(packed)).toString('utf8')

it('holds its own salon and nobody else’s, and nothing that lets somebody in', () => {
  const lines = text().split('\n')
  const rows = lines.filter((line) => line.startsWith('{')).map((line) => JSON.parse(line) as Record<string, unknown>)
  expect(rows.length).toBeGreaterThan(20)
  expect(new Set(rows.map((row) => row['salon_id'] ?? row['id']))).toEqual(new Set([salon.id]))
  const tables = lines.filter((line) => line.startsWith('#table')).map((line) => line.slice(7))
  expect(tables).toEqual(
    expect.arrayContaining(['client', 'plan', 'run_event', 'visit', 'audit_entry', 'picture_bytes']),
  )
  for (const secret of [
    'staff_pin',
    'shared_tablet',
    'invitation',
    'calendar_feed',
    'session',
    'account',
    'two_factor',
  ])
    expect(tables).not.toContain(secret)
  expect(text()).not.toMatch(/token|password/i)
})

it('is not packed twice at once, and only for its owners', async () => {
  expect((await salon.devices.owner.call('GET', '/api/salon/file')).status).toBe(429)
  expect((await salon.devices.colourist.call('GET', '/api/salon/file')).status).toBe(403)
})

it.each([
  ['cut off', (lines: string[]) => lines.slice(0, -40), /is not whole|is damaged/],
  [
    'with a row changed',
    (lines: string[]) => lines.map((line) => line.replace('"The colourist"', '"Somebody"')),
    /is damaged/,
  ],
  [
    'with a row taken out',
    (lines: string[]) => lines.filter((line) => !line.includes('"The colourist"')),
    /is damaged/,
  ],
  [
    'of another schema',
    (lines: string[]) => lines.map((line) => line.replace(/"schema":\d+/, '"schema":3')),
    /of schema 3/,
  ],
  ['with a table of its own', (lines: string[]) => ['#head', '#table session', ...lines], /no file of a salon/],
  [
    'with a table that is not moved',
    (lines: string[]) => [lines[0]!, '#table session', '{"id":"x"}', ...lines.slice(1)],
    /no place here/,
  ],
])('a file %s is refused, and nothing of it stays', async (_what, change, words) => {
  const file = join(folder, `${newId()}.gz`)
  writeFileSync(file, gzipSync(change(text().trimEnd().split('\n')).join('\n') + '\n'))
  await expect(unpack(file)).rejects.toThrow(words)
  expect([await database().$count(salonTable), await database().$count(user)]).toEqual([0, 0])
})

/** Sums of a file that somebody has changed on purpose. */
function summedAnew(lines: readonly string[]): string[] {
  let rows: string[] = []
  return lines.map((line) => {
    if (line.startsWith('#table')) rows = []
    else if (!line.startsWith('#')) rows.push(line)
    if (!line.startsWith('#sum')) return line
    const sum = createHash('sha256').update(rows.map((row) => `${row}\n`).join(''))
    return `#sum ${rows.length} ${sum.digest('hex')}`
  })
}

it('puts nothing into another salon, whoever wrote the file', async () => {
  const lines = text().trimEnd().split('\n')
  const file = join(folder, 'other.gz')
  const other = newId()
  await database().insert(salonTable).values({ id: other, name: 'Neighbour', demo: true })
  const bent = lines.map((line) => (line.includes('"The apprentice"') ? line.replaceAll(salon.id, other) : line))
  writeFileSync(file, gzipSync(`${summedAnew(bent).join('\n')}\n`))
  await expect(unpack(file)).rejects.toThrow()
  expect([await database().$count(staff), await database().$count(user)]).toEqual([0, 0])
  await database().delete(salonTable)
})

it('what is no packed file at all is refused too', async () => {
  const file = join(folder, 'no.gz')
  writeFileSync(file, 'nothing of the kind')
  await expect(unpack(file)).rejects.toThrow(/cannot be unpacked/)
})

it('is taken in whole, reads back as it was, and once', async () => {
  const { name, rows, owner } = await unpack(packed)
  expect({ name, owner }).toEqual({
    name: `Salon ${salon.id}`,
    owner: { name: 'The owner', email: salon.emails.owner },
  })
  expect(rows).toMatchObject({ staff: 4, client: 1, plan: 2, salon: 1 })
  const again = join(folder, 'again.gz')
  const { stdout } = await node('scripts/move.ts', 'pack', again)
  expect(stdout).toContain(`packed the salon “Salon ${salon.id}”`)
  const rowsIn = (words: string) => words.split('\n').filter((line) => !line.startsWith('#head'))
  expect(rowsIn(gunzipSync(readFileSync(again)).toString('utf8'))).toEqual(rowsIn(text()))
  await expect(unpack(packed)).rejects.toThrow(/kept here already/)
})
