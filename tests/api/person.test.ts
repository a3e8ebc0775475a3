import { spawnSync } from 'node:child_process'
import { readdirSync } from 'node:fs'
import { eq, is } from 'drizzle-orm'
import { getTableConfig, PgTable } from 'drizzle-orm/pg-core'
import sharp from 'sharp'
import { v7 as newId } from 'uuid'
import { fromBuffer, type ZipFile } from 'yauzl'
import { CONSENT_TEXT } from '@/core/judgement/care'
import { MESSAGE_KINDS } from '@/core/record/upkeep'
import { client, database, plan } from '@/db'
import * as tables from '@/db/schema'
import type { StaffMember } from '@/server/auth'
import { PERSON_PARTS, retentionOf, STAYS } from '@/server/person'
import { BASE_URL, beginRun, newClient, newPlan, type Device } from '../support/server'
import { closeDatabase, newSalon, type TestSalon } from '../support/salon'

/** What a client may ask of a salon: everything that is kept of her, and that nothing is kept any more. */
jest.setTimeout(120_000)

let salon: TestSalon
let owner: Device
beforeAll(async () => {
  salon = await newSalon()
  owner = salon.devices.owner
})
afterAll(closeDatabase)

const today = () => new Date().toISOString().slice(0, 10)

/** Somebody of whom every kind of thing is kept, each with a word of hers in it. */
async function somebody(): Promise<{ id: string; name: string; word: string; visitId: string }> {
  const word = `zq${newId().replaceAll('-', '')}`
  const name = `Wilhelmina ${word}`
  const id = await newClient(owner, name)
  const done = await newPlan(owner, id, { service: 'topAndSides', name: `Plan ${word}` })
  const run = await newPlan(owner, id, { service: 'topAndSides', name: `Run ${word}` })
  const ok = async (method: string, path: string, body?: unknown) => {
    const answer = await owner.call(method, path, body)
    if (answer.status !== 200) throw new Error(`${path}: ${JSON.stringify(answer.body)}`)
    return answer.body
  }
  await ok('POST', `/api/clients/${id}/care/checks`, {
    id: newId(),
    kind: 'strandTest',
    on: today(),
    result: 'clear',
    product: word,
    note: word,
  })
  await ok('POST', `/api/clients/${id}/care/consents`, {
    id: newId(),
    on: today(),
    textVersion: CONSENT_TEXT.version,
    strokes: [],
    typedName: name,
  })
  const picture = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#a0522d' } })
    .jpeg()
    .toBuffer()
  const sent = await fetch(`${BASE_URL}/api/clients/${id}/pictures?name=${word}.jpg`, {
    method: 'POST',
    headers: { cookie: owner.cookie, origin: BASE_URL, 'content-type': 'image/jpeg', connection: 'close' },
    body: new Uint8Array(picture),
  })
  expect(sent.status).toBe(200)
  await ok('POST', `/api/plans/${done}/versions`, { label: word })
  await ok('PUT', `/api/plans/${done}/booking`, { on: today() })
  const { visitId } = await ok('POST', `/api/plans/${done}/done`, { on: today() })
  await ok('POST', `/api/visits/${visitId as string}/review`, { worked: word, change: word, why: word, shared: true })
  await ok('POST', '/api/messages', { id: newId(), clientId: id, kind: MESSAGE_KINDS[0], text: `Dear ${name}` })
  await beginRun(owner, run)
  return { id, name, word, visitId: visitId as string }
}

/** Everything that the database holds, as one text. */
function dump(): string {
  const folder = readdirSync('/usr/lib/postgresql')
    .sort((one, other) => Number(other) - Number(one))
    .at(0)!
  const { status, stdout, stderr } = spawnSync(
    `/usr/lib/postgresql/${folder}/bin/pg_dump`,
    ['--data-only', `--dbname=${process.env['DATABASE_URL']}`],
    { encoding: 'latin1', maxBuffer: 1 << 30 },
  )
  if (status !== 0) throw new Error(stderr)
  return stdout
}

async function endRuns(clientId: string): Promise<void> {
  const { database } = await import('@/db')
  await database().$client.query(
    'update run set ended_at = now() where plan_id in (select id from plan where client_id = $1)',
    [clientId],
  )
}

it('of whatever names a client, plan, visit, run or bowl it is said whether it goes with her', () => {
  const all: unknown[] = Object.values(tables)
  const named = all
    .filter((one): one is PgTable => is(one, PgTable))
    .map((one) => getTableConfig(one))
    .filter(({ columns }) => columns.some(({ name }) => /^(client|plan|visit|run|mix|picture)_id$/.test(name)))
    .map(({ name }) => name)
  const known = [...PERSON_PARTS.map(({ table }) => table), ...STAYS]
  expect(named.filter((name) => !known.includes(name))).toEqual([])
})

