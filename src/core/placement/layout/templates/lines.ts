import { bisect } from '../../../numeric'
import {
  createHead,
  CROWN_POLAR_ANGLE,
  defaultMeasures,
  EAR_AZIMUTH,
  placeFromDirection,
  readTable,
  surfacePoint,
  type Head,
} from '../../../scalp/head'
import { cmFromMm, radians } from '../../../units'
import { diskFromPlace, type DiskPoint } from '../disk'
import { LINE_STEPS, LINE_OVERSHOOT, NAPE_LINE } from '../constants'

/** A direction from the head's centre. */
export interface Direction {
  theta: number
  psi: number
}

let cachedReference: Head | undefined
/** Templates are laid out on this head and stored head-free. */
export const referenceHead = (): Head => (cachedReference ??= createHead(defaultMeasures()))

export const CROWN: Direction = { theta: CROWN_POLAR_ANGLE, psi: Math.PI }
export const onHairline = (psi: number): Direction => ({ theta: referenceHead().hairline(psi), psi })
export const EAR = (): Direction => onHairline(EAR_AZIMUTH)
export const mirrorOf = ({ theta, psi }: Direction): Direction => ({ theta, psi: -psi })

export const toDisk = ({ theta, psi }: Direction): DiskPoint =>
  diskFromPlace(placeFromDirection(referenceHead(), theta, psi))

const unit = ({ theta, psi }: Direction) => ({
  x: Math.sin(theta) * Math.sin(psi),
  y: Math.sin(theta) * Math.cos(psi),
  z: Math.cos(theta),
})
const directionOf = ({ x, y, z }: { x: number; y: number; z: number }): Direction => ({
  theta: Math.atan2(Math.hypot(x, y), z),
  psi: Math.atan2(x, y),
})

/**
 * A straight parting: the cut of the plane through two places and the head's centre.
 * @param beyond how far past its ends it runs, as a share
 */
function greatArc(from: Direction, to: Direction, beyond: { before: number; after: number }): Direction[] {
  const a = unit(from)
  const b = unit(to)
  const angle = Math.acos(Math.min(1, Math.max(-1, a.x * b.x + a.y * b.y + a.z * b.z)))
  const stops = [
    ...(beyond.before > 0 ? [-beyond.before] : []),
    ...Array.from({ length: LINE_STEPS + 1 }, (_, i) => i / LINE_STEPS),
    ...(beyond.after > 0 ? [1 + beyond.after] : []),
  ]
  return stops.map((t) => {
    const p = Math.sin((1 - t) * angle) / Math.sin(angle)
    const q = Math.sin(t * angle) / Math.sin(angle)
    return directionOf({ x: p * a.x + q * b.x, y: p * a.y + q * b.y, z: p * a.z + q * b.z })
  })
}

/** A parting through several places, straight between them, a little longer at both ends. */
export function parting(...places: Direction[]): DiskPoint[] {
  return places.slice(1).flatMap((to, i) => {
    const first = i === 0
    const last = i === places.length - 2
    const arc = greatArc(places[i]!, to, { before: first ? LINE_OVERSHOOT : 0, after: last ? LINE_OVERSHOOT : 0 })
    return (first ? arc : arc.slice(1)).map(toDisk)
  })
}

/** A parting that begins a little before one place and ends right in another. */
export const radius = (from: Direction, to: Direction): DiskPoint[] =>
  greatArc(from, to, { before: LINE_OVERSHOOT, after: 0 }).map(toDisk)

/** A place barely below the nape section's parting, so that a line to it crosses the parting and not the nape. */
export function justBelowNapeLine(psi: number): Direction {
  const a = unit(onHairline(psi > Math.PI ? -NAPE_LINE.hairlinePsi : NAPE_LINE.hairlinePsi))
  const b = unit({ theta: NAPE_LINE.middleTheta, psi: Math.PI })
  const normal = { x: a.y * b.z - a.z * b.y, y: a.z * b.x - a.x * b.z, z: a.x * b.y - a.y * b.x }
  const theta = Math.atan2(-normal.z, normal.x * Math.sin(psi) + normal.y * Math.cos(psi))
  return { theta: (theta < 0 ? theta + Math.PI : theta) + radians(0.6), psi }
}

/**
 * The cut of an upright plane `x` cm from the middle (towards the client's left), between two angles about the
 * ear-to-ear axis (0 straight up, + to the face).
 */
