import {
  endsOf,
  expectedRun,
  runZones,
  type Deadline,
  type Expected,
  type ExpectedStep,
  type RunScript,
  type RunState,
  type ScriptStep,
  type RunZone,
} from '@/core/time/run'

/** A deadline is called out so long before it, ms. Our choice. */
const CALL_MS = 120_000

/** So much later than planned, another way to go on is offered, ms. Our estimate: less is made up or borne. */
const OFFER_FROM_MS = 10 * 60_000

/** What the chair shows of a visit at a moment. */
export interface ChairView {
  expected: Expected
  over: boolean
  /** What is in hand or comes, what is begun first. */
  next: ExpectedStep[]
  /** Longest times that end in a moment. */
  pressing: Deadline[]
  /** Longest times that would be passed later, as it goes. */
  late: Deadline[]
  /** Whether another way to go on is worth looking for. */
  offersWayOut: boolean
  /** What was put in last and not cross-checked yet. */
  toCheck: ScriptStep | undefined
  /** Lightened hair that is out and that nobody has looked at since. */
  toRead: ScriptStep[]
  zones: RunZone[]
  /** The zone whose stage is on the small head. */
  zoneOnMap: RunZone | undefined
}

/**
 * @param now by the visit's clock, ms
 * @param personId whose steps the device shows; left out: everybody's
 */
export function chairView(script: RunScript, state: RunState, now: number, personId?: string): ChairView {
  const expected = expectedRun(script, state, now)
  const all = nextSteps(expected.steps)
  const next = personId === undefined ? all : all.filter((one) => one.personId === personId)
  const over = state.endedAt !== undefined || all.length === 0
  const late = expected.deadlines.filter((deadline) => deadline.late > 0 && deadline.at - now >= CALL_MS)
  const zones = runZones(script, state)
  return {
    expected,
    over,
    next,
    pressing: expected.deadlines.filter(({ at }) => at - now < CALL_MS),
    late,
    offersWayOut: !over && (late.length > 0 || expected.behind >= OFFER_FROM_MS),
    toCheck: lastUnchecked(script, state),
    toRead: state.endedAt === undefined ? outAndUnread(script, state) : [],
    zones,
    zoneOnMap:
      zones.findLast(({ status }) => status !== 'waiting' && status !== 'out') ??
      zones.find(({ status }) => status === 'waiting') ??
      zones.at(-1),
  }
}

const nextSteps = (steps: readonly ExpectedStep[]): ExpectedStep[] =>
  steps
    .filter(({ status }) => status === 'begun' || status === 'waiting')
    .sort((a, b) => Number(b.status === 'begun') - Number(a.status === 'begun') || a.from - b.from)

/** Single pieces are seen as they are laid; more of them are looked over once they are in. */
const lastUnchecked = (script: RunScript, state: RunState): ScriptStep | undefined =>
  script.steps.findLast(({ id, kind, pieces }) => {
    const step = state.steps.get(id)
    return kind === 'apply' && pieces.length > 1 && step?.status === 'done' && !step.crossChecked
  })

/** What was lightened and is out: it is looked at once it is rinsed and roughly dry, before what comes next. */
const outAndUnread = (script: RunScript, state: RunState): ScriptStep[] =>
  script.steps.filter(({ id, kind, lift = [] }) => {
    const seen = state.steps.get(id)?.seen ?? []
    const outs = endsOf(script, id).map((end) => state.steps.get(end))
    const out = Math.max(...outs.map((one) => (one?.status === 'done' ? one.endedAt! : Infinity)))
    return kind === 'apply' && lift.length > 0 && Number.isFinite(out) && seen.every(({ at }) => at < out)
  })
