import {
  activeVariant,
  COUNTS,
  freeLetter,
  inOneRinse,
  lighteningLetters,
  placementLetters,
  USUAL_ROOT_CM,
  type FaltoPlan,
  type Formula,
  type More,
  type MorePlace,
  type Stage,
} from '../../model'
import { stageFromDesign, type StageDesign } from './design'
import { glossAll, glossWhere, shadow } from './parts'

/** Thrown for what cannot be added; the message says why. */
export class CannotAddError extends Error {
  override name = 'CannotAddError'
}

/**
 * A stage and its formula under a letter of its own, to come after what is rinsed with the stages that are begun.
 * @throws CannotAddError
 */
export function stageFor(
  plan: FaltoPlan,
  { place, like, level, tone, bandCm = USUAL_ROOT_CM, minutes }: More,
  begun: ReadonlySet<string>,
  newId: () => string,
): { stage: Stage; at: number; formula: Formula } {
  const model = plan.formulas.find(({ id }) => id === like)
  const lighteners = lighteningLetters(plan)
  if (!model) throw new CannotAddError(`This visit has no formula ${like}.`)
  if (lighteners.has(like))
    throw new CannotAddError('Lightener is planned on the Map page, with its cautions. Choose a colour or a care.')
  const { stages } = activeVariant(plan)
  const lightening = stages.findIndex(({ zones }) =>
    zones.some(({ placement }) => placementLetters(placement).some((id) => lighteners.has(id))),
  )
  if (place === 'lightened' && lightening < 0) throw new CannotAddError('Nothing is lightened in this visit.')
  const letter = freeLetter(plan.formulas)
  if (!letter) throw new CannotAddError('This visit has no letter left for another formula.')
  if (stages.length >= COUNTS.stages) throw new CannotAddError('This visit has as many stages as a plan can hold.')
  const formula = { ...own(model, { level, tone }), id: letter }
  const DESIGNS: Record<MorePlace, () => StageDesign> = {
    everything: () => glossAll(formula.id),
    root: () => shadow(formula.id, bandCm),
    lightened: () => glossWhere(formula.id, lightening),
  }
  const design = { ...DESIGNS[place](), ...(minutes !== undefined && { lasts: { minutes } }) }
  const stage = stageFromDesign(design, stages, { head: plan.head, hair: plan.hair, newId })
  return { stage, at: placeAfter(stages, begun), formula }
}

/** A formula mixed like another; shades that gave another level or tone are chosen anew on the bowl. */
function own(model: Formula, { level, tone }: Pick<More, 'level' | 'tone'>): Formula {
  const { shades, bowls: _bowls, ...bare } = model
  const differs = (level !== undefined && level !== model.level) || (tone !== undefined && tone !== model.tone)
  return {
    ...bare,
    ...(level !== undefined && { level }),
    ...(tone !== undefined && { tone }),
    ...(!differs && shades && { shades }),
  }
}

/** After all that comes off together with the last stage that is begun. */
function placeAfter(stages: readonly Stage[], begun: ReadonlySet<string>): number {
  const groups = inOneRinse(stages).map((group) => ({
    isBegun: group.some(({ id }) => begun.has(id)),
    end: Math.max(...group.map((stage) => stages.indexOf(stage))) + 1,
  }))
  return Math.max(0, ...groups.filter(({ isBegun }) => isBegun).map(({ end }) => end))
}
