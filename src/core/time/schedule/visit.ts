import { activeVariant, inOneRinse, type FaltoPlan, type Stage } from '../../model'
import { MIXING_MINUTES, zoneSeconds } from '../../placement/quantity'
import { secondsFromMinutes } from '../../units'
import {
  BARE_WORK_MINUTES,
  BOWL_WAITS_SECONDS,
  BETWEEN_SECONDS,
  FINISH_SECONDS,
  FINISH_SECONDS_PER_CM,
  LENGTHS_LEAD_SECONDS,
  MOST_STRIP_SECONDS,
  PARTIAL_RINSE_SECONDS,
  RINSE_SECONDS,
  RINSE_SECONDS_PER_CM,
  SET_UP_SECONDS,
  SHORT_WANTS_SHARE,
  STRIP_SECONDS,
  TAKE_OUT_SECONDS,
} from './constants'
import { reapply, roundsOf } from './afresh'
import {
  mixId,
  newDraft,
  newGroup,
  type Applied,
  type Draft,
  type RinsedGroup,
  type TaskKind,
  type Visit,
  type VisitLag,
  type VisitTask,
} from './draft'
import { byRemoval, countedIn, mayStayFrom, onTimes, type Chunk, type ServedPiece, type Working } from './stretches'

/** Tasks and lags of a visit from its stretches of work. */
export function visitOf(
  plan: FaltoPlan,
  chunks: readonly Chunk[],
  { rinse: rinsing = 'together', foils: foilsOut = 'chair', afresh = true }: Working = {},
): Visit {
  const draft = newDraft()
  let gate = draft.add({ id: 'setUp', kind: 'setUp', about: '', seconds: SET_UP_SECONDS })
  const { stages: planned } = activeVariant(plan)
  const styled = planned.at(-1)?.kind === 'style' ? planned.at(-1) : undefined
  const turns = turnsOf(planned, chunks).filter(({ work }) => !styled || work?.stage !== styled)
  turns.forEach(({ stages, work }, i) => {
    if (work) {
      const { stage, kind } = work
      const task = draft.add({
        id: `${kind}/${stage.id}`,
        kind,
        about: stage.name,
        stageId: stage.id,
        seconds: workSeconds(stage, kind),
      })
      draft.after(gate, task)
      gate = task
      return draft.next()
    }
    const group = newGroup(gate)
    const canWait = foilsOut === 'basin' ? waitsForBasin(stages, rinsing) : new Set<Chunk>()
    for (const { stage, own } of stages)
      for (const chunk of own) {
        const applied = applyChunk(draft, group, chunk, plan)
        if (afresh) reapply(draft, group, applied, roundsOf(own))
        if (stage.comesOff?.kind !== 'stays')
          takeOff(draft, group, chunk, applied, { rinsing, atBasin: canWait.has(chunk) })
      }
    const rinsed = rinseGroup(draft, group, stages, plan.hair.lengthCm)
    draft.next()
    // What is dried at the end is not dried twice.
    gate = i === turns.length - 1 ? rinsed : driedAfter(draft, rinsed)
  })
  const finish = draft.add({
    id: 'finish',
    kind: 'finish',
    about: '',
    seconds: styled?.lasts
      ? secondsFromMinutes(styled.lasts.minutes)
      : FINISH_SECONDS + FINISH_SECONDS_PER_CM * plan.hair.lengthCm,
  })
  draft.after(gate, finish)
  return { tasks: draft.tasks, lags: draft.lags }
}

/** Mixes what a stretch is the first to use, and applies it. */
function applyChunk(draft: Draft, group: RinsedGroup, chunk: Chunk, plan: FaltoPlan): Applied {
  const { stage, zone } = chunk
  const pieces = onTimes(chunk.pieces, chunk.opens ? zoneSeconds(plan.learned) : 0)
  const name = chunk.parts > 1 ? `${zone.name} ${chunk.part}/${chunk.parts}` : zone.name
  const key = `${stage.id}/${zone.zoneId}/${chunk.part}`
  const id = `apply/${key}`
  for (const mix of mixesFor(chunk, draft.tasks)) {
    const { id: mixed, seconds } = draft.add(mix)
    draft.lags.push({ from: mixed, to: id, least: seconds, most: seconds + BOWL_WAITS_SECONDS })
    if (group.gate.kind !== 'setUp') draft.lags.push({ from: group.gate.id, to: mixed, least: 0 })
  }
  const task = draft.add({ id, kind: 'apply', about: name, stageId: stage.id, seconds: pieces.at(-1)!.on, pieces })
  draft.after(group.gate, task)
  for (const lag of begunAfter(group, chunk)) draft.lags.push({ ...lag, to: task.id })
  group.applied.push({ task, chunk })
  const lengths = group.lengthsOf.get(zone.zoneId)
  if (chunk.follows && lengths)
    draft.lags.push({ from: lengths.id, to: task.id, least: lengths.seconds + LENGTHS_LEAD_SECONDS })
  else group.lengthsOf.set(zone.zoneId, task)
  return { task, name, key, pieces }
}

