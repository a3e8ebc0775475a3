/* eslint-disable max-lines -- one step: from foils to tasks; it is rebuilt with the stages’ relations */
import { bowlVol } from '../../product/formula'
import { activeVariant, inOneRinse, lighteningLetters, type CountsFrom, type FaltoPlan, type Stage } from '../../model'
import type { Piece } from '../../placement/foils'
import type { ServiceProcess } from '../lightening'
import { MIXING_MINUTES, zoneSeconds, type ComputedStages, type ZoneResult } from '../../placement/quantity'
import { minutesFromSeconds, secondsFromMinutes } from '../../units'
import {
  BARE_WORK_MINUTES,
  BOWL_WAITS_SECONDS,
  BETWEEN_SECONDS,
  FINISH_SECONDS,
  FINISH_SECONDS_PER_CM,
  LENGTHS_LEAD_SECONDS,
  PARTIAL_RINSE_SECONDS,
  RINSE_SECONDS,
  RINSE_SECONDS_PER_CM,
  SCALP_CM,
  SET_UP_SECONDS,
  TAKE_OUT_SECONDS,
  TWICE_SHARE,
} from './constants'
import type { Lag, Skill, Task } from './problem'

export const TASK_KINDS = [
  'setUp',
  'mix',
  'apply',
  'takeOut',
  'rinse',
  'dry',
  'cut',
  'wash',
  'wipe',
  'style',
  'finish',
] as const
export type TaskKind = (typeof TASK_KINDS)[number]

const SKILLS: Record<TaskKind, Skill> = {
  setUp: 'rinse',
  mix: 'mix',
  apply: 'colour',
  takeOut: 'rinse',
  rinse: 'rinse',
  dry: 'dry',
  cut: 'colour',
  wash: 'rinse',
  wipe: 'rinse',
  style: 'dry',
  finish: 'dry',
}
/**
 * What a task asks for, by its kind. Common practice: putting product on is the colourist's; the rest can be helped
 * with.
 */
export const needsOf = (kind: TaskKind): Pick<Task, 'skill' | 'resource'> => ({
  skill: SKILLS[kind],
  resource: kind === 'rinse' || kind === 'wash' ? 'basin' : undefined,
})

export interface VisitTask extends Task {
  kind: TaskKind
  /** What it is about: a zone, a formula's letter with the bowl, or stages. */
  about: string
  stageId?: string | undefined
  /** What comes off in one rinse is one turn of the visit, from 0; the next begins once the one before is rinsed. */
  turn: number
  /** Pieces put in or taken out, in working order. */
  pieces?: readonly ServedPiece[] | undefined
}

/** A longest time that a formula sets. */
export interface VisitLag extends Lag {
  formulaId?: string | undefined
  about?: string | undefined
}

/** A piece with what serves it. */
export interface ServedPiece {
  piece: Piece
  zoneId: string
  /** Bowl among its formula's, from 0; its strength, and its planned age when the piece is done, min. */
  bowl: number
  vol: number
  bowlAgeMinutes: number
  /** When it has its product, s from the start of its task. */
  on: number
  /** How long it has to stay by its label, how long until it is near its goal, and how long it may, s. */
  least: number
  ready: number
  most: number
  /** Whether its goal is out of reach in the time its label gives. */
  short: boolean
  seconds: number
  /** What its times count from: its own start, or the end of the application. */
  counts: CountsFrom
}

/** Pieces that are put in without a break. */
export interface Chunk {
  stage: Stage
  zone: ZoneResult
  /** Whether sectioning the zone comes first. */
  opens: boolean
  part: number
  parts: number
  pieces: ServedPiece[]
  /** Work on the scalp that follows the lengths of the same zone after a while. */
  follows?: 'lengths' | undefined
}

/**
 * Zones one after the other, as planned or the other way; or lengths everywhere first and the scalp, which is warm and
 * fast, afterwards.
 */
export const WORKING_ORDERS = ['planned', 'reversed', 'lengthsFirst'] as const
export type WorkingOrder = (typeof WORKING_ORDERS)[number]

/** How a visit is worked, beside what its plan says. */
export interface Working {
  order?: WorkingOrder | undefined
  /** What lies open or under film is rinsed all at once, or section by section as its time is up. */
  rinse?: 'together' | 'bySection' | undefined
  /** Only these zones; left out: all. */
  only?: ReadonlySet<string> | undefined
}

