import { sql } from 'drizzle-orm'
import { readFileSync, readdirSync } from 'node:fs'
import { v7 as newId } from 'uuid'
import type { FaltoPlan } from '@/core/model'
import { database } from '@/db'
import { deviceOf, exported, newClient, newPlan, type Device } from '../support/server'

/** Rows as the release before wrote them: documents of version 1 in a plan, in its versions, in a run. */
const FOLDER = 'tests/support/plans1'
const kept = readdirSync(FOLDER).map((name) => [name, readFileSync(`${FOLDER}/${name}`, 'utf8')] as const)
jest.setTimeout(60_000)
let oriel: Device
beforeAll(async () => {
  oriel = await deviceOf('oriel')
})
afterAll(() => database().$client.end())

it.each(kept)('a plan kept as version 1 opens, is edited and is then kept as 2: %s', async (name, text) => {
  const id = await newPlan(oriel, await newClient(oriel, `Before ${name}`))
  const db = database()
  await db.execute(sql`update plan set document = ${text}::jsonb where id = ${id}`)
  await db.execute(sql`update plan_version set document = ${text}::jsonb where plan_id = ${id}`)
  const before = JSON.parse(text) as FaltoPlan
  const opened = await exported(oriel, id)
  expect(opened).toEqual({ ...before, schemaVersion: 2 })
  const rename = {
    id: newId(),
    kind: 'edit',
    label: 'Renamed',
    patches: [{ op: 'replace', path: ['name'], value: 'After' }],
  }
  const answer = await oriel.call('POST', `/api/plans/${id}/operations`, { baseRevision: 0, operations: [rename] })
  expect(answer.status).toBe(200)
  const { rows } = await db.execute(
    sql`select document->>'schemaVersion' as version, document->>'name' as name from plan where id = ${id}`,
  )
  expect(rows).toEqual([{ version: '2', name: 'After' }])
})

it('a document of version 1 is taken in as a plan of this one', async () => {
  const clientId = await newClient(oriel, 'Imported from before')
  const answer = await oriel.call('POST', `/api/clients/${clientId}/imports`, JSON.parse(kept[0]![1]) as object)
  expect(answer.status).toBe(200)
  expect((await exported(oriel, answer.body['id'] as string)).schemaVersion).toBe(2)
})