/** What a stretch waits for in its group: the one before it, and what its stage begins on. */
function begunAfter({ applied }: RinsedGroup, { stage, zone }: Chunk): Pick<VisitLag, 'from' | 'least'>[] {
  const begun = (task: VisitTask) => ({ from: task.id, least: 0 })
  const done = (task: VisitTask) => ({ from: task.id, least: task.seconds })
  const sameStage = applied.filter(({ chunk }) => chunk.stage === stage)
  const others = applied.filter(({ chunk }) => chunk.stage !== stage)
  // The planned order is kept, also where two work side by side.
  const before = sameStage.slice(-1).map(({ task }) => begun(task))
  const { begins } = stage
  if (begins?.kind === 'sectionBySection') {
    const on = others.filter(({ chunk }) => chunk.stage.id === begins.stageId)
    const here = on.filter(({ chunk }) => chunk.zone.name === zone.name)
    return [...before, ...(here.length > 0 ? here : on).map(({ task }) => done(task))]
  }
  if (begins?.kind === 'minutesAfter') {
    const first = others.find(({ chunk }) => chunk.stage.id === begins.stageId)
    const last = others.at(-1)
    return [
      ...before,
      ...(first ? [{ from: first.task.id, least: secondsFromMinutes(begins.minutes ?? 0) }] : []),
      ...(last ? [begun(last.task)] : []),
    ]
  }
  // What goes between the foils, or on the wet root, waits until all of those are done.
  return [...before, ...others.map(({ task }) => done(task))]
}

/**
 * Stretches whose foils can wait to be stripped at the basin: of a section's own rinse any; of the group's those at the
 * end whose first foil may stay until the last of the group is near its goal. Those before come out at the chair.
 */
function waitsForBasin(stages: Turn['stages'], rinsing: Rinsing): ReadonlySet<Chunk> {
  const chunks = stages.flatMap(({ own }) => own)
  if (rinsing === 'bySection') return new Set(chunks)
  const waiting = new Set<Chunk>()
  const wanted = ({ short, ready, most }: ServedPiece) => (short ? SHORT_WANTS_SHARE * most : ready)
  let until = Math.max(0, ...(chunks.at(-1)?.pieces.map(wanted) ?? []))
  for (const chunk of [...chunks].reverse()) {
    const { foils } = byRemoval(chunk.pieces)
    for (const one of chunk.pieces) until += one.seconds
    if (foils.some(({ most }) => most < until)) break
    waiting.add(chunk)
  }
  return waiting
}

type Rinsing = NonNullable<Working['rinse']>

/** How long foils take to strip at the basin, s. */
const stripSeconds = (foils: readonly unknown[]): number => Math.min(MOST_STRIP_SECONDS, STRIP_SECONDS * foils.length)

/**
 * How what a stretch put on comes off: foils taken out one by one or stripped at the basin, the rest rinsed with the
 * group or by section.
 */
function takeOff(
  draft: Draft,
  group: RinsedGroup,
  { stage }: Chunk,
  { task, name, key, pieces }: Applied,
  { rinsing, atBasin }: { rinsing: Rinsing; atBasin: boolean },
): void {
  const { foils: inFoil, others: open } = byRemoval(pieces)
  const [foils, others] = atBasin ? [[], pieces] : [inFoil, open]
  const stripped = atBasin ? stripSeconds(inFoil) : 0
  const common = { about: name, stageId: stage.id }
  if (others.length > 0 && rinsing === 'bySection') {
    const seconds = PARTIAL_RINSE_SECONDS + stripped
    const part = draft.add({ id: `rinse/${key}`, kind: 'rinse', ...common, seconds })
    draft.after(task, part)
    draft.stay(
      task,
      part,
      others.map((one) => countedIn(one, task)),
      0,
    )
    group.before.push(part)
  } else if (others.length > 0) group.stays.push({ task, stage, pieces: others })
  if (foils.length === 0) return
  const seconds = foils.length * TAKE_OUT_SECONDS
  const out = draft.add({ id: `takeOut/${key}`, kind: 'takeOut', ...common, seconds, pieces: foils })
  draft.stay(
    task,
    out,
    foils.map((one) => mayStayFrom(one, task)),
    TAKE_OUT_SECONDS,
  )
  group.before.push(out)
}

/**
 * Pieces stay on until the group's rinse. The longest time of what counts from the end of the application counts from
 * when the last of it is on: of its stage, and of colour that is put on after it in the same go.
 */
