import type { Placement } from '../../model'
import { cmFromMm } from '../../units'
import { crossedTriangles, traceContour, type VertexHair } from './contour'
import { areaBetween, distanceAt, rowLevel, type PartingField } from './field'
import { polylineLength, SPACE, type Polyline } from './polyline'
import { rampedFigure } from './ramps'
import { MOST_ROWS } from './constants'

/**
 * One row of a zone: a strip of scalp one pitch wide, and the parting that stands for it, in as many pieces as the
 * zone's shape asks for.
 */
export interface Row {
  /** Counted from the lower end of the field, from 0. */
  index: number
  pieces: Polyline[]
  /** Length of the parting, all pieces together, cm. */
  lineLength: number
  /** Scalp in the strip, cm². */
  area: number
  /** Width of the strip across the parting as laid, cm. */
  pitch: number
  /** Thickness of the subsection, cm. */
  thickness: number
  /** Where nothing is left between rows: mean distance from the parting to the strip's upper and lower edge, cm. */
  edges: { above: number; below: number } | undefined
  /** Middle of the strip, as a share of the way from the zone's lower to its upper edge. */
  height: number
}

/**
 * Lays rows into a field. The asked pitch (subsection + gap, each as its ramp says at that height) is stretched or
 * squeezed so that a whole number of rows fills the zone; the gap takes up the difference, and with no gap the
 * subsections do.
 */
export function layRows(field: PartingField, placement: Placement, hair: VertexHair): Row[] {
  const asked = askedPitches(field.extent, placement)
  const fit = field.extent / asked.reduce((sum, { pitch }) => sum + pitch, 0)
  let laid = 0
  const strips = asked.map(({ pitch: wanted, subsection, gap }, index) => {
    const pitch = wanted * fit
    const from = laid
    laid = index === asked.length - 1 ? field.extent : from + pitch
    return { pitch, subsection, gap, from, to: laid, level: rowLevel(field, from, laid) }
  })
  const crossed = crossedTriangles(
    field,
    strips.map(({ level }) => level),
  )
  return strips.map(({ pitch, subsection, gap, from, to, level }, index) => {
    const pieces = traceContour(field, level, crossed[index]!, hair).sort(
      (one, other) => startKey(one) - startKey(other),
    )
    return {
      index,
      pieces,
      lineLength: pieces.reduce((sum, piece) => sum + polylineLength(piece), 0),
      area: areaBetween(field, from, to),
      pitch,
      thickness: gap === 0 ? pitch : Math.min(subsection, pitch),
      edges: gap === 0 ? edgesOf(distanceAt(field, level), from, to) : undefined,
      height: (from + to) / 2 / field.extent,
    }
  })
}

const edgesOf = (at: number, from: number, to: number): Row['edges'] => ({ above: to - at, below: at - from })

/** Asked pitches from the lower edge up: as many as come nearest to filling the zone. */
function askedPitches(extent: number, placement: Placement): { pitch: number; subsection: number; gap: number }[] {
  if (placement.onePanel) return [{ pitch: extent, subsection: extent, gap: 0 }]
  const pitches: { pitch: number; subsection: number; gap: number }[] = []
  let filled = 0
  while (pitches.length < MOST_ROWS) {
    const place = { height: Math.min(1, filled / extent), turn: pitches.length, foil: pitches.length, along: 0 }
    const subsection = cmFromMm(rampedFigure(placement, 'subsectionMm', place))
    const gap = cmFromMm(rampedFigure(placement, 'rowGapMm', place))
    const pitch = subsection + gap
    // One more row is laid if that comes nearer to the zone's extent than leaving it out.
    if (pitches.length > 0 && filled + pitch / 2 > extent + 1e-9) break
    pitches.push({ pitch, subsection, gap })
    filled += pitch
  }
  return pitches
}

const startKey = (line: Polyline): number => Math.abs(line[SPACE]!) * 1000 + line[SPACE + 2]!
