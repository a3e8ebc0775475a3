import { createHash } from 'node:crypto'
import type { FaltoPlan, Goal, HairState } from '@/core/model'
import { proposePlan, SERVICES, type Wished } from '@/core/plan/serviceKinds'
import { GOAL } from '../support/canvas'
import { goldenIn } from '../support/golden'
import { MEDIUM_HAIR } from '../support/plan'
import { planner } from '../support/planner'
import { GOLDEN_HEADS, goldenPlan } from '../support/samples'

/**
 * Every kind of service as a document on four heads, and what is proposed on either side of every bound. No outside
 * fact: `goldenPlans.json` is what Falto made. It changes only with a reason in the commit that changes it;
 * `FALTO_GOLDEN=write ./falto test reference` writes it anew.
 */
const isAsKnown = goldenIn('goldenPlans.json')

/** Under which version of the constants a plan was made is said by their own test. */
const hashOf = ({ constantsVersion: _, ...plan }: FaltoPlan): string =>
  createHash('sha256').update(JSON.stringify(plan)).digest('hex').slice(0, 16)

it.each(SERVICES.map(({ id }) => id))('%s is the document it was', (id) => {
  isAsKnown(id, Object.fromEntries(Object.keys(GOLDEN_HEADS).map((name) => [name, hashOf(goldenPlan(id, name))])))
})

type Case = Partial<Omit<Wished, 'hair' | 'goal'>> & { goal?: Partial<Goal>; hair?: Partial<HairState> }
const light = (lightPercent: number, goal: Partial<Goal> = {}, hair: Partial<HairState> = {}): Case => ({
  goal: { lightPercent, root: 'toScalp', ...goal },
  hair,
})
const ended = { root: 5, lengths: 8 }

/** Either side of the bounds between which a proposal chooses. */
const CASES: Record<string, Case> = {
  'hairline and part, the most': light(7.9),
  'top and sides, the least': light(8),
  'top and sides, the most': light(12.9),
  'all over, the least': light(13),
  'rooted, the least': light(18, { root: 'rooted' }),
  'rooted, too little': light(17.9, { root: 'rooted' }),
  'bold, the least for slices': light(30, { contrast: 'bold' }),
  'bold, too little for slices': light(29, { contrast: 'bold' }),
  'to the tips, the least': light(75),
  'to the tips, too little': light(74),
  'a bold frame alone': light(8.9, { faceFrame: 'bold' }),
  'a bold frame with more': light(9, { faceFrame: 'bold' }),
  'a soft frame': light(20, { faceFrame: 'soft' }),
  'a melt on long hair': light(20, { root: 'melt' }, { lengthCm: 50 }),
  'a melt on short hair': light(20, { root: 'melt' }, { lengthCm: 20 }),
  'too short for foils': light(20, {}, { lengthCm: 7 }),
  curls: light(20, {}, { curl: 'coily' }),
  'a fragile nape': light(20, {}, { fragile: ['nape'] }),
  'deposit alone': light(20, { means: 'depositOnly' }),
  'deposit alone, bold and short': light(20, { means: 'depositOnly', contrast: 'bold' }, { lengthCm: 12 }),
  'permanent alone': light(20, { means: 'permanentOnly' }),
  'white to blend, a tenth': { ...light(20, { white: 'blend' }), meanWhite: 0.1 },
  'white to blend, half': { ...light(20, { white: 'blend' }), meanWhite: 0.5 },
  'white to cover with light': { ...light(20, { white: 'cover' }), meanWhite: 0.1 },
  'white to cover alone': { ...light(0, { white: 'cover' }), meanWhite: 0.3 },
  'light already, only grown': { ...light(20, { root: 'toScalp' }), levels: ended },
  'light already, grown all over': { ...light(70, { root: 'toScalp' }), levels: ended },
  'dye over it': { ...light(20), levels: { root: 5, lengths: 3 }, history: 'boxDye' },
  'lightened and to be deep': {
    goal: { lightPercent: 0, targets: [{ ...GOAL.targets[0]!, level: 6 }] },
    levels: { root: 5, lengths: 10 },
    history: 'lightened',
  },
  'deeper with some light': {
    goal: { lightPercent: 20, targets: [{ ...GOAL.targets[0]!, level: 5 }] },
    levels: { root: 5, lengths: 7 },
  },
  'step by step': light(20, { school: 'stepUp' }),
  'little time': light(40, { timeLimitMinutes: 20 }),
}

it.each(Object.keys(CASES))('%s: proposed as it was', (name) => {
  const { goal, hair, ...rest } = CASES[name]!
  let n = 0
  const own: HairState = { ...MEDIUM_HAIR, ...hair }
  const { plan, serviceId, reasons } = proposePlan(
    planner,
    { meanWhite: 0, ...rest, hair: own, goal: { ...GOAL, ...goal } },
    { head: { circumferenceCm: 55 }, hair: own, newId: () => `id-${n++}` },
  )
  const formulas = plan.formulas.map(
    (one) => `${one.id} ${one.developerVol} vol 1:${one.ratio} ${one.level} ${one.tone}`,
  )
  isAsKnown(`proposed: ${name}`, { serviceId, reasons, formulas, plan: hashOf(plan) })
})
