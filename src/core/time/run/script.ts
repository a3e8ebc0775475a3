import { byId, lighteningLetters, STRAND_SPOTS, type Caution, type FaltoPlan, type StrandSpot } from '../../model'
import { processOf } from '../fold'
import { driesAfter, type Course, type ServiceProcess } from '../lightening'
import {
  clockFor,
  liftOf,
  type ServedPiece,
  type ClockOptions,
  type Conflict,
  type TaskKind,
  type ZoneClock,
} from '../schedule'
import type { ComputedStages } from '../../placement/quantity'
import type { RunPerson } from './crew'

/** A step of a visit as it was planned. Seconds count from the start of the visit. */
export interface ScriptStep {
  id: string
  kind: TaskKind
  about: string
  personId: string
  start: number
  seconds: number
  /** Pieces that it puts in or takes out: when each is done, s from the step's own start. */
  pieces: { id: string; formulaId: string; at: number }[]
  /**
   * After how long its first piece has dried to where it is wetted or applied again, min; null for what does not lift.
   * This and the next are missing in visits that were pinned before they were kept.
   */
  driesAfter?: number | null | undefined
  /**
   * Mean level that its pieces are expected to come to: by minutes at full strength where `course` is there, else by
   * minutes under product; empty where nothing lifts.
   */
  lift?: { minute: number; level: number }[] | undefined
  /** The same at each spot of the strand; missing where nothing lifts, and in visits pinned before it was kept. */
  liftAt?: Record<StrandSpot, { minute: number; level: number }[]> | undefined
  /**
   * What its pieces that lift are treated with, from a bowl of their mean age, and the formula of the first of them;
   * missing where nothing lifts, and in visits that were pinned before it was kept.
   */
  course?: (Omit<Course, 'events'> & { formulaId?: string | undefined }) | undefined
}

export interface ScriptLag {
  from: string
  to: string
  least: number
  most: number | null
  formulaId: string | null
}

/** A visit pinned for its run: it no longer changes when the plan does. */
export interface RunScript {
  people: RunPerson[]
  /** In the order in which they are begun. */
  steps: ScriptStep[]
  lags: ScriptLag[]
  zones: ZoneClock[]
  /** How it is worked beside what the plan says; missing where it was pinned before that was kept. */
  worked?: Pick<ClockOptions, 'order' | 'roomCelsius' | 'foils'> | undefined
  /** Longest times that the visit passes as it was planned; missing where it was pinned before they were kept. */
  conflicts?: Conflict[] | undefined
}

/** The zone that a step puts product into, under the first of its formulas that has one. */
export const zoneOfStep = ({ zones }: Pick<RunScript, 'zones'>, { id, pieces }: ScriptStep): ZoneClock | undefined =>
  zones.find(
    ({ zoneId, formulaId }) => id.includes(`/${zoneId}/`) && pieces.some((piece) => piece.formulaId === formulaId),
  )

/** The piece that stands for a step: the first that lifts, else the first. */
export const leadOf = ({
  pieces,
  course,
}: Pick<ScriptStep, 'pieces' | 'course'>): ScriptStep['pieces'][number] | undefined =>
  pieces.find(({ formulaId }) => formulaId === course?.formulaId) ?? pieces[0]

/** Steps that end the time of what a step put in, and those that put in what a step takes out or rinses. */
export const endsOf = ({ lags }: Pick<RunScript, 'lags'>, id: string): string[] =>
  lags.flatMap(({ from, to, formulaId }) => (from === id && formulaId !== null ? [to] : []))
export const putInBefore = ({ lags }: Pick<RunScript, 'lags'>, id: string): string[] =>
  lags.flatMap(({ from, to, formulaId }) => (to === id && formulaId !== null ? [from] : []))

const courseOf = (process: ServiceProcess, { piece, bowlAgeMinutes, vol }: ServedPiece) =>
  process.course(piece, bowlAgeMinutes, vol)

