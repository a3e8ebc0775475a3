import { bisect } from '../../numeric'
import type { HeadMeasures } from '../../model'
import {
  DEFAULT_CIRCUMFERENCE_CM,
  EAR_AZIMUTH,
  HAIRLINE_LANDMARKS,
  NAPE_POLAR_RANGE,
  REFERENCE_AXES,
  UP_AXIS_RANGE,
} from './constants'
import { radians } from '../../units'
import { createHairline, type Hairline } from './hairline'
import { metricAt, type Axes } from './surface'
import { meridianTables, type MeridianTable } from './tables'

/** A head ready to be measured on: its shape, its hairline and the tables behind the map. Immutable. */
export interface Head {
  measures: HeadMeasures
  axes: Axes
  hairline: Hairline
  /** ρ²/2 by (θ, ψ). */
  area: MeridianTable
  /** Arc length from the apex by (θ, ψ), cm. */
  arc: MeridianTable
}

/**
 * Thrown when tape measures cannot belong to one head. `field` names the measure, the message the range that would fit.
 */
export class HeadMeasureError extends Error {
  constructor(
    readonly field: keyof HeadMeasures,
    message: string,
  ) {
    super(message)
    this.name = 'HeadMeasureError'
  }
}

/**
 * Builds a head from tape measures. The circumference scales breadth, front and back; the ear-to-ear arc sets the
 * height of the head; the front-to-nape arc says how far down the nape hairline lies (or, without an ear-to-ear arc,
 * the height).
 * @throws HeadMeasureError when the measures contradict each other
 */
export function createHead(measures: HeadMeasures): Head {
  const scale = measures.circumferenceCm / horizontalCircumference(REFERENCE_AXES)
  const shape = (up: number): Axes => ({
    breadth: REFERENCE_AXES.breadth * scale,
    front: REFERENCE_AXES.front * scale,
    back: REFERENCE_AXES.back * scale,
    up,
    down: REFERENCE_AXES.down,
  })
  const standardNape = radians(HAIRLINE_LANDMARKS[HAIRLINE_LANDMARKS.length - 1]!.thetaDeg)
  const { earToEarCm, frontToNapeCm } = measures
  const frontShift = (axes: Axes) => {
    const theta = radians(HAIRLINE_LANDMARKS[0]!.thetaDeg)
    return -(measures.frontHairlineOffsetCm ?? 0) / metricAt(axes, theta, 0).polar
  }
  const hairlineOn = (axes: Axes, nape: number) => createHairline(frontShift(axes), nape)

  let up: number = REFERENCE_AXES.up
  let nape = standardNape
  if (earToEarCm !== undefined) {
    up = solveMeasure('earToEarCm', earToEarCm, UP_AXIS_RANGE, (candidate) => {
      const axes = shape(candidate)
      return earToEarArc(axes, hairlineOn(axes, standardNape))
    })
    if (frontToNapeCm !== undefined) {
      const axes = shape(up)
      nape = solveMeasure('frontToNapeCm', frontToNapeCm, NAPE_POLAR_RANGE, (candidate) =>
        frontToNapeArc(axes, hairlineOn(axes, candidate)),
      )
    }
  } else if (frontToNapeCm !== undefined) {
    up = solveMeasure('frontToNapeCm', frontToNapeCm, UP_AXIS_RANGE, (candidate) => {
      const axes = shape(candidate)
      return frontToNapeArc(axes, hairlineOn(axes, standardNape))
    })
  }
  const axes = shape(up)
  return { measures, axes, hairline: hairlineOn(axes, nape), ...meridianTables(axes) }
}

/** The head assumed where nothing was measured. */
export const defaultMeasures = (): HeadMeasures => ({ circumferenceCm: DEFAULT_CIRCUMFERENCE_CM })

/**
 * Around the head at ear height, cm: two half-ellipses, by the trapezoid rule, which converges fast on closed curves.
 */
export function horizontalCircumference(axes: Axes): number {
  const steps = 720
  let sum = 0
  for (let i = 0; i < steps; i++) sum += metricAt(axes, Math.PI / 2, (2 * Math.PI * i) / steps).azimuthal
  return (sum * 2 * Math.PI) / steps
}

/** Front hairline over the crown to the nape hairline, cm. */
export const frontToNapeArc = (axes: Axes, hairline: Hairline): number =>
  meridianLength(axes, 0, hairline(0)) + meridianLength(axes, Math.PI, hairline(Math.PI))

/** Hairline to hairline over the top of the head above the ears, cm. */
export const earToEarArc = (axes: Axes, hairline: Hairline): number =>
  2 * meridianLength(axes, EAR_AZIMUTH, hairline(EAR_AZIMUTH))

/** Arc length along one meridian from the apex to θ by Simpson's rule, cm. */
function meridianLength(axes: Axes, psi: number, theta: number): number {
  const steps = 120
  let sum = 0
  for (let i = 0; i <= steps; i++) {
    const weight = i === 0 || i === steps ? 1 : i % 2 === 1 ? 4 : 2
    sum += weight * metricAt(axes, (theta * i) / steps, psi).polar
  }
  return (sum * theta) / steps / 3
}

/** Finds the parameter at which a growing `arc` equals the tape, or says which tape readings would fit. */
function solveMeasure(
  field: 'earToEarCm' | 'frontToNapeCm',
  tape: number,
  range: { min: number; max: number },
  arc: (parameter: number) => number,
): number {
  const shortest = arc(range.min)
  const longest = arc(range.max)
  if (tape < shortest || tape > longest) {
    throw new HeadMeasureError(
      field,
      `${tape} cm does not fit the other measures of this head: it should lie between ${shortest.toFixed(1)} and ${longest.toFixed(1)} cm. Measure again or leave it out.`,
    )
  }
  return bisect((parameter) => arc(parameter) - tape, range.min, range.max)
}
