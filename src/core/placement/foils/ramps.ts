import { RAMP_WAYS, type Placement, type Ramp, type RampFigure, type RampWay } from '../../model'

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

const askedFor = (placement: Placement, figure: RampFigure): number =>
  figure === 'stitchMm' || figure === 'stitchGapMm' ? placement.take[figure] : placement[figure]

/** A figure at a place: the asked one, or what its ramp makes of it. In the figure's own unit. */
export function rampedFigure(placement: Placement, figure: RampFigure, place: RampPlace): number {
  const asked = askedFor(placement, figure)
  const ramp = placement.ramps?.find((candidate) => candidate.figure === figure)
  return ramp ? ramped(ramp, asked, place) : asked
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