/** What one visit asks for: tasks in the order in which they are usually begun. */
export interface Visit {
  tasks: VisitTask[]
  lags: VisitLag[]
}

/**
 * Divides the zones into stretches of work: a new one where a new bowl is begun, and where pieces of one stretch could
 * not all stay as long as they have to and no longer than they may.
 */
export function chunksOf(
  plan: FaltoPlan,
  computed: ComputedStages,
  process: ServiceProcess,
  { order = 'planned', only }: Working = {},
): Chunk[] {
  const { stages } = activeVariant(plan)
  let index = 0
  const serve = server(plan, computed, process)
  const served = computed.zones.map((zone) => ({ zone, first: [] as ServedPiece[], then: [] as ServedPiece[] }))
  for (const { zone, first, then } of served)
    zone.placement.pieces.forEach((piece, i) => {
      const at = index++
      if (order !== 'lengthsFirst' || !reachesScalpAndLengths(piece))
        return void first.push(serve(zone, piece, zone.seconds[i]!, at))
      const seconds = TWICE_SHARE * zone.seconds[i]!
      first.push(serve(zone, { ...piece, id: `${piece.id}/lengths`, fromCm: SCALP_CM }, seconds, at))
      then.push(serve(zone, { ...piece, id: `${piece.id}/scalp`, toCm: SCALP_CM }, seconds, at))
    })
  return stages.flatMap((stage) => {
    const own = served.filter(
      ({ zone, first }) => zone.stageId === stage.id && first.length > 0 && (only?.has(zone.zoneId) ?? true),
    )
    if (order === 'reversed') own.reverse()
    const partsOf = (pieces: readonly ServedPiece[]) =>
      pieces.length === 0 ? [] : atBowls(pieces).flatMap(fittingParts)
    const all = own.map(({ zone, first, then }) => ({ zone, first: partsOf(first), then: partsOf(then) }))
    const chunk = (zone: ZoneResult, pieces: ServedPiece[], part: number, parts: number): Chunk => ({
      stage,
      zone,
      opens: part === 1,
      part,
      parts,
      pieces,
    })
    return [
      ...all.flatMap(({ zone, first, then }) =>
        first.map((pieces, i) => chunk(zone, pieces, i + 1, first.length + then.length)),
      ),
      ...all.flatMap(({ zone, first, then }) =>
        then.map((pieces, i) => ({
          ...chunk(zone, pieces, first.length + i + 1, first.length + then.length),
          follows: 'lengths' as const,
        })),
      ),
    ]
  })
}

/** Gives pieces what serves them: their bowl, and how long they stay by it. */
function server(
  plan: FaltoPlan,
  computed: ComputedStages,
  process: ServiceProcess,
): (zone: ZoneResult, piece: Piece, seconds: number, at: number) => ServedPiece {
  const lastsOf = new Map(activeVariant(plan).stages.map(({ id, lasts }) => [id, lasts]))
  const lighteners = lighteningLetters(plan)
  const bowlOf = bowlFinder(plan, computed)
  return (zone, piece, seconds, at) => {
    const { bowl, vol, ageMinutes } = bowlOf(piece, at)
    const { least, ready, most, short } = process.stay(piece, ageMinutes, vol)
    const lasts = lastsOf.get(zone.stageId)
    return {
      piece,
      zoneId: zone.zoneId,
      bowl,
      vol,
      bowlAgeMinutes: ageMinutes,
      on: 0,
      least: secondsFromMinutes(Math.min(least, lasts?.minutes ?? least)),
      ready: secondsFromMinutes(Math.min(most, lasts?.minutes ?? ready)),
      most: secondsFromMinutes(most),
      short,
      seconds,
      counts: lasts?.from ?? (lighteners.has(piece.formulaId) ? 'eachPiece' : 'endOfApplication'),
    }
  }
}

/** Product that is not closed in foil can be put on the lengths first and on the scalp later. */
export const reachesScalpAndLengths = ({ cover, fromCm, toCm, hairLength }: Piece): boolean =>
  cover !== 'foil' && fromCm < SCALP_CM && Math.min(toCm, hairLength) > 2 * SCALP_CM

