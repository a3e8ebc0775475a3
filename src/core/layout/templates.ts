import {
  createHead,
  CROWN_POLAR_ANGLE,
  defaultMeasures,
  EAR_AZIMUTH,
  placeFromDirection,
  surfacePoint,
  type Head,
} from '../head'
import type {
  BoundaryStep,
  Layout,
  LayoutEdge,
  LayoutParameters,
  LayoutTemplate,
  LayoutVertex,
  Point3,
  StoredPlace,
} from '../model'
import { degrees, radians } from '../units'

/** One section of a template before it becomes a zone. */
export interface Section {
  role: string
  name: string
  boundary: BoundaryStep[]
}

/** Thrown when template parameters cannot be laid out. `field` names the parameter. */
export class LayoutParameterError extends Error {
  constructor(
    readonly field: keyof LayoutParameters,
    message: string,
  ) {
    super(message)
    this.name = 'LayoutParameterError'
  }
}

/** Where the nape section's parting leaves the hairline and crosses the middle: under the occipital bone. Our estimate. */
const NAPE_LINE = { hairlinePsi: radians(118), middleTheta: radians(106) }
/** A top strip whose edge lies further out than this from the middle would run over the temple, cm. Our estimate. */
const STRIP_REACH_CM = 5.5
/** Places stored along one parting. */
const PARTING_STEPS = 12

export const defaultLayoutParameters = (): LayoutParameters => ({
  separateNape: false,
  stripWidthCm: 6,
  partOffsetCm: 0,
})

interface Direction {
  theta: number
  psi: number
}

/**
 * Lays a template out on the reference head and returns it in head-free places.
 * @throws LayoutParameterError
 */
export function createLayout(
  template: LayoutTemplate,
  parameters: LayoutParameters,
): { layout: Layout; sections: Section[] } {
  const head = referenceHead()
  switch (template) {
    case 'fourQuadrants':
      return fourQuadrants(head, parameters)
    case 'topStrip':
      return topStrip(head, parameters)
  }
}

let cachedReference: Head | undefined
const referenceHead = (): Head => (cachedReference ??= createHead(defaultMeasures()))

function fourQuadrants(head: Head, parameters: LayoutParameters) {
  const draft = createDraft(head)
  const ear = onHairline(head, EAR_AZIMUTH)
  const face = onHairline(head, 0)
  const nape = onHairline(head, Math.PI)
  draft.vertex('face', face)
  draft.vertex('crown', CROWN)
  draft.vertex('leftEar', ear)
  draft.vertex('rightEar', mirror(ear))
  draft.hairline('faceToLeftEar', 'face', 'leftEar')
  draft.hairline('rightEarToFace', 'rightEar', 'face')
  draft.parting('frontMiddle', 'face', 'crown', arc(face, CROWN))
  draft.parting('crownToLeftEar', 'crown', 'leftEar', arc(CROWN, ear))
  draft.parting('crownToRightEar', 'crown', 'rightEar', arc(CROWN, mirror(ear)))

  const frontLeft = section('frontLeft', 'Front left', 'faceToLeftEar', '-crownToLeftEar', '-frontMiddle')
  const frontRight = section('frontRight', 'Front right', 'rightEarToFace', 'frontMiddle', 'crownToRightEar')
  if (!parameters.separateNape) {
    draft.vertex('nape', nape)
    draft.hairline('leftEarToNape', 'leftEar', 'nape')
    draft.hairline('napeToRightEar', 'nape', 'rightEar')
    draft.parting('backMiddle', 'crown', 'nape', arc(CROWN, nape))
    return {
      layout: draft.layout('fourQuadrants', parameters),
      sections: [
        section('backLeft', 'Back left', 'leftEarToNape', '-backMiddle', 'crownToLeftEar'),
        section('backRight', 'Back right', 'napeToRightEar', '-crownToRightEar', 'backMiddle'),
        frontLeft,
        frontRight,
      ],
    }
  }
  const corner = onHairline(head, NAPE_LINE.hairlinePsi)
  const middle: Direction = { theta: NAPE_LINE.middleTheta, psi: Math.PI }
  draft.vertex('napeMiddle', middle)
  draft.vertex('leftNapeCorner', corner)
  draft.vertex('rightNapeCorner', mirror(corner))
  draft.hairline('leftEarToNapeCorner', 'leftEar', 'leftNapeCorner')
  draft.hairline('napeHairline', 'leftNapeCorner', 'rightNapeCorner')
  draft.hairline('rightNapeCornerToEar', 'rightNapeCorner', 'rightEar')
  draft.parting('backMiddle', 'crown', 'napeMiddle', arc(CROWN, middle))
  draft.parting('napeLineLeft', 'leftNapeCorner', 'napeMiddle', arc(corner, middle))
  draft.parting('napeLineRight', 'napeMiddle', 'rightNapeCorner', arc(middle, mirror(corner)))
  return {
    layout: draft.layout('fourQuadrants', parameters),
    sections: [
      section('nape', 'Nape', 'napeHairline', '-napeLineRight', '-napeLineLeft'),
      section('backLeft', 'Back left', 'leftEarToNapeCorner', 'napeLineLeft', '-backMiddle', 'crownToLeftEar'),
      section('backRight', 'Back right', 'rightNapeCornerToEar', '-crownToRightEar', 'backMiddle', 'napeLineRight'),
      frontLeft,
      frontRight,
    ],
  }
}

