import type { Skill, Stage } from '../../model'
import type { Lag, Task } from './problem'
import { windowOf, type Chunk, type ServedPiece } from './stretches'

export const TASK_KINDS = [
  'setUp',
  'mix',
  'apply',
  'reapply',
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
  reapply: 'colour',
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

/** What one visit asks for: tasks in the order in which they are usually begun. */
export interface Visit {
  tasks: VisitTask[]
  lags: VisitLag[]
}

/** A visit while it is put together. */
export interface Draft extends Visit {
  tasks: VisitTask[]
  lags: VisitLag[]
  add: (task: Omit<VisitTask, 'skill' | 'resource' | 'turn'>) => VisitTask
  /** Begins the next turn. */
  next: () => void
  /** The second begins once the first is done. */
  after: (from: VisitTask, to: VisitTask) => void
  /**
   * Product put on by the first stays on until the second, as long as its pieces ask for; `each` as for a window. How
   * long they want is left out where something that is put on later says it.
   */
  stay: (from: VisitTask, to: VisitTask, pieces: readonly ServedPiece[], each: number, wants?: boolean) => void
}

export function newDraft(): Draft {
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
    stay: (from, to, pieces, each, wants = true) => {
      const { least, ideal, most, tightest } = windowOf(pieces, each)
      lags.push({
        from: from.id,
        to: to.id,
        least: Math.max(least, from.seconds),
        most,
        ...(wants && { ideal }),
        // Also where nothing limits it here, because its time counts from when the last of it is on.
        formulaId: (tightest ?? pieces[0])?.piece.formulaId,
        about: from.about,
      })
    },
  }
}

export const mixId = (formulaId: string, bowl: number): string => `mix/${formulaId}/${bowl}`

/** What comes off in one rinse. */
export interface RinsedGroup {
  /** What is done before any of it. */
  gate: VisitTask
  applied: { task: VisitTask; chunk: Chunk }[]
  /** Pieces that stay on until the rinse. */
  stays: { task: VisitTask; stage: Stage; pieces: ServedPiece[] }[]
  /** What has to be done before the rinse beside applying. */
  before: VisitTask[]
  /** The task that put product on a zone's lengths. */
  lengthsOf: Map<string, VisitTask>
  /** The task that a round of fresh product has come to. */
  roundOf: Map<number, VisitTask>
}

export const newGroup = (gate: VisitTask): RinsedGroup => ({
  gate,
  applied: [],
  stays: [],
  before: [],
  lengthsOf: new Map(),
  roundOf: new Map(),
})

/** A stretch that has its product. */
export interface Applied {
  task: VisitTask
  name: string
  key: string
  pieces: ServedPiece[]
}
