import { count } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import { hairFromCanvas } from '@/core/hair/hairRecord'
import { foldPlan } from '@/core/time/fold'
import { STARTING_RATES } from '@/core/product/money'
import { createPlanner } from '@/core/plan/planner'
import { onShelf } from '@/core/plan/serviceKinds'
import {
  booking,
  careCheck,
  client,
  consent,
  consultation,
  database,
  inTransaction,
  plan,
  planVersion,
  product,
  salon,
  salonRates,
  stockLot,
  stockMove,
  visit,
  type Transaction,
} from '@/db'
import { DEMO_CATALOGUE, DEMO_CLIENTS, DEMO_HEADS, DEMO_SALON, DEMO_STAFF, type DemoHead } from '@/demo'
import { timeZoneHere, today } from '../days'
import { log } from '../log'
import { addPerson, passwordHash } from '../salons'
import { DEMO_CHECKS, DEMO_CONSENTS, daysBefore, demoSignature } from './records'
import { seedYear } from './year'

/** The day on which the demo is made. */
const TODAY = today({ timeZone: timeZoneHere() })

/** Plans that are booked: in how many days, and when, min after midnight. */
const BOOKED: Record<string, { inDays: number; arrives: number }> = {
  'tamsin-quill': { inDays: 0, arrives: 570 },
  'maren-hale-abara': { inDays: 3, arrives: 600 },
  'ysolde-marchbanks': { inDays: 3, arrives: 810 },
}

/** Whose plan was carried out at the visit on record. */
const CARRIED_OUT = 'ysolde-marchbanks'

/** Fills an empty database with the demo salon, once. @returns what happened, as a sentence */
export async function seedDemo(password: string): Promise<string> {
  const [existing] = await database().select({ salons: count() }).from(salon)
  if (existing!.salons > 0) return 'A salon is there already; left as it is.'
  const salonId = newId()
  const staffIds = DEMO_STAFF.map(() => newId())
  const hashes = await Promise.all(DEMO_STAFF.map(() => passwordHash(password)))
  await inTransaction(async (tx) => {
    await tx.insert(salon).values({ id: salonId, name: DEMO_SALON, timeZone: timeZoneHere(), demo: true })
    for (const [i, { name, email, role }] of DEMO_STAFF.entries())
      await addPerson(tx, { salonId, id: staffIds[i]!, name, email, role, passwordHash: hashes[i]! })
    await seedShelf(tx, salonId, staffIds[0]!)
    for (const demo of DEMO_HEADS) {
      const clientId = await seedClient(tx, salonId, staffIds, demo)
      await seedYear(tx, { salonId, staffIds, clientId, demo, today: TODAY })
    }
  })
  log.info({ salonId }, 'demo data made')
  return `Made demo data: ${DEMO_SALON}, ${DEMO_STAFF.length} people, ${DEMO_HEADS.length} clients.`
}

/** Deliveries of the demo: how full each product's shelf is, in packs, lot by lot. */
async function seedShelf(tx: Transaction, salonId: string, staffId: string): Promise<void> {
  await tx.insert(salonRates).values({ salonId, rates: STARTING_RATES })
  await tx.insert(product).values(DEMO_CATALOGUE.map((item) => ({ salonId, id: item.id, item })))
  const lots = DEMO_CATALOGUE.flatMap(({ id, pack }, i) => {
    // Every ninth product is nearly out, every fourth one has an older lot beside the new one.
    const fresh = {
      salonId,
      id: newId(),
      productId: id,
      lot: `L${2600 + i}`,
      expiresOn: daysBefore(TODAY, -400 - 7 * i),
      tenths: Math.round(10 * pack.grams * (i % 9 === 4 ? 0.3 : 3)),
    }
    return i % 4 === 0
      ? [
          fresh,
          {
            ...fresh,
            id: newId(),
            lot: `L${2300 + i}`,
            expiresOn: daysBefore(TODAY, -40 - i),
            tenths: Math.round(3 * pack.grams),
          },
        ]
      : [fresh]
  })
  await tx.insert(stockLot).values(lots)
  await tx.insert(stockMove).values(
    lots.map(({ id, productId, tenths }) => ({
      salonId,
      id: newId(),
      productId,
      lotId: id,
      tenths,
      reason: 'received' as const,
      staffId,
    })),
  )
}

async function seedClient(
  tx: Transaction,
  salonId: string,
  [owner, colourist]: string[],
  demo: DemoHead,
): Promise<string> {
  const clientId = newId()
  const on = daysBefore(TODAY, 7 * demo.weeksAgo)
  const canvas = demo.canvas(on)
  const hair = hairFromCanvas(demo.hair, canvas)
  await tx.insert(client).values({ salonId, id: clientId, name: demo.name, note: demo.note, head: demo.head, hair })
  const record = {
    salonId,
    clientId,
    recordedOn: on,
    hair: demo.hair,
    goal: demo.goal,
    corrections: [],
    staffId: colourist!,
  }
  await tx.insert(consultation).values({ ...record, number: 1, kind: 'seen', canvas })
  for (const { daysAgo, ...check } of DEMO_CHECKS[demo.key] ?? [])
    await tx
      .insert(careCheck)
      .values({ salonId, clientId, id: newId(), ...check, on: daysBefore(TODAY, daysAgo), staffId: colourist! })
  const signed = DEMO_CONSENTS[demo.key]
  if (signed !== undefined)
    await tx.insert(consent).values({
      salonId,
      clientId,
      id: newId(),
      on: daysBefore(TODAY, signed),
      ...demoSignature(),
      staffId: colourist!,
    })

  const planned = DEMO_CLIENTS.find(({ key }) => key === demo.key)
  if (!planned) return clientId
  const planId = newId()
  const document = onShelf({ ...planned.plan(newId), head: demo.head, hair }, DEMO_CATALOGUE, STARTING_RATES)
  await tx.insert(plan).values({ salonId, id: planId, clientId, name: document.name, document })
  await tx.insert(planVersion).values({ salonId, planId, number: 1, label: 'Demo', document, staffId: owner! })
  const booked = BOOKED[demo.key]
  if (booked)
    await tx
      .insert(booking)
      .values({ salonId, planId, on: daysBefore(TODAY, -booked.inDays), arrives: booked.arrives, staffId: owner! })
  if (demo.key !== CARRIED_OUT) return clientId
  const visitId = newId()
  await tx.insert(visit).values({ salonId, clientId, id: visitId, planId, planVersion: 1, on, staffId: colourist! })
  const after = foldPlan(document, createPlanner().computeStages(document), { canvas, visitId, on }).canvas()
  await tx.insert(consultation).values({ ...record, number: 2, kind: 'done', canvas: after })
  return clientId
}
