import { haircutParting } from '../../hair/fibre'
import { layoutFor, mirrorRole } from '../../placement/layout'
import { byId } from '../../model'
import type {
  Begins,
  Cut,
  FaltoPlan,
  Formula,
  HairState,
  LayoutParameters,
  LayoutTemplate,
  Lasts,
  Method,
  Placement,
  Stage,
  StageKind,
  Take,
} from '../../model'
import { defaultPlacement, isDiagonal, TAKE_PRESETS, type TakePresetId } from '../../placement/foils'
import { planOf, startingFormulas, type Person } from './newPlan'

/** What is set for a zone, over the default and a preset. */
export type Change = Partial<Omit<Placement, 'take'>> & { preset?: TakePresetId; take?: Partial<Take> }

export interface StageDesign {
  kind: StageKind
  name: string
  template: LayoutTemplate
  parameters?: Partial<LayoutParameters>
  /** By role of the section; `*` for every one that is not named. Roles without either are left alone. */
  zones: Record<string, Change>
  /** Roles in the order of application; the template's order where it is left out. */
  order?: string[]
  /** Which earlier stage (by its turn, from 0) leaves the hair this one works on. */
  worksOn?: { kind: 'took' | 'dropped'; stage: number }
  /** Relations to earlier stages, by their turn. */
  begins?: Omit<Begins, 'stageId'> & { stage: number }
  comesOff?: { kind: 'together'; stage: number } | { kind: 'stays' }
  lasts?: Lasts
  method?: Method
  cut?: Cut
}

/** A service as shared parts and parameters; it becomes a plan for somebody's head and hair. */
export interface Design {
  name: string
  /** Letters follow the order; what is left out is as a new plan has it. */
  formulas: Partial<Formula>[]
  stages: StageDesign[]
}

/** A preset's take. */
export const takeOf = (preset: TakePresetId): Take => ({ ...byId(TAKE_PRESETS, preset).take })

/** Default placement with a preset's take and subsection, and changes of its own. */
export function placed({ preset, take, ...change }: Change): Placement {
  const chosen = TAKE_PRESETS.find(({ id }) => id === preset)
  const base = defaultPlacement()
  return {
    ...base,
    ...(chosen && { subsectionMm: chosen.subsectionMm }),
    ...change,
    take: { ...base.take, ...chosen?.take, ...take },
  }
}

/** Slanting partings fall as the haircut does, where it has a slope. */
function echoing(placement: Placement, hair: HairState): Placement {
  return isDiagonal(placement.direction) ? { ...placement, ...haircutParting(hair) } : placement
}

const LEFT_ALONE: Change = { sequence: [] }

/** The plan that a design makes for somebody. */
export function planFromDesign({ name, formulas, stages }: Design, person: Person): FaltoPlan {
  const usual = startingFormulas(person.hair)
  const made: Stage[] = []
  for (const stage of stages) made.push(stageFromDesign(stage, made, person))
  return planOf(
    name,
    person,
    formulas.map((formula, i): Formula => ({
      ...(usual[i] ?? usual[0]!),
      ...formula,
      id: String.fromCharCode(65 + i),
    })),
    made,
  )
}

export function stageFromDesign(
  { kind, name, template, parameters, zones: wanted, order: usual, ...relations }: StageDesign,
  before: readonly Stage[],
  { hair, newId }: Person,
): Stage {
  const { layout, sections } = layoutFor(template, hair, parameters)
  // The side with less hair goes first: it is the one the part lies on (common practice).
  const order = hair.part === 'right' ? usual?.map(mirrorRole) : usual
  const zones = sections.map((section) => ({
    id: newId(),
    ...section,
    placement: echoing(placed(wanted[section.role] ?? wanted['*'] ?? LEFT_ALONE), hair),
  }))
  const rank = (role: string) =>
    order?.includes(role)
      ? order.indexOf(role)
      : (order?.length ?? 0) + sections.findIndex((section) => section.role === role)
  return {
    id: newId(),
    kind,
    name,
    ...related(relations, before),
    layout,
    zones,
    order: [...zones].sort((one, other) => rank(one.role) - rank(other.role)).map(({ id }) => id),
  }
}

/** Relations of a stage, with the ids that the stages before it got. */
function related(
  {
    worksOn,
    begins,
    comesOff,
    ...own
  }: Pick<StageDesign, 'worksOn' | 'begins' | 'comesOff' | 'lasts' | 'method' | 'cut'>,
  before: readonly Stage[],
): Partial<Stage> {
  const named = <T extends { stage: number }>({ stage, ...rest }: T) => ({ ...rest, stageId: before[stage]!.id })
  return {
    ...own,
    ...(worksOn && { worksOn: named(worksOn) }),
    ...(begins && { begins: named(begins) }),
    ...(comesOff && { comesOff: comesOff.kind === 'together' ? named(comesOff) : comesOff }),
  }
}