function stayUntil(draft: Draft, { stays }: RinsedGroup, rinse: VisitTask): void {
  const lastOf = new Map(stays.map(({ task, stage }) => [stage.id, { task, stage }]))
  const inOneGo = ({ task, stage }: { task: VisitTask; stage: Stage }): VisitTask => {
    const then = stays.findLast(
      ({ stage: other, pieces }) =>
        other.begins?.kind === 'asApplied' &&
        other.begins.stageId === stage.id &&
        pieces.every(({ counts }) => counts === 'endOfApplication'),
    )
    return then ? inOneGo(lastOf.get(then.stage.id)!) : task
  }
  for (const { task, stage, pieces } of stays) {
    const end = inOneGo(lastOf.get(stage.id)!)
    const counted = pieces.map((one) => {
      const own = countedIn(one, task)
      return own.counts === 'eachPiece' || task === end ? own : { ...own, most: Infinity }
    })
    // What counts from the end of the application wants its time from there.
    const wants = task === end || pieces.some(({ counts }) => counts === 'eachPiece')
    draft.stay(task, rinse, counted, 0, wants)
    const last = pieces.filter(({ counts }) => counts === 'endOfApplication')
    if (task === lastOf.get(stage.id)!.task && task !== end && last.length > 0)
      draft.lags.push({
        from: end.id,
        to: rinse.id,
        least: 0,
        most: end.seconds + Math.min(...last.map(({ most }) => most)),
        formulaId: last[0]!.piece.formulaId,
        about: task.about,
      })
  }
}

/** Rinses a group; what only stays in is not rinsed. @returns what the next one waits for */
function rinseGroup(
  draft: Draft,
  group: RinsedGroup,
  stages: readonly { stage: Stage }[],
  lengthCm: number,
): VisitTask {
  const off = stages.filter(({ stage }) => stage.comesOff?.kind !== 'stays')
  if (off.length === 0) return group.applied.at(-1)!.task
  const stageId = off[0]!.stage.id
  const stripped = stripSeconds(group.stays.flatMap(({ pieces }) => byRemoval(pieces).foils))
  const about = off.map(({ stage }) => stage.name).join(' and ') + (stripped > 0 ? ', foils off there' : '')
  const rinse = draft.add({
    id: `rinse/${stageId}`,
    kind: 'rinse',
    about,
    stageId,
    seconds: stripped + RINSE_SECONDS + RINSE_SECONDS_PER_CM * lengthCm,
  })
  for (const task of [...group.applied.map((one) => one.task), ...group.before]) draft.after(task, rinse)
  stayUntil(draft, group, rinse)
  return rinse
}

/** Dries what was rinsed before the next product goes on; hair that was not rinsed stays as it is. */
function driedAfter(draft: Draft, rinse: VisitTask): VisitTask {
  if (rinse.kind !== 'rinse') return rinse
  const { about, stageId } = rinse
  const dry = draft.add({ id: `dry/${stageId}`, kind: 'dry', about, seconds: BETWEEN_SECONDS })
  draft.after(rinse, dry)
  return dry
}

/** Bowls that a stretch is the first to use, as tasks before it. */
function mixesFor({ stage, pieces }: Chunk, tasks: readonly VisitTask[]): Omit<VisitTask, 'skill' | 'turn'>[] {
  const mixes: Omit<VisitTask, 'skill' | 'turn'>[] = []
  for (const { piece, bowl } of pieces) {
    const id = mixId(piece.formulaId, bowl)
    if (![...tasks, ...mixes].some((task) => task.id === id))
      mixes.push({
        id,
        kind: 'mix',
        about: `${piece.formulaId}, bowl ${bowl + 1}`,
        stageId: stage.id,
        seconds: secondsFromMinutes(MIXING_MINUTES),
      })
  }
  return mixes
}

/** Work of a stage that puts nothing on. */
const BARE_WORK = { cut: 'cut', wash: 'wash', skinWipe: 'wipe', style: 'style' } as const satisfies Partial<
  Record<Stage['kind'], TaskKind>
>
type BareWork = (typeof BARE_WORK)[keyof typeof BARE_WORK]

const workSeconds = ({ lasts }: Stage, kind: BareWork): number =>
  secondsFromMinutes(lasts?.minutes ?? BARE_WORK_MINUTES[kind])

/** A turn of the visit: stages that come off in one rinse, with their stretches of work; or work without product. */
interface Turn {
  stages: { stage: Stage; own: Chunk[] }[]
  work?: { stage: Stage; kind: BareWork } | undefined
}

/** The turns of a visit in their order; stages that put nothing on and ask for no work are left out. */
const turnsOf = (planned: readonly Stage[], chunks: readonly Chunk[]): Turn[] =>
  inOneRinse(planned).flatMap((group): Turn[] => {
    const own = group.map((stage) => ({ stage, own: chunks.filter((chunk) => chunk.stage.id === stage.id) }))
    const stages = own.filter((one) => one.own.length > 0)
    const bare = own.flatMap(({ stage, own: { length } }) =>
      length === 0 && stage.kind in BARE_WORK ? [{ stage, kind: BARE_WORK[stage.kind as keyof typeof BARE_WORK] }] : [],
    )
    return [...(stages.length > 0 ? [{ stages }] : []), ...bare.map((work) => ({ stages: [], work }))]
  })
