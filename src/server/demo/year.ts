import { v7 as newId } from 'uuid'
import { chance, type Chance } from '@/core/numeric'
import { hairFromCanvas } from '@/core/hair/hairRecord'
import type { FaltoPlan, Incident, KeptRunEvent, RunEvent } from '@/core/model'
import { createPlanner } from '@/core/plan/planner'
import { onShelf, planFromService, type ServiceId } from '@/core/plan/serviceKinds'
import type { ComputedStages } from '@/core/placement/quantity'
import { mixPlan } from '@/core/product/bowls'
import { STARTING_RATES } from '@/core/product/money'
import { keptOf, summariseVisit, type VisitBowl } from '@/core/record/visit'
import { foldRun, scriptFor, zoneOfStep, type RunScript, type ScriptStep } from '@/core/time/run'
import { withHelp } from '@/core/time/schedule'
import { sameness } from '@/core/model'
import { mix, mixEvent, plan, planVersion, run, runEvent, visit, visitReview, type Transaction } from '@/db'
import { chairFormulas } from '../runs'
import { DEMO_CATALOGUE, type DemoHead } from '@/demo'
import { keepSwatches } from './pictures'
import { daysBefore } from './records'

/**
 * Fourteen months of invented visits. Each colourist has hidden factors of her own, so that learning has something to
 * find; everything else is what the core plans, with luck on top. The same every time.
 */

/** What is hidden in the demo's colourists, in the order of its staff: owner and colourist. */
const HIDDEN = [
  { load: 0.88, pace: 0.85, lift: 1.05, mixed: 0.97 },
  { load: 1.16, pace: 1.2, lift: 0.95, mixed: 1.1 },
] as const

/** Luck of one job about its colourist's own way. */
const LUCK = { load: 0.1, pace: 0.12, lift: 0.08, mixed: 0.05 } as const

interface PastVisit {
  /** Before the record that the demo begins with. */
  weeksAgo: number
  service: ServiceId
  /** 0 the owner, 1 the colourist. */
  by: 0 | 1
  incident?: { incident: Incident; note: string }
  review?: { worked: string; change: string; why: string; shared: boolean }
}

const PAST: Record<string, PastVisit[]> = {
  'ysolde-marchbanks': [
    { weeksAgo: 44, service: 'hairlineAndPart', by: 0 },
    { weeksAgo: 22, service: 'hairlineAndPart', by: 0 },
  ],
  'linnet-sorrel': [
    { weeksAgo: 41, service: 'faceFrame', by: 1 },
    { weeksAgo: 30, service: 'faceFrame', by: 1 },
    {
      weeksAgo: 19,
      service: 'faceFrame',
      by: 1,
      incident: { incident: 'slipped', note: 'third row, put back closer' },
    },
    { weeksAgo: 7, service: 'faceFrame', by: 1 },
  ],
  'maren-hale-abara': [
    { weeksAgo: 38, service: 'hairlineAndPart', by: 0 },
    {
      weeksAgo: 27,
      service: 'hairlineAndPart',
      by: 0,
      review: {
        worked: 'Fine stitches at the white temple are not seen as stripes.',
        change: 'Begin at the nape: her fringe takes colour slowly, so it may sit last and longest.',
        why: 'The fringe came out half a level deeper than the rest.',
        shared: true,
      },
    },
    { weeksAgo: 14, service: 'hairlineAndPart', by: 0 },
  ],
  'corwin-adebayo-strand': [
    { weeksAgo: 26, service: 'curlByCurl', by: 1 },
    { weeksAgo: 10, service: 'curlByCurl', by: 1 },
  ],
  'tamsin-quill': [
    { weeksAgo: 43, service: 'hairlineAndPart', by: 0 },
    {
      weeksAgo: 31,
      service: 'hairlineAndPart',
      by: 0,
      incident: { incident: 'bleed', note: 'behind the left ear, a small mark' },
      review: {
        worked: 'Slices at the face are seen from far.',
        change: 'Fold the foils behind the ear twice.',
        why: 'One bled where the towel pulled at it.',
        shared: false,
      },
    },
    { weeksAgo: 19, service: 'hairlineAndPart', by: 0 },
    { weeksAgo: 6, service: 'hairlineAndPart', by: 0 },
  ],
  'ingrith-vane': [
    { weeksAgo: 36, service: 'rootColour', by: 1 },
    { weeksAgo: 30, service: 'rootColour', by: 1 },
    { weeksAgo: 24, service: 'rootColour', by: 1 },
    { weeksAgo: 18, service: 'rootColour', by: 1 },
    { weeksAgo: 12, service: 'rootColour', by: 1 },
    { weeksAgo: 6, service: 'rootColour', by: 1 },
  ],
  'pim-okafor-lund': [
    { weeksAgo: 32, service: 'hairlineAndPart', by: 1 },
    {
      weeksAgo: 16,
      service: 'hairlineAndPart',
      by: 1,
      incident: { incident: 'brass', note: 'warm between the foils at the crown, glossed' },
    },
  ],
  'hesper-lindgaard': [
    { weeksAgo: 28, service: 'rootColour', by: 0 },
    { weeksAgo: 20, service: 'rootColour', by: 0 },
    { weeksAgo: 12, service: 'rootColour', by: 0 },
  ],
}

