import { execFile } from 'node:child_process'
import { mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { Client } from 'pg'
import { v7 as newId } from 'uuid'
import { beginRun, newClient, newPlan, type Device } from '../support/server'
import { closeDatabase, newSalon } from '../support/salon'

/** A backup that is taken while everybody writes is whole: every table at one moment. */
jest.setTimeout(180_000)

const run = promisify(execFile)
const folder = mkdtempSync(join(tmpdir(), 'falto-backup-'))
let owner: Device
beforeAll(async () => {
  owner = (await newSalon()).devices.owner
})
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true })
  await closeDatabase()
})

const PRODUCT = {
  id: 'dev-20',
  line: 'Own',
  name: 'Own developer',
  kind: 'developer',
  developerVol: 20,
  pack: { grams: 1000, priceMinor: 900 },
}

/** Goes on writing until it is told to stop: deliveries, edits, what happens at a chair. */
async function write(begun: () => void, isOver: () => boolean): Promise<number> {
  await owner.call('PUT', '/api/products', { item: PRODUCT, baseRevision: 0 })
  const clientId = await newClient(owner, 'Written meanwhile')
  const planId = await newPlan(owner, clientId)
  const runId = await beginRun(owner, await newPlan(owner, clientId, { service: 'topAndSides' }))
  let written = 0
  for (let i = 0; !isOver(); i++) {
    const event = { id: newId(), kind: 'delayed', deviceId: newId(), deviceSeq: i, deviceTime: Date.now(), offsetMs: 0 }
    const rename = [{ op: 'replace', path: ['name'], value: `Name ${i}` }]
    const operations = [{ id: newId(), kind: 'edit', label: 'Renamed', patches: rename }]
    const answers = await Promise.all([
      owner.call('POST', '/api/shelf/deliveries', { productId: PRODUCT.id, grams: 10, lot: `L${i % 3}` }),
      owner.call('POST', `/api/plans/${planId}/operations`, { baseRevision: i, operations }),
      owner.call('POST', `/api/runs/${runId}/events`, { events: [{ ...event, value: 1, note: '' }], after: i }),
      newClient(owner, `Meanwhile ${i}`),
    ])
    if (i === 3) begun()
    written += answers.filter((answer) => typeof answer === 'string' || answer.status === 200).length
  }
  return written
}

/** What holds of a database in which every transaction is there whole or not at all; each counts what breaks it. */
const INVARIANTS = {
  'what a lot holds is what went in and out of it': `select lot.id from stock_lot lot
    left join stock_move move on move.salon_id = lot.salon_id and move.lot_id = lot.id
    where lot.lot like 'L%' and lot.salon_id in (select salon_id from product where id = '${PRODUCT.id}' and item->>'name' = '${PRODUCT.name}')
    group by lot.salon_id, lot.id, lot.tenths having lot.tenths <> coalesce(sum(move.tenths), 0)`,
  'a plan has as many edits as its revision says': `select plan.id from plan
    left join plan_edit_made edit on edit.salon_id = plan.salon_id and edit.plan_id = plan.id
    group by plan.salon_id, plan.id, plan.revision having plan.revision <> coalesce(max(edit.revision), 0)`,
  'the log of a run has no gaps': `select run_id from run_event_told group by salon_id, run_id having max(seq) <> count(*)`,
}

it('restores to a state in which every invariant holds, and to the sums of the moment it was taken', async () => {
  const env = { ...process.env, FALTO_DATA: join(folder, 'home') }
  let over = false
  let begun = () => {}
  const hasBegun = new Promise<void>((resolve) => (begun = resolve))
  const writing = write(begun, () => over)
  await Promise.race([hasBegun, writing])
  const backup = await run('./falto', ['backup', join(folder, 'kept')], { env })
  over = true
  expect(await writing).toBeGreaterThan(20)
  expect(backup.stdout).toMatch(/checked: \d+ tables are as they were/)
  const [file] = readdirSync(join(folder, 'kept'))
  expect(file).toMatch(/^falto-.*\.backup$/)
  expect(statSync(join(folder, 'kept', file!)).mode & 0o077).toBe(0)

  const name = `restored_${process.pid}`
  const address = new URL(process.env['DATABASE_URL']!)
  const admin = new Client({ connectionString: address.toString() })
  await admin.connect()
  await admin.query(`create database ${name}`)
  address.pathname = `/${name}`
  const restored = new Client({ connectionString: address.toString() })
  try {
    const { stdout } = await run('./falto', ['restore', join(folder, 'kept', file!)], {
      env: { ...env, DATABASE_URL: address.toString() },
    })
    expect(stdout).toMatch(/tables are as they were/)
    await restored.connect()
    const { rows } = await restored.query<{ events: string }>('select count(*) as events from run_event_told')
    expect(Number(rows[0]!.events)).toBeGreaterThan(0)
    for (const [law, query] of Object.entries(INVARIANTS))
      expect([law, (await restored.query(query)).rows]).toEqual([law, []])
    // Somebody who restores over data is refused.
    await expect(
      run('./falto', ['restore', join(folder, 'kept', file!)], { env: { ...env, DATABASE_URL: address.toString() } }),
    ).rejects.toThrow('holds data already')
  } finally {
    await restored.end().catch(() => {})
    await admin.query(`drop database ${name} with (force)`)
    await admin.end()
  }
})