function bowlFinder(
  plan: FaltoPlan,
  computed: ComputedStages,
): (piece: Piece, index: number) => { bowl: number; vol: number; ageMinutes: number } {
  const formulas = new Map(
    plan.formulas.map((formula) => {
      const { bowls, uses } = computed.grams.find(({ formulaId }) => formulaId === formula.id)!
      return [formula.id, { formula, bowls, done: new Map(uses.map(({ piece, to }) => [piece, to])) }]
    }),
  )
  return ({ formulaId }, index) => {
    const { formula, bowls, done } = formulas.get(formulaId)!
    const bowl = bowls.findIndex(({ last }) => index <= last)
    return {
      bowl,
      vol: bowlVol(formula, bowl + 1, bowls.length),
      ageMinutes: minutesFromSeconds(done.get(index)! - bowls[bowl]!.from),
    }
  }
}

/** A new stretch begins where any formula comes from a new bowl. */
function atBowls(pieces: readonly ServedPiece[]): ServedPiece[][] {
  const current = new Map<string, number>()
  const parts: ServedPiece[][] = []
  for (const one of pieces) {
    const known = current.get(one.piece.formulaId)
    if (parts.length === 0 || (known !== undefined && known !== one.bowl)) parts.push([])
    current.set(one.piece.formulaId, one.bowl)
    parts.at(-1)!.push(one)
  }
  return parts
}

/** Halves a stretch until its pieces can all keep their times. */
function fittingParts(pieces: ServedPiece[]): ServedPiece[][] {
  if (pieces.length === 1 || pieces.every(({ counts }) => counts === 'endOfApplication')) return [pieces]
  const { foils, others } = byRemoval(onTimes(pieces, 0))
  const fits = [windowOf(foils, TAKE_OUT_SECONDS), windowOf(others, 0)].every(({ least, most }) => least <= most)
  if (fits) return [pieces]
  const middle = Math.ceil(pieces.length / 2)
  return [...fittingParts(pieces.slice(0, middle)), ...fittingParts(pieces.slice(middle))]
}

/** Gives each piece the time at which it has its product. @param lead s of sectioning before the first */
function onTimes(pieces: readonly ServedPiece[], lead: number): ServedPiece[] {
  let at = lead
  return pieces.map((one) => ({ ...one, on: (at += one.seconds) }))
}

/** What is closed in foil comes out at the chair, the rest in the rinse. */
function byRemoval(pieces: readonly ServedPiece[]): { foils: ServedPiece[]; others: ServedPiece[] } {
  const inFoil = ({ piece: { kind, cover } }: ServedPiece) => kind === 'foil' || (kind === 'open' && cover === 'foil')
  return { foils: pieces.filter(inFoil), others: pieces.filter((one) => !inFoil(one)) }
}

/**
 * From the start of putting in to the start of taking out, each piece `each` s after the one before: what keeps every
 * piece's times.
 */
function windowOf(
  pieces: readonly ServedPiece[],
  each: number,
): { least: number; ideal: number; most: number; tightest: ServedPiece | undefined } {
  let [least, ideal, most] = [0, 0, Infinity]
  let tightest: ServedPiece | undefined
  pieces.forEach((one, i) => {
    const shift = one.on - i * each
    least = Math.max(least, one.least + shift)
    ideal += (one.ready + shift) / pieces.length
    if (one.most + shift < most) {
      most = one.most + shift
      tightest = one
    }
  })
  return { least: Math.ceil(least), ideal: Math.round(ideal), most: Math.floor(most), tightest }
}