interface Wanted {
  salonId: string
  staffIds: readonly string[]
  clientId: string
  demo: DemoHead
  today: string
}

/** Puts a client's past visits into the record, with their plans, bowls and logs. */
export async function seedYear(tx: Transaction, { salonId, staffIds, clientId, demo, today }: Wanted): Promise<void> {
  const planner = createPlanner()
  for (const [turn, past] of (PAST[demo.key] ?? []).entries()) {
    const luck = chance([...demo.key].reduce((sum, letter) => 31 * sum + letter.charCodeAt(0), turn) | 0)
    const on = daysBefore(today, 7 * (past.weeksAgo + demo.weeksAgo))
    const hair = hairFromCanvas(demo.hair, demo.canvas(on))
    const document = onShelf(
      planFromService(past.service, { head: demo.head, hair, newId }),
      DEMO_CATALOGUE,
      STARTING_RATES,
    )
    const computed = planner.computeStages(document)
    const [planId, visitId, runId, staffId] = [newId(), newId(), newId(), staffIds[past.by]!]
    const begun = new Date(`${on}T10:00:00Z`)
    await tx.insert(plan).values({ salonId, id: planId, clientId, name: document.name, document, updatedAt: begun })
    const label = `Done on ${on}`
    await tx.insert(planVersion).values({ salonId, planId, number: 1, label, document, staffId, createdAt: begun })

    const script = scriptFor(document, computed, { crew: withHelp([]) })
    const events = eventsOf(script, document, past, luck, begun)
    const ended = new Date(events.at(-1)!.deviceTime)
    const bowls = await seedBowls(tx, { salonId, planId, staffId, document, computed, past, luck, begun })
    const facts = {
      ...{ visitId, on, who: staffId, document, bowls },
      run: { script, state: foldRun(events), formulas: chairFormulas(document) },
    }
    const summary = summariseVisit(facts, computed)
    await tx.insert(visit).values({
      ...{ salonId, clientId, id: visitId, planId, planVersion: 1, on, staffId },
      ...keptOf(summary),
      createdAt: ended,
    })
    const times = { startedAt: begun, endedAt: ended }
    await tx
      .insert(run)
      .values({ salonId, id: runId, planId, planRevision: 0, script, document, visitId, staffId, ...times })
    await tx.insert(runEvent).values(
      events.map(({ runSeq: seq, by: _, ...event }) => ({
        ...{ salonId, runId, seq, id: event.id, kind: event.kind, event, staffId },
        same: sameness(event),
        at: new Date(event.deviceTime),
      })),
    )
    await keepSwatches(tx, { salonId, clientId, staffId, visitId, at: ended }, document)
    if (past.review) await tx.insert(visitReview).values({ salonId, visitId, staffId, ...past.review, at: ended })
  }
}

const about = (luck: Chance, factor: number, spread: number): number => factor * Math.exp(spread * luck.normal())

