import { RAMP_WAYS, type Placement, type Ramp, type RampFigure, type RampWay, type Take } from '../../model'
import { saturationOf } from './take'

/** Where in a zone a figure is asked for. */
export interface RampPlace {
  /** Share of the way from the zone's lower to its upper edge. */
  height: number
  /** Turn of the row in working order, from 0. */
  turn: number
  /** Turn of the foil within its zone, from 0. */
  foil: number
  /** Share of the way along the row from its hairline end; 0 for what a whole row shares. */
  along: number
}

/** Ways a figure can change. How far rows lie apart is the same all along a row. */
export const rampWays = (figure: RampFigure): readonly RampWay[] =>
  figure === 'rowGapMm' || figure === 'subsectionMm' ? RAMP_WAYS.filter((way) => way !== 'alongRow') : RAMP_WAYS

/** Figures that a take holds; the others are the placement's. */
const OF_TAKE = ['stitchMm', 'stitchGapMm', 'bandCm', 'saturation'] as const satisfies readonly RampFigure[]
type TakeFigure = (typeof OF_TAKE)[number]
export const isTakeFigure = (figure: RampFigure): figure is TakeFigure => OF_TAKE.some((one) => one === figure)
type PlacementFigure = Exclude<RampFigure, TakeFigure>

/**
 * A placement's figure at a place: the asked one, or what its ramp makes of it, in the figure's own unit.
 * @param usual the figure where nothing is asked; where nothing is usual either, there is no ramp
 */
export function rampedFigure<Figure extends PlacementFigure>(
  placement: Placement,
  figure: Figure,
  place: RampPlace,
  usual: Placement[Figure] = undefined as Placement[Figure],
): Placement[Figure] {
  const asked = placement[figure] ?? usual
  const ramp = placement.ramps?.find((candidate) => candidate.figure === figure)
  return ramp && asked !== undefined ? (ramped(ramp, asked, place) as Placement[Figure]) : asked
}

/** A take at a place, with every ramp worked in. */
export function rampedTake({ ramps = [] }: Placement, take: Take, place: RampPlace): Take {
  const own = ramps.filter(({ figure }) => isTakeFigure(figure))
  if (own.length === 0) return take
  const changed = own.map((ramp) => {
    const figure = ramp.figure as TakeFigure
    const asked = figure === 'saturation' ? saturationOf(take) : take[figure]
    return [figure, ramped(ramp, asked, place)]
  })
  return { ...take, ...(Object.fromEntries(changed) as Partial<Take>) }
}

function ramped({ way, to, rows = 1 }: Ramp, asked: number, { height, turn, foil, along }: RampPlace): number {
  switch (way) {
    case 'upwards':
      return asked + (to - asked) * height
    case 'alongRow':
      return asked + (to - asked) * along
    case 'alternating':
      return foil % 2 === 1 ? to : asked
    case 'afterRows':
      return turn >= rows ? to : asked
  }
}
