import { v7 as newId } from 'uuid'
import {
  bandFault,
  checkCanvas,
  hairMapOf,
  lengthsHistory,
  meanLevels,
  meanWhite,
  uniformCanvas,
} from '@/core/hair/hairRecord'
import { DENSITIES, LIMITS, STARTING_HAIR, TEXTURES, type Canvas, type FaltoPlan, type HairState } from '@/core/model'
import { createPlanner } from '@/core/plan/planner'
import { planFromService, proposePlan, SERVICES } from '@/core/plan/serviceKinds'
import { createHead, HeadMeasureError, type Head } from '@/core/scalp/head'
import { checkEntry, describeProblems, PlanClientDto } from '@/dto'
import { EntryError, flagsIn, jsonIn, oneOf } from './entry'

const PROPOSED = 'proposed'

/** The head and hair of whom nothing is said. Our choice: the middle of everything. */
const STANDARD_HEAD = { circumferenceCm: 55 }
const STANDARD_HAIR: HairState = {
  ...STARTING_HAIR,
  weeksSinceColour: 8,
}

/**
 * `./falto plan KIND|proposed [--client FILE] [--length CM] [--density WORD] [--texture WORD] [--level N]`: a plan
 * document. Flags come before what the file says.
 * @throws EntryError
 */
export function plan(args: readonly string[]): FaltoPlan {
  const { values, positionals } = flagsIn(args, FLAGS)
  const kind = oneOf(
    positionals,
    `say one kind of service, of ./falto kinds, or ${PROPOSED}: ./falto plan KIND --client FILE`,
  )
  if (kind !== PROPOSED && !SERVICES.some(({ id }) => id === kind))
    throw new EntryError(`there is no kind of service "${kind}"; ./falto kinds lists them`)
  const client = values.client === undefined ? {} : clientIn(values.client)
  try {
    return planFor(kind, client, hairWith(client.hair ?? STANDARD_HAIR, values))
  } catch (error) {
    throw error instanceof HeadMeasureError ? new EntryError(`head.${error.field}: ${error.message}`) : error
  }
}

const FLAGS = ['client', 'length', 'density', 'texture', 'level'] as const
type Flags = { [flag in (typeof FLAGS)[number]]?: string }

function clientIn(file: string): PlanClientDto {
  const checked = checkEntry(PlanClientDto, jsonIn(file))
  if (!checked.ok) throw new EntryError(`not a client: ${describeProblems(checked.problems)}`)
  const { canvas, bands, whitePercent } = checked.value
  if (canvas && (bands || whitePercent !== undefined))
    throw new EntryError(
      'not a client: canvas says bands and white itself. Leave out bands and whitePercent, or canvas.',
    )
  const fault = bands && bandFault(bands)
  if (fault) throw new EntryError(`not a client: bands[${fault.index}].${fault.field}: ${fault.message}`)
  const [problem] = canvas ? checkCanvas(canvas) : []
  if (problem) throw new EntryError(`not a client: canvas.${problem.path}: ${problem.message}`)
  return checked.value
}

function hairWith(hair: HairState, { length, density, texture, level }: Flags): HairState {
  return {
    ...hair,
    ...(length !== undefined && { lengthCm: numberOf('length', length, LIMITS.lengthCm) }),
    ...(level !== undefined && { naturalLevel: numberOf('level', level, LIMITS.naturalLevel) }),
    ...(density !== undefined && { density: wordOf('density', density, DENSITIES) }),
    ...(texture !== undefined && { texture: wordOf('texture', texture, TEXTURES) }),
  }
}

function numberOf(flag: string, text: string, { min, max, unit }: { min: number; max: number; unit: string }): number {
  const value = Number(text)
  if (text.trim() === '' || !(value >= min && value <= max))
    throw new EntryError(`--${flag} must be between ${min} and ${max} ${unit}, not "${text}"`)
  return value
}

function wordOf<Word extends string>(flag: string, text: string, words: readonly Word[]): Word {
  const word = words.find((one) => one === text)
  if (!word) throw new EntryError(`--${flag} must be one of ${words.join(', ')}, not "${text}"`)
  return word
}

function planFor(kind: string, client: PlanClientDto, hair: HairState): FaltoPlan {
  const measures = client.head ?? STANDARD_HEAD
  const head = createHead(measures)
  const canvas = canvasOf(client, head, hair)
  const person = { head: measures, hair, newId, ...(canvas && { hairMap: hairMapOf(canvas) }) }
  if (kind !== PROPOSED) return withCanvas(planFromService(kind, person), canvas)
  if (!client.goal)
    throw new EntryError('goal is missing: a plan is proposed from a wish; put it into the file of --client')
  const wished = {
    hair,
    goal: client.goal,
    meanWhite: canvas ? meanWhite(head, hair, canvas) : 0,
    levels: canvas && meanLevels(canvas),
    history: canvas && lengthsHistory(canvas),
  }
  return withCanvas(proposePlan(createPlanner(), wished, person).plan, canvas)
}

const withCanvas = (plan: FaltoPlan, canvas: Canvas | undefined): FaltoPlan => (canvas ? { ...plan, canvas } : plan)

/** What the entry says of the hair; nothing where it only describes virgin hair. */
function canvasOf(client: PlanClientDto, head: Head, hair: HairState): Canvas | undefined {
  const { canvas, bands, whitePercent, recordedOn = new Date().toISOString().slice(0, 10) } = client
  if (canvas) return canvas
  return bands || whitePercent !== undefined
    ? uniformCanvas(head, hair, { bands, white: (whitePercent ?? 0) / 100, recordedOn })
    : undefined
}