/** The log of a visit that went as planned, at its colourist's own pace. */
function eventsOf(
  script: RunScript,
  { hair }: FaltoPlan,
  { by, incident }: PastVisit,
  luck: Chance,
  begun: Date,
): KeptRunEvent[] {
  const own = HIDDEN[by]
  const told: (Pick<RunEvent, 'kind'> & Partial<RunEvent> & { at: number })[] = []
  let late = 0
  for (const step of [...script.steps].sort((one, other) => one.start - other.start)) {
    const at = step.start + late
    const seconds = step.kind === 'apply' ? about(luck, own.pace, LUCK.pace) * step.seconds : step.seconds
    told.push({ kind: 'begun', stepId: step.id, at }, { kind: 'done', stepId: step.id, at: at + seconds })
    if (step.kind === 'apply') late += seconds - step.seconds
  }
  const over = Math.max(...told.map(({ at }) => at))
  for (const step of script.steps) {
    const level = seenOn(script, step, hair.naturalLevel, about(luck, own.lift, LUCK.lift))
    if (level !== undefined) told.push({ kind: 'seen', stepId: step.id, value: level, at: over - 1 })
  }
  const first = script.steps.find(({ kind }) => kind === 'apply')
  if (incident && first)
    told.push({ kind: 'incident', stepId: first.id, ...incident, at: first.start + late / 2 + 600 })
  told.push({ kind: 'ended', at: over + 60 })
  const deviceId = newId()
  return told
    .sort((one, other) => one.at - other.at)
    .map(({ at, ...event }, i) => ({
      ...event,
      id: newId(),
      deviceId,
      deviceSeq: i,
      deviceTime: begun.getTime() + Math.round(1000 * at),
      offsetMs: 0,
      runSeq: i + 1,
      by: '',
    }))
}

/** The level read when a section comes out, to half a level; undefined where nothing lifts. */
function seenOn(script: RunScript, step: ScriptStep, from: number, luck: number): number | undefined {
  const zone = step.kind === 'apply' ? zoneOfStep(script, step) : undefined
  if (!zone || !step.lift?.length || zone.level.expected <= from) return undefined
  return Math.min(10, Math.round(2 * (from + luck * (zone.level.expected - from))) / 2)
}

interface Mixed extends Pick<Wanted, 'salonId'> {
  planId: string
  staffId: string
  document: FaltoPlan
  computed: ComputedStages
  past: PastVisit
  luck: Chance
  begun: Date
}

/** Bowls as they were weighed, with what was left in them. */
async function seedBowls(tx: Transaction, wanted: Mixed): Promise<VisitBowl[]> {
  const { salonId, planId, staffId, document, computed, past, luck, begun } = wanted
  const own = HIDDEN[past.by]
  const all: VisitBowl[] = []
  for (const { formula, bowls } of mixPlan(document, computed)) {
    const grams = computed.grams.find(({ formulaId }) => formulaId === formula.id)!
    const [mixed, load] = [about(luck, own.mixed, LUCK.mixed), about(luck, own.load, LUCK.load)]
    const planned = bowls.reduce((sum, bowl) => sum + bowl.grams, 0)
    const used = (grams.onHair + grams.onScalp) * load + grams.edge + grams.residue
    // Who runs short mixes so much more.
    const more = Math.max(mixed, (1.02 * used) / Math.max(1, planned))
    for (const [i, bowl] of bowls.entries()) {
      const id = newId()
      const lines = bowl.parts.map(({ name, productId = null, role, grams: amount }) => ({
        name,
        productId,
        role,
        grams: amount,
      }))
      const tenths = lines.map((line) => Math.round(10 * more * line.grams))
      const weighed = tenths.reduce((sum, one) => sum + one, 0)
      const left = Math.max(0, Math.round(weighed - (10 * used * bowl.grams) / planned))
      const at = new Date(begun.getTime() + 60_000 * (1 + i))
      await tx.insert(mix).values({
        ...{ salonId, id, planId, formulaId: formula.id, bowl: i, planned: lines, state: 'done' as const },
        ...{ leftTenths: left, staffId, startedAt: at, endedAt: at },
      })
      await tx.insert(mixEvent).values(
        tenths.map((one, line) => ({
          ...{ salonId, mixId: id, seq: line + 1, id: newId(), kind: 'poured' as const, line, tenths: one },
          ...{ source: 'scale' as const, staffId, at },
        })),
      )
      const by = ''
      all.push({ id, formulaId: formula.id, planned: bowl.grams, weighed: weighed / 10, left: left / 10, by })
    }
  }
  return all
}
