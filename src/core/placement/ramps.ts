import type { Placement, Ramp, RampFigure } from '../model'

/** Where in a zone a figure is asked for. */
export interface RampPlace {
  /** Share of the way from the zone's lower to its upper edge. */
  height: number
  /** Turn of the row in working order, from 0. */
  turn: number
  /** Turn of the foil within its zone, from 0. */
  foil: number
}

const askedFor = ({ take, ...placement }: Placement, figure: RampFigure): number => (figure === 'stitchMm' || figure === 'stitchGapMm' ? take[figure] : placement[figure])

/** A figure at a place: the asked one, or what its ramp makes of it. In the figure's own unit. */
export function rampedFigure(placement: Placement, figure: RampFigure, place: RampPlace): number {
  const asked = askedFor(placement, figure)
  const ramp = placement.ramps?.find((candidate) => candidate.figure === figure)
  return ramp ? along(ramp, asked, place) : asked
}

function along({ way, to, rows = 1 }: Ramp, asked: number, { height, turn, foil }: RampPlace): number {
  switch (way) {
    case 'upwards':
      return asked + (to - asked) * height
    case 'alternating':
      return foil % 2 === 1 ? to : asked
    case 'afterRows':
      return turn >= rows ? to : asked
  }
}