export function sagittal(x: number, fromDeg: number, toDeg: number): DiskPoint[] {
  const { axes } = referenceHead()
  return Array.from({ length: 2 * LINE_STEPS + 1 }, (_, i) => {
    const tilt = radians(fromDeg + ((toDeg - fromDeg) * i) / (2 * LINE_STEPS))
    const at = (lean: number): Direction =>
      directionOf({ x: Math.sin(lean), y: Math.cos(lean) * Math.sin(tilt), z: Math.cos(lean) * Math.cos(tilt) })
    const { theta, psi } = at(bisect((lean) => surfacePoint(axes, at(lean).theta, at(lean).psi).x - x, -1.4, 1.4))
    return toDisk({ theta, psi })
  })
}

/**
 * A circle on the head about a direction, by its true radius along the surface; closed by its first point.
 * @param turns part of a turn from the face over the left
 */
export function circle(centre: Direction, radiusCm: number, fromTurn = 0, toTurn = 1): DiskPoint[] {
  const { axes } = referenceHead()
  const c = unit(centre)
  // Two directions at right angles to the centre: towards the face, and towards the client's left.
  const forward = { x: 0, y: c.z, z: -c.y }
  const size = Math.hypot(forward.y, forward.z)
  const { theta, psi } = centre
  const here = surfacePoint(axes, theta, psi)
  const angle = radiusCm / Math.hypot(here.x, here.y, here.z)
  const count = Math.max(8, Math.round(6 * LINE_STEPS * (toTurn - fromTurn)))
  return Array.from({ length: count + 1 }, (_, i) => {
    const turn = 2 * Math.PI * (fromTurn + ((toTurn - fromTurn) * i) / count)
    const f = Math.cos(turn) * Math.sin(angle)
    const l = Math.sin(turn) * Math.sin(angle)
    return toDisk(
      directionOf({
        x: c.x * Math.cos(angle) + l,
        y: c.y * Math.cos(angle) + (f * forward.y) / size,
        z: c.z * Math.cos(angle) + (f * forward.z) / size,
      }),
    )
  })
}

/** The line that keeps a true distance to the hairline between two azimuths, run out to the hairline at both ends. */
export function insideHairline(distanceCm: number, fromDeg: number, toDeg: number): DiskPoint[] {
  const head = referenceHead()
  const count = Math.max(8, Math.round(Math.abs(toDeg - fromDeg) / 3))
  const at = (psi: number): Direction => {
    const rim = head.hairline(psi)
    const wanted = readTable(head.arc, rim, psi) - distanceCm
    return { theta: bisect((theta) => readTable(head.arc, theta, psi) - wanted, 0.01, rim), psi }
  }
  const line = Array.from({ length: count + 1 }, (_, i) =>
    toDisk(at(radians(fromDeg + ((toDeg - fromDeg) * i) / count))),
  )
  return [beyondRim(fromDeg), ...line, beyondRim(toDeg)]
}

const beyondRim = (psiDeg: number): DiskPoint => diskFromPlace({ psi: radians(psiDeg), s: 1.04 })

/** Draws a line to and fro about itself. @param amplitudeMm to each side */
export function zigzag(line: readonly DiskPoint[], amplitudeMm: number): DiskPoint[] {
  if (amplitudeMm <= 0) return [...line]
  // About 15 cm from the apex to the hairline; the teeth are as long as the amplitude is wide, twice.
  const amplitude = cmFromMm(amplitudeMm) / 15
  const spaced = resampled(line, 4 * amplitude)
  return spaced.map((point, i) => {
    // Both ends run straight, so that no tooth lies across the edge they end in.
    if (i < 4 || i > spaced.length - 5) return point
    const before = spaced[i - 1]!
    const after = spaced[i + 1]!
    const length = Math.hypot(after.x - before.x, after.y - before.y)
    const side = i % 2 === 0 ? amplitude : -amplitude
    return { x: point.x - (side * (after.y - before.y)) / length, y: point.y + (side * (after.x - before.x)) / length }
  })
}

function resampled(line: readonly DiskPoint[], step: number): DiskPoint[] {
  const lengths = line.slice(1).map((point, i) => Math.hypot(point.x - line[i]!.x, point.y - line[i]!.y))
  const total = lengths.reduce((sum, one) => sum + one, 0)
  const count = Math.max(4, Math.min(56, Math.round(total / step)))
  return Array.from({ length: count + 1 }, (_, i) => {
    let left = (total * i) / count
    let k = 0
    while (k < lengths.length - 1 && left > lengths[k]!) left -= lengths[k++]!
    const t = Math.min(1, left / lengths[k]!)
    return { x: line[k]!.x + t * (line[k + 1]!.x - line[k]!.x), y: line[k]!.y + t * (line[k + 1]!.y - line[k]!.y) }
  })
}