function topStrip(head: Head, parameters: LayoutParameters) {
  const half = parameters.stripWidthCm / 2
  const leftX = parameters.partOffsetCm + half
  const rightX = parameters.partOffsetCm - half
  const reach = Math.max(Math.abs(leftX), Math.abs(rightX))
  if (reach > STRIP_REACH_CM) {
    throw new LayoutParameterError(
      'stripWidthCm',
      `The strip would reach ${reach.toFixed(1)} cm from the middle, over the temple: keep half the width plus the part's offset within ${STRIP_REACH_CM} cm.`,
    )
  }
  const ear = onHairline(head, EAR_AZIMUTH)
  const corner = onHairline(head, NAPE_LINE.hairlinePsi)
  const earToEar = [...arc(ear, CROWN), ...arc(CROWN, mirror(ear)).slice(1)]
  const frontAt = (x: number) => onHairline(head, solve((psi) => pointOf(head, onHairline(head, psi)).x - x, -1.3, 1.3))
  const rearAt = (x: number) => {
    // x falls along the ear-to-ear parting, from the left ear to the right one
    const position = solve((u) => x - pointOf(head, along(earToEar, u)).x, 0, earToEar.length - 1)
    return { position, direction: along(earToEar, position) }
  }
  const frontLeft = frontAt(leftX)
  const frontRight = frontAt(rightX)
  const rearLeft = rearAt(leftX)
  const rearRight = rearAt(rightX)
  const middle: Direction = { theta: NAPE_LINE.middleTheta, psi: Math.PI }

  const draft = createDraft(head)
  draft.vertex('stripFrontLeft', frontLeft)
  draft.vertex('stripFrontRight', frontRight)
  draft.vertex('stripRearLeft', rearLeft.direction)
  draft.vertex('stripRearRight', rearRight.direction)
  draft.vertex('leftEar', ear)
  draft.vertex('rightEar', mirror(ear))
  draft.vertex('leftNapeCorner', corner)
  draft.vertex('rightNapeCorner', mirror(corner))
  draft.hairline('stripHairline', 'stripFrontRight', 'stripFrontLeft')
  draft.hairline('stripToLeftEar', 'stripFrontLeft', 'leftEar')
  draft.hairline('leftEarToNapeCorner', 'leftEar', 'leftNapeCorner')
  draft.hairline('napeHairline', 'leftNapeCorner', 'rightNapeCorner')
  draft.hairline('rightNapeCornerToEar', 'rightNapeCorner', 'rightEar')
  draft.hairline('rightEarToStrip', 'rightEar', 'stripFrontRight')
  draft.parting('stripLeft', 'stripFrontLeft', 'stripRearLeft', arc(frontLeft, rearLeft.direction))
  draft.parting('stripRight', 'stripFrontRight', 'stripRearRight', arc(frontRight, rearRight.direction))
  draft.parting('leftEarToStrip', 'leftEar', 'stripRearLeft', stretch(earToEar, 0, rearLeft.position))
  draft.parting('stripRear', 'stripRearLeft', 'stripRearRight', stretch(earToEar, rearLeft.position, rearRight.position))
  draft.parting('stripToRightEar', 'stripRearRight', 'rightEar', stretch(earToEar, rearRight.position, earToEar.length - 1))
  draft.parting('napeLine', 'leftNapeCorner', 'rightNapeCorner', [...arc(corner, middle), ...arc(middle, mirror(corner)).slice(1)])
  return {
    layout: draft.layout('topStrip', parameters),
    sections: [
      section('nape', 'Nape', 'napeHairline', '-napeLine'),
      section('back', 'Back', 'leftEarToNapeCorner', 'napeLine', 'rightNapeCornerToEar', '-stripToRightEar', '-stripRear', '-leftEarToStrip'),
      section('leftSide', 'Left side', 'stripToLeftEar', 'leftEarToStrip', '-stripLeft'),
      section('rightSide', 'Right side', 'rightEarToStrip', 'stripRight', 'stripToRightEar'),
      section('top', 'Top strip', 'stripHairline', 'stripLeft', 'stripRear', '-stripRight'),
    ],
  }
}

