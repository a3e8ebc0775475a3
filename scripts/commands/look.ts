import sharp from 'sharp'
import { createStudio, lookFigures, lookReport, takePicture, type Subject } from '@/core/appearance/look'
import { VIEW_NAMES, VIEWS, type Picture, type ViewName } from '@/core/appearance/picture'
import { FINE_STRANDS, WEARS, type Wear } from '@/core/appearance/strands'
import { createPlanner } from '@/core/plan/planner'
import { foldPlan } from '@/core/time/fold'
import { EntryError, flagsIn, oneOf, planIn, withinReach } from './entry'

/** What is taken where nothing is said, and what a picture may be at most, pixels. Our choice. */
const USUAL = { view: 'front', wear: 'straight', weeks: '0', size: '480x640', seed: '1' }
const MOST_PIXELS = 2_000
const MOST_WEEKS = 104
const FLAGS = ['view', 'wear', 'weeks', 'size', 'seed', 'out'] as const

/**
 * `./falto look FILE|- [--view front] [--wear straight] [--weeks 0] [--size 480x640] [--seed 1] [--out PICTURE.png]`:
 * what is counted in the pictures of a plan, from every side and from the one asked for, and that picture.
 * @throws EntryError
 */
export async function look(args: readonly string[]) {
  const { values, positionals } = flagsIn(args, FLAGS)
  const file = oneOf(positionals, 'say which plan to look at: ./falto look FILE, or - to read it from standard input')
  const asked = { ...USUAL, ...values }
  const view = oneNamed('view', asked.view, VIEW_NAMES)
  const wear = oneNamed('wear', asked.wear, WEARS)
  const weeks = wholeNumber('weeks', asked.weeks, 0, MOST_WEEKS)
  const seed = wholeNumber('seed', asked.seed, 0, 2 ** 31 - 1)
  const [width, height] = sizeOf(asked.size)
  const subject = withinReach(() => subjectOf(planIn(file, 'looked at')))
  const drawn = { wear, count: FINE_STRANDS, seed }
  const moment = { stages: subject.fold.stages.length - 1, weeks }
  const studio = createStudio()
  if (values.out !== undefined) {
    const shot = { ...drawn, view: VIEWS[view], moment, width, height, fine: true }
    await save(takePicture(studio, subject, shot).picture, values.out)
  }
  return answer(lookReport(lookFigures(studio, subject, drawn, moment)), { view, wear, weeks, seed })
}

function subjectOf(plan: Subject['plan']): Subject {
  const computed = createPlanner().computeStages(plan)
  return { plan, computed, fold: foldPlan(plan, computed) }
}

function answer(
  report: ReturnType<typeof lookReport>,
  { view, ...asked }: { view: ViewName; wear: Wear; weeks: number; seed: number },
) {
  const { zonePercents, formulaPercents, ...rest } = report
  return {
    view,
    ...asked,
    seen: { zonePercents, formulaPercents },
    ...rest,
    thisView: report.views[view],
    note: 'Counted in a simulation, to judge placement by; it promises no result.',
  }
}

function oneNamed<Name extends string>(flag: string, value: string, names: readonly Name[]): Name {
  const found = names.find((name) => name === value)
  if (!found) throw new EntryError(`--${flag} takes one of ${names.join(', ')}, not "${value}"`)
  return found
}

function wholeNumber(flag: string, value: string, least: number, most: number): number {
  const number = Number(value)
  if (!Number.isInteger(number) || number < least || number > most)
    throw new EntryError(`--${flag} takes a whole number from ${least} to ${most}, not "${value}"`)
  return number
}

function sizeOf(value: string): [width: number, height: number] {
  const [, width, height] = /^(\d{1,5})x(\d{1,5})$/.exec(value) ?? []
  const size: [number, number] = [Number(width), Number(height)]
  if (!size.every((pixels) => pixels >= 16 && pixels <= MOST_PIXELS))
    throw new EntryError(`--size takes WIDTHxHEIGHT, each from 16 to ${MOST_PIXELS} pixels, not "${value}"`)
  return size
}

async function save({ width, height, rgba }: Picture, out: string): Promise<void> {
  try {
    await sharp(rgba, { raw: { width, height, channels: 4 } })
      .png()
      .toFile(out)
  } catch (error) {
    throw new EntryError(`${out} cannot be written (${(error as Error).message})`)
  }
}