function driesIn(process: ServiceProcess, lifting: readonly ServedPiece[]): number | null {
  const minutes = lifting.map((served) => driesAfter(courseOf(process, served), served.piece.cover))
  return minutes.length > 0 ? Math.round(Math.min(...minutes)) : null
}

function courseIn(process: ServiceProcess, lifting: readonly ServedPiece[]): ScriptStep['course'] {
  const [first] = lifting
  return (
    first && {
      ...courseOf(process, first),
      formulaId: first.piece.formulaId,
      bowlAgeMinutes: lifting.reduce((sum, { bowlAgeMinutes }) => sum + bowlAgeMinutes, 0) / lifting.length,
    }
  )
}

const liftBySpot = (process: ServiceProcess, lifting: readonly ServedPiece[]) =>
  Object.fromEntries(
    STRAND_SPOTS.map((spot) => [spot, liftOf(process, lifting, spot)]),
  ) as Required<ScriptStep>['liftAt']

/** Cautions of a visit that passes a label's longest time, one a formula, told with where it passes it most. */
export function pastLabels(
  { conflicts = [] }: Pick<RunScript, 'conflicts'>,
  { formulas, products }: FaltoPlan,
): Caution[] {
  return formulas.flatMap(({ id, productId }) => {
    const worst = conflicts
      .filter(({ formulaId }) => formulaId === id)
      .reduce<Conflict | undefined>((most, one) => (most && most.over >= one.over ? most : one), undefined)
    if (!worst) return []
    const { name, maximumMinutes } = byId(products, productId)
    return [
      {
        id: `past-label-${id}`,
        severity: 'caution',
        text: `As it is planned, ${name} (${id}) stays on ${Math.ceil(worst.over)} min longer at ${worst.about} than the ${maximumMinutes} min of its label.`,
        remedy:
          'The Clock page offers other orders and help. If it goes ahead, take out early where the alarm sounds; the label’s time holds.',
        zoneIds: [],
      },
    ]
  })
}

/** Pins the clock of a plan. @throws Error when nobody of the crew can do something */
export function scriptFor(plan: FaltoPlan, computed: ComputedStages, options: ClockOptions): RunScript {
  const process = processOf(plan, computed, { canvas: options.canvas, roomCelsius: options.roomCelsius })
  const { visit, ...clock } = clockFor(plan, computed, options, process)
  const lighteners = lighteningLetters(plan)
  const starts = new Map(clock.tasks.map(({ id, from, personId }) => [id, { start: Math.round(60 * from), personId }]))
  return {
    people: options.crew.people.map(({ id, name, skills }) => ({ id, name, skills })),
    steps: visit.tasks
      .map(({ id, kind, about, seconds, pieces = [] }) => {
        const lifting = kind === 'apply' ? pieces.filter(({ piece }) => lighteners.has(piece.formulaId)) : []
        return {
          id,
          kind,
          about,
          seconds,
          ...starts.get(id)!,
          driesAfter: driesIn(process, lifting),
          lift: liftOf(process, lifting),
          ...(lifting.length > 0 && { liftAt: liftBySpot(process, lifting) }),
          course: courseIn(process, lifting),
          pieces: pieces.map(({ piece, on }, i) => ({
            id: piece.id,
            formulaId: piece.formulaId,
            at: Math.round(kind === 'takeOut' ? ((i + 1) * seconds) / pieces.length : on),
          })),
        }
      })
      .sort((a, b) => a.start - b.start),
    lags: visit.lags.map(({ from, to, least, most, formulaId }) => ({
      from,
      to,
      least,
      most: most === undefined || most === Infinity ? null : most,
      formulaId: formulaId ?? null,
    })),
    zones: clock.zones,
    worked: { order: options.order, roomCelsius: options.roomCelsius, foils: options.foils },
    conflicts: clock.conflicts,
  }
}