/** Tasks and lags of a visit from its stretches of work. */
export function visitOf(
  plan: FaltoPlan,
  chunks: readonly Chunk[],
  { rinse: rinsing = 'together' }: Working = {},
): Visit {
  const draft = newDraft()
  let gate = draft.add({ id: 'setUp', kind: 'setUp', about: '', seconds: SET_UP_SECONDS })
  const { stages: planned } = activeVariant(plan)
  const styled = planned.at(-1)?.kind === 'style' ? planned.at(-1) : undefined
  for (const { stages, work } of turnsOf(planned, chunks)) {
    if (work) {
      if (work.stage === styled) continue
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
      draft.next()
      continue
    }
    const group = newGroup(gate)
    for (const { stage, own } of stages)
      for (const chunk of own) {
        const applied = applyChunk(draft, group, chunk, plan)
        if (stage.comesOff?.kind !== 'stays') takeOff(draft, group, chunk, applied, rinsing)
      }
    gate = rinseGroup(draft, group, stages, plan.hair.lengthCm)
    draft.next()
  }
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

/** A visit while it is put together. */
interface Draft extends Visit {
  tasks: VisitTask[]
  lags: VisitLag[]
  add: (task: Omit<VisitTask, 'skill' | 'resource' | 'turn'>) => VisitTask
  /** Begins the next turn. */
  next: () => void
  /** The second begins once the first is done. */
  after: (from: VisitTask, to: VisitTask) => void
  /** Product put on by the first stays on until the second, as long as its pieces ask for; `each` as for a window. */
  stay: (from: VisitTask, to: VisitTask, pieces: readonly ServedPiece[], each: number) => void
}

function newDraft(): Draft {
  const tasks: VisitTask[] = []
  const lags: VisitLag[] = []
  let turn = 0
  return {
    tasks,
    lags,
    next: () => void turn++,
    add: (task) => {
      tasks.push({ ...task, ...needsOf(task.kind), turn, seconds: Math.round(task.seconds) })
      return tasks.at(-1)!
    },
    after: (from, to) => void lags.push({ from: from.id, to: to.id, least: from.seconds }),
    stay: (from, to, pieces, each) => {
      const { least, ideal, most, tightest } = windowOf(pieces, each)
      lags.push({
        from: from.id,
        to: to.id,
        least: Math.max(least, from.seconds),
        most,
        ideal,
        formulaId: tightest?.piece.formulaId,
        about: from.about,
      })
    },
  }
}

/** What comes off in one rinse. */
interface RinsedGroup {
  /** What is done before any of it. */
  gate: VisitTask
  applied: { task: VisitTask; chunk: Chunk }[]
  /** Pieces that stay on until the rinse. */
  stays: { task: VisitTask; stage: Stage; pieces: ServedPiece[] }[]
  /** What has to be done before the rinse beside applying. */
  before: VisitTask[]
  /** The task that put product on a zone's lengths. */
  lengthsOf: Map<string, VisitTask>
}

const newGroup = (gate: VisitTask): RinsedGroup => ({
  gate,
  applied: [],
  stays: [],
  before: [],
  lengthsOf: new Map(),
})

interface Applied {
  task: VisitTask
  name: string
  key: string
  pieces: ServedPiece[]
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

/** How what a stretch put on comes off: foils taken out one by one, the rest rinsed with the group or by section. */
function takeOff(
  draft: Draft,
  group: RinsedGroup,
  { stage }: Chunk,
  { task, name, key, pieces }: Applied,
  rinsing: NonNullable<Working['rinse']>,
): void {
  const { foils, others } = byRemoval(pieces)
  const common = { about: name, stageId: stage.id }
  if (others.length > 0 && rinsing === 'bySection') {
    const part = draft.add({ id: `rinse/${key}`, kind: 'rinse', ...common, seconds: PARTIAL_RINSE_SECONDS })
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

/** A piece with its times counted from where they are: the end of the task that put it on, or its own start. */
const countedIn = (one: ServedPiece, { seconds }: VisitTask): ServedPiece =>
  one.counts === 'endOfApplication' ? { ...one, on: seconds } : one

/** A piece in foil whose longest time runs from the end of its application, its least from its own start. */
export const mayStayFrom = (one: ServedPiece, { seconds }: Pick<VisitTask, 'seconds'>): ServedPiece =>
  one.counts === 'endOfApplication' ? { ...one, most: one.most + seconds - one.on } : one

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
    draft.stay(task, rinse, counted, 0)
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

/** Rinses a group and dries it; what only stays in is not rinsed. @returns what the next one waits for */
function rinseGroup(
  draft: Draft,
  group: RinsedGroup,
  stages: readonly { stage: Stage }[],
  lengthCm: number,
): VisitTask {
  const off = stages.filter(({ stage }) => stage.comesOff?.kind !== 'stays')
  if (off.length === 0) return group.applied.at(-1)!.task
  const about = off.map(({ stage }) => stage.name).join(' and ')
  const stageId = off[0]!.stage.id
  const rinse = draft.add({
    id: `rinse/${stageId}`,
    kind: 'rinse',
    about,
    stageId,
    seconds: RINSE_SECONDS + RINSE_SECONDS_PER_CM * lengthCm,
  })
  for (const task of [...group.applied.map((one) => one.task), ...group.before]) draft.after(task, rinse)
  stayUntil(draft, group, rinse)
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

export const mixId = (formulaId: string, bowl: number): string => `mix/${formulaId}/${bowl}`

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