const CROWN: Direction = { theta: CROWN_POLAR_ANGLE, psi: Math.PI }

const onHairline = (head: Head, psi: number): Direction => ({ theta: head.hairline(psi), psi })
const mirror = ({ theta, psi }: Direction): Direction => ({ theta, psi: -psi })
const pointOf = (head: Head, { theta, psi }: Direction): Point3 => surfacePoint(head.axes, theta, psi)

/** `-name` walks an edge backwards. */
const section = (role: string, name: string, ...walk: string[]): Section => ({
  role,
  name,
  boundary: walk.map((step) => ({ edge: step.replace('-', ''), reversed: step.startsWith('-') })),
})

/** A straight parting between two places: the cut of the plane through both and the head's centre. */
function arc(from: Direction, to: Direction): Direction[] {
  const a = unit(from)
  const b = unit(to)
  const angle = Math.acos(Math.min(1, Math.max(-1, a.x * b.x + a.y * b.y + a.z * b.z)))
  return Array.from({ length: PARTING_STEPS + 1 }, (_, i) => {
    const t = i / PARTING_STEPS
    const p = Math.sin((1 - t) * angle) / Math.sin(angle)
    const q = Math.sin(t * angle) / Math.sin(angle)
    return direction({ x: p * a.x + q * b.x, y: p * a.y + q * b.y, z: p * a.z + q * b.z })
  })
}

const unit = ({ theta, psi }: Direction): Point3 => ({
  x: Math.sin(theta) * Math.sin(psi),
  y: Math.sin(theta) * Math.cos(psi),
  z: Math.cos(theta),
})

const direction = ({ x, y, z }: Point3): Direction => ({ theta: Math.atan2(Math.hypot(x, y), z), psi: Math.atan2(x, y) })

/** Direction at a fractional position of a polyline of directions. */
function along(line: Direction[], position: number): Direction {
  const i = Math.min(Math.floor(position), line.length - 2)
  const a = unit(line[i]!)
  const b = unit(line[i + 1]!)
  const t = position - i
  return direction({ x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y), z: a.z + t * (b.z - a.z) })
}

/** The part of a polyline between two fractional positions. */
const stretch = (line: Direction[], from: number, to: number): Direction[] => [
  along(line, from),
  ...line.filter((_, i) => i > from + 1e-6 && i < to - 1e-6),
  along(line, to),
]

/** Root of a rising function by bisection. */
function solve(rising: (value: number) => number, low: number, high: number): number {
  let [a, b] = [low, high]
  for (let i = 0; i < 60; i++) {
    const middle = (a + b) / 2
    if (rising(middle) < 0) a = middle
    else b = middle
  }
  return (a + b) / 2
}

/** Stored places are rounded: a hundred-thousandth of a degree or of the way to the hairline is well under a hair. */
const stored = (head: Head, { theta, psi }: Direction): StoredPlace => {
  const place = placeFromDirection(head, theta, psi)
  return { psiDeg: round5(degrees(place.psi)), s: Math.min(1, round5(place.s)) }
}
const round5 = (value: number): number => Math.round(value * 1e5) / 1e5

function createDraft(head: Head) {
  const vertices: LayoutVertex[] = []
  const edges: LayoutEdge[] = []
  return {
    vertex: (id: string, at: Direction) => void vertices.push({ id, ...stored(head, at) }),
    hairline: (id: string, from: string, to: string) => void edges.push({ id, kind: 'hairline', from, to, via: [] }),
    parting: (id: string, from: string, to: string, line: Direction[]) =>
      void edges.push({ id, kind: 'parting', from, to, via: line.slice(1, -1).map((at) => stored(head, at)) }),
    layout: (template: LayoutTemplate, parameters: LayoutParameters): Layout => ({ template, parameters, vertices, edges }),
  }
}
