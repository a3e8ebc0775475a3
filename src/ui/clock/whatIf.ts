import {
  activeVariant,
  lighteningLetters,
  type Canvas,
  type FaltoPlan,
  type Formula,
  type Limit,
  type Skill,
} from '@/core/model'
import { coverOf } from '@/core/placement/foils'
import { ROOM_CELSIUS } from '@/core/time/lightening'
import {
  ASSISTANT,
  helpersFor,
  withHelp,
  type ClockOptions,
  type FoilsOut,
  type Helper,
  type WorkingOrder,
} from '@/core/time/schedule'
import type { Comparison } from './useClock'

/** What a colourist tries out on the Clock page. */
export interface WhatIf {
  hands: Helper[]
  /** When the assistant can be had, min of the visit. */
  from: number
  to: number
  /** What is trusted to the assistant. */
  may: Skill[]
  celsius: number
  order: WorkingOrder
  foils: FoilsOut
  bowls: 'same' | 'weakerFirst'
}

/** Minutes of a visit that can be chosen. */
export const MINUTES: Limit = { min: 0, max: 600, unit: 'min' }

/** What is tried first: the plan by one pair of hands. */
export const NO_WHAT_IF: WhatIf = {
  hands: [],
  from: 0,
  to: 600,
  may: [...ASSISTANT.skills],
  celsius: ROOM_CELSIUS,
  order: 'planned',
  foils: 'chair',
  bowls: 'same',
}

/** The usual step down for a weaker first bowl, vol. Common practice. */
export const WEAKER_BY = 5

/** Formulas that lighten. */
export function lightenersOf(plan: FaltoPlan): Formula[] {
  const letters = lighteningLetters(plan)
  return plan.formulas.filter(({ id }) => letters.has(id))
}

/**
 * Whether some of a plan's work is not closed in foil and begins at the scalp, so that the order of lengths and scalp
 * may matter; its clock knows for sure.
 */
const lengthsMayLead = (plan: FaltoPlan): boolean =>
  activeVariant(plan).stages.some(({ zones }) =>
    zones.some(
      ({ placement }) => placement.sequence.length > 0 && coverOf(placement) !== 'foil' && placement.startCm === 0,
    ),
  )

/** Whether anything of a plan lies in foil. */
export const foilsIn = (plan: FaltoPlan): boolean =>
  activeVariant(plan).stages.some(({ zones }) =>
    zones.some(({ placement }) => placement.sequence.length > 0 && coverOf(placement) === 'foil'),
  )

/** First bowls a step weaker, in all formulas that lighten. */
export function weaken(plan: FaltoPlan): void {
  for (const formula of lightenersOf(plan)) formula.firstBowlVol = Math.max(WEAKER_BY, formula.developerVol - WEAKER_BY)
}

/** The plan as it would be mixed. */
export function planFor(plan: FaltoPlan, { bowls }: WhatIf): FaltoPlan {
  if (bowls === 'same') return plan
  const copy = structuredClone(plan)
  weaken(copy)
  return copy
}

/** Who works when and how, and in what room. */
export function optionsFor(
  { hands, from, to, may, celsius, order, foils }: WhatIf,
  canvas: Canvas | null,
): ClockOptions {
  return {
    crew: withHelp(helpersFor(hands, { from, may, ...(to < MINUTES.max && { to }) })),
    canvas: canvas ?? undefined,
    roomCelsius: celsius,
    order,
    foils,
  }
}

/** Each of the choices the other way, the rest as it is. */
export function comparisonsFor(plan: FaltoPlan, what: WhatIf, canvas: Canvas | null): Comparison[] {
  const other = (key: string, label: string, change: Partial<WhatIf>): Comparison => {
    const changed = { ...what, ...change }
    return { key, label, plan: planFor(plan, changed), options: optionsFor(changed, canvas) }
  }
  const toggled = (hand: Helper) =>
    what.hands.includes(hand) ? what.hands.filter((one) => one !== hand) : [...what.hands, hand]
  return [
    other('assistant', what.hands.includes('assistant') ? 'Without the assistant' : 'With an assistant', {
      hands: toggled('assistant'),
      from: 0,
      to: MINUTES.max,
    }),
    other('second', what.hands.includes('second') ? 'Without the second colourist' : 'With a second colourist', {
      hands: toggled('second'),
    }),
    other('order', what.order === 'planned' ? 'Zones the other way round' : 'Zones as planned', {
      order: what.order === 'planned' ? 'reversed' : 'planned',
    }),
    ...(what.order !== 'lengthsFirst' && lengthsMayLead(plan)
      ? [other('lengths', 'Lengths first, then the scalp', { order: 'lengthsFirst' })]
      : []),
    ...(foilsIn(plan)
      ? [
          other('foils', what.foils === 'chair' ? 'Foils off at the basin' : 'Foils out at the chair', {
            foils: what.foils === 'chair' ? 'basin' : 'chair',
          }),
        ]
      : []),
    ...(lightenersOf(plan).length > 0
      ? [
          other('bowls', what.bowls === 'same' ? 'First bowls weaker' : 'First bowls as planned', {
            bowls: what.bowls === 'same' ? 'weakerFirst' : 'same',
          }),
        ]
      : []),
  ]
}
