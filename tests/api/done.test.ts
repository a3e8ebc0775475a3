import { and, eq, sql } from 'drizzle-orm'
import type { Canvas, FaltoPlan } from '@/core/model'
import { foldPlan, type FoldOptions } from '@/core/time/fold'
import { consultation, database, inTransaction, staff } from '@/db'
import { staffFrom, type StaffMember } from '@/server/auth'
import { foresee, markDone, recordDone } from '@/server/consultations'
import { importVisits } from '@/server/workspace'
import { day } from '../support/days'
import { planner } from '../support/planner'
import { exported, newClient, newPlan } from '../support/server'
import { closeDatabase, newSalon, type TestSalon } from '../support/salon'

/** Whether something was locked whenever a worker would have been asked; what it would do is done here. */
const mockLocked: boolean[] = []
jest.mock('@/server/computing', () => ({
  ...jest.requireActual<object>('@/server/computing'),
  computing: {
    after: (plan: FaltoPlan, done: FoldOptions): Canvas => {
      mockLocked.push(isWithinTransaction())
      return foldPlan(plan, planner.computeStages(plan), done).canvas()
    },
  },
}))

function isWithinTransaction(): boolean {
  try {
    database()
    return false
  } catch {
    return true
  }
}

let salon: TestSalon
let owner: StaffMember
beforeAll(async () => {
  salon = await newSalon()
  owner = (await staffFrom(new Headers({ cookie: salon.devices.owner.cookie })))!
})
beforeEach(() => void mockLocked.splice(0))
afterAll(closeDatabase)

async function plans(count: number): Promise<{ clientId: string; ids: string[] }> {
  const clientId = await newClient(salon.devices.owner, 'Done')
  const ids: string[] = []
  for (let i = 0; i < count; i++) ids.push(await newPlan(salon.devices.owner, clientId, { service: 'topAndSides' }))
  return { clientId, ids }
}

const records = (clientId: string) =>
  database()
    .select({ number: consultation.number, canvas: consultation.canvas })
    .from(consultation)
    .where(eq(consultation.clientId, clientId))
    .orderBy(consultation.number)

it('the hair after a visit is worked out before anything is locked, for one visit after the other', async () => {
  const { clientId, ids } = await plans(3)
  await Promise.all(ids.map((id) => markDone(owner, id, { on: day() })))
  expect(mockLocked).toEqual(ids.map(() => false))
  expect((await records(clientId)).map(({ number }) => number)).toEqual([1, 2, 3])
})

it('visits out of a table are worked out before anything is locked too, each from the hair that the one before leaves', async () => {
  const name = `Told ${salon.id}`
  const clientId = await newClient(salon.devices.owner, name)
  const days = ['2026-03-02', '2026-06-01', '2026-09-07']
  const table = ['client,on,service', ...days.map((on) => `${name},${on},topAndSides`)].join('\n')
  expect(await importVisits(owner, table, 'commit')).toEqual({ rows: 3, problems: [], committed: true })
  expect(mockLocked).toEqual([false, false, false])
  expect((await records(clientId)).map(({ number }) => number)).toEqual([1, 2, 3])
})

it('what was worked out from hair that somebody has changed since is worked out anew', async () => {
  const { clientId, ids } = await plans(1)
  const document = await exported(salon.devices.owner, ids[0]!)
  const foreseen = (await foresee(owner, { document, clientId, on: day() }))!
  await markDone(owner, ids[0]!, { on: day() })
  mockLocked.splice(0)
  await inTransaction((tx) => recordDone(tx, owner, { plan: { id: ids[0]!, document }, clientId, on: day(), foreseen }))
  expect(mockLocked).toEqual([true])
  const [, second] = await records(clientId)
  // What both visits took, the first, the second and neither is told apart; before there was only taken and not taken.
  expect(second!.canvas.strands.length).toBeGreaterThan(foreseen.left.canvas.strands.length)
})

it('a visit that is being kept does not hold up who works here', async () => {
  const member = { name: 'The assistant', role: 'assistant', active: true }
  const [assistant] = await database()
    .select({ id: staff.id })
    .from(staff)
    .where(and(eq(staff.salonId, salon.id), eq(staff.role, 'assistant')))
  const answer = await inTransaction(async (tx) => {
    // As everything does that is kept under somebody's name.
    await tx.execute(sql`select from staff where salon_id = ${salon.id} for key share`)
    return salon.devices.owner.call('PUT', `/api/team/${assistant!.id}`, member)
  })
  expect(answer.status).toBe(200)
})