it('one file has all of her: rows, pictures, visits on paper', async () => {
  const { id, word, visitId } = await somebody()
  const answer = await fetch(`${BASE_URL}/api/clients/${id}/file`, { headers: { cookie: owner.cookie } })
  expect(answer.headers.get('content-type')).toBe('application/zip')
  const files = await unpacked(Buffer.from(await answer.arrayBuffer()))
  const data = JSON.parse(files.get('data.json')!.toString()) as { tables: Record<string, object[]> }
  const empty = PERSON_PARTS.filter(({ table }) => data.tables[table]!.length === 0).map(({ table }) => table)
  // Nothing was weighed, acknowledged or written at the chair for her, and nothing is old enough to be folded.
  expect(empty).toEqual(expect.arrayContaining(['mix_event', 'mix', 'run_log', 'plan_edit_log']))
  expect(empty.length).toBeLessThanOrEqual(7)
  expect(JSON.stringify(data)).toContain(word)
  const names = [...files.keys()]
  expect(names.filter((name) => /^pictures\/.*\.(jpeg|webp|png)$/.test(name))).toHaveLength(1)
  const paper = files.get(`visits/${today()}-${visitId}.pdf`)!
  expect(paper.subarray(0, 5).toString()).toBe('%PDF-')
})

it('an erased person leaves no trace in the database, and the sums of the salon stay', async () => {
  const { id, name, word } = await somebody()
  expect(dump()).toContain(word)
  const sums = async () => (await owner.call('GET', '/api/visits')).body['months']
  const before = await sums()
  const path = `/api/clients/${id}/erasure`
  expect((await owner.call('POST', path, { name })).status).toBe(409)
  await endRuns(id)
  expect((await owner.call('POST', path, { name: 'Somebody else' })).status).toBe(422)
  expect((await salon.devices.colourist.call('POST', path, { name })).status).toBe(403)
  expect((await owner.call('POST', path, { name })).status).toBe(200)
  const after = dump()
  expect(after).not.toContain(word)
  expect((await owner.call('GET', `/api/clients/${id}`)).status).toBe(404)
  expect(await sums()).toEqual(before)
  // That she was erased, and by whom, is written down; her name is not.
  const { entries } = (await owner.call('GET', `/api/audit?about=${id}`)).body as {
    entries: { what: string; by: string; client: string | null }[]
  }
  expect(entries[0]).toMatchObject({ what: 'POST /api/clients/:id/erasure', by: 'The owner', client: null })
  expect(entries.length).toBeGreaterThan(1)
})

it('rows that are only ever added to stay so for everybody else', async () => {
  const { database } = await import('@/db')
  const { id } = await somebody()
  await expect(database().$client.query('delete from care_check where client_id = $1', [id])).rejects.toThrow(
    'only ever added',
  )
  await expect(database().$client.query('delete from audit_entry')).rejects.toThrow('only ever added')
})

/** Files of an archive by name. */
function unpacked(bytes: Buffer): Promise<Map<string, Buffer>> {
  return new Promise((resolve, reject) => {
    fromBuffer(bytes, { lazyEntries: true }, (error: Error | null, zip: ZipFile) => {
      if (error) return reject(error)
      const files = new Map<string, Buffer>()
      zip.on('entry', (entry: { fileName: string }) => {
        zip.openReadStream(entry as never, (failed, stream) => {
          if (failed) return reject(failed)
          const parts: Buffer[] = []
          stream.on('data', (part: Buffer) => parts.push(part))
          stream.on('end', () => {
            files.set(entry.fileName, Buffer.concat(parts))
            zip.readEntry()
          })
        })
      })
      zip.on('end', () => resolve(files))
      zip.readEntry()
    })
  })
}

describe('how long records are kept', () => {
  it('proposes who was away for longer, by whatever was done last, and erases nobody', async () => {
    const own = await newSalon()
    const { owner, colourist } = own.devices
    const [gone, planned, seen, here, removed] = await Promise.all(
      ['Gone', 'Planned', 'Seen', 'Here', 'Removed'].map((name) => newClient(owner, name)),
    )
    const doneId = await newPlan(owner, seen!, { service: 'topAndSides' })
    await owner.call('POST', `/api/plans/${doneId}/done`, { on: new Date().toISOString().slice(0, 10) })
    const bookedId = await newPlan(owner, planned!)
    await owner.call('PUT', `/api/plans/${bookedId}/booking`, { on: '2099-01-05' })
    await owner.call('DELETE', `/api/clients/${removed!}`)
    const longAgo = new Date('2020-03-04T12:00:00Z')
    for (const id of [gone!, planned!, seen!, removed!]) {
      await database().update(client).set({ updatedAt: longAgo }).where(eq(client.id, id))
      await database().update(plan).set({ updatedAt: longAgo }).where(eq(plan.clientId, id))
    }
    const member = { salonId: own.id, role: 'owner' } as StaffMember
    expect(await retentionOf(member)).toEqual({ years: 0, due: [] })
    expect((await colourist.call('PUT', '/api/salon', { retentionYears: 3 })).status).toBe(403)
    expect((await owner.call('PUT', '/api/salon', { retentionYears: 31 })).status).toBe(422)
    expect((await owner.call('PUT', '/api/salon', { retentionYears: 3 })).status).toBe(200)
    const { years, due } = await retentionOf(member)
    expect(years).toBe(3)
    const proposed = (name: string, id: string) => ({ id, name, last: '2020-03-04' })
    expect(due).toHaveLength(2)
    expect(due).toEqual(expect.arrayContaining([proposed('Gone', gone!), proposed('Removed', removed!)]))
    expect((await owner.call('GET', `/api/clients/${here!}`)).status).toBe(200)
    expect((await owner.call('POST', `/api/clients/${gone!}/erasure`, { name: 'Gone' })).status).toBe(200)
    expect((await retentionOf(member)).due).toEqual([proposed('Removed', removed!)])
    await owner.call('PUT', '/api/salon', { retentionYears: 8 })
    expect((await retentionOf(member)).due).toEqual([])
  })
})
