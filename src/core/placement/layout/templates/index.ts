/* eslint-disable max-lines -- one table: the layouts, each a few cuts */
import { between, bisect, withinTurn } from '../../../numeric'
import { HAIRS_PER_CM2, partX } from '../../../hair/fibre'
import {
  byId,
  type BoundaryStep,
  type Density,
  type HairState,
  type Layout,
  type LayoutParameters,
  type LayoutTemplate,
} from '../../../model'
import { radians } from '../../../units'
import { cut } from '../cut'
import { DivisionError, wholeScalp, zoneAt, zoneOutline, type Bounded, type Division } from '../division'
import { merge } from '../merge'
import { mirrored } from '../move'
import { diskFromPlace, type DiskPoint } from '../disk'
import {
  circle,
  CROWN,
  EAR,
  insideHairline,
  justBelowNapeLine,
  mirrorOf,
  onHairline,
  parting,
  radius,
  sagittal,
  toDisk,
  zigzag,
  type Direction,
} from './lines'
import { NAPE_LINE, STRIP_REACH_CM, NARROWEST_STRIP_CM, CIRCLE_CM, PAST_PART_CM } from '../constants'

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

/** Circle on top by density: a heavy top would cover the technique beneath it. @returns cm */
export const circleRadiusFor = (density: Density): number =>
  Math.round(2 * CIRCLE_CM * (HAIRS_PER_CM2.medium / HAIRS_PER_CM2[density]) ** 0.5) / 2

const drawsOn = (template: LayoutTemplate, parameter: keyof LayoutParameters): boolean =>
  TEMPLATE_PARAMETERS[template].includes(parameter)

/**
 * Where a layout's part lies for somebody's natural part. A panel lies as far to its side as there is room for it: it
 * then runs past the part on both sides.
 * @returns cm, positive towards the client's left
 */
export function partOffsetFor(
  hair: Pick<HairState, 'part'>,
  template: LayoutTemplate,
  { stripWidthCm }: Pick<LayoutParameters, 'stripWidthCm'>,
): number {
  if (!drawsOn(template, 'partOffsetCm')) return 0
  const part = partX(hair)
  const room = drawsOn(template, 'pastPartCm') ? STRIP_REACH_CM : STRIP_REACH_CM - stripWidthCm / 2
  return Math.sign(part) * Math.max(0, Math.min(Math.abs(part), room))
}

/** How far past somebody's natural part a layout's front line lies, cm; 0 for a part in the middle. */
export const pastPartFor = (hair: Pick<HairState, 'part'>, template: LayoutTemplate): number =>
  drawsOn(template, 'pastPartCm') && partX(hair) !== 0 ? PAST_PART_CM : 0

export const defaultLayoutParameters = (): LayoutParameters => ({
  separateNape: false,
  stripWidthCm: 6,
  partOffsetCm: 0,
})

/** What each template draws on, beyond the parameters that are always there. */
export const TEMPLATE_PARAMETERS: Record<LayoutTemplate, readonly (keyof LayoutParameters)[]> = {
  fourQuadrants: ['partOffsetCm', 'pastPartCm', 'zigzagMm', 'separateNape'],
  topStrip: ['stripWidthCm', 'partOffsetCm', 'zigzagMm'],
  onScalpSections: ['stripWidthCm', 'separateNape'],
  radialBack: ['pieces', 'partOffsetCm', 'pastPartCm', 'zigzagMm', 'separateNape'],
  halo: ['radiusCm', 'separateNape'],
  triangleFan: ['radiusCm', 'pieces'],
  crossedPanels: ['rimCm'],
  occipitalV: ['partOffsetCm', 'pastPartCm', 'zigzagMm'],
  hairlineRim: ['rimCm', 'stripWidthCm', 'partOffsetCm', 'zigzagMm', 'separateNape'],
  fringeTriangle: ['cutCornersCm'],
  faceFrame: ['rimCm', 'separateNape'],
}

/**
 * Zones by a place that lies in each: role, name, azimuth (°), share of the way to the hairline. Listed in working
 * order.
 */
type Probe = readonly [role: string, name: string, psiDeg: number, s: number]
interface Drawn {
  division: Division<Bounded>
  probes: readonly Probe[]
}

/**
 * Lays a template out on the reference head and returns it in head-free places.
 * @throws LayoutParameterError
 */
export function createLayout(
  template: LayoutTemplate,
  parameters: LayoutParameters,
): { layout: Layout; sections: Section[] } {
  const noRoom = () =>
    new LayoutParameterError(
      TEMPLATE_PARAMETERS[template][0]!,
      'With these measures a section of this layout has no room. Make it wider or narrower.',
    )
  let result: Drawn
  try {
    result = DRAW[template](parameters)
  } catch (error) {
    if (error instanceof DivisionError) throw noRoom()
    throw error
  }
  const { division, probes } = result
  if (division.zones.length !== probes.length) throw noRoom()
  const zones = zonesByProbe(division, probes)
  return {
    layout: { template, parameters, vertices: division.vertices, edges: division.edges },
    sections: probes.map(([role, name], i) => ({ role, name, boundary: zones[i]!.boundary })),
  }
}

/**
 * A template with its usual measures, those along the part as the client wears it.
 * @param parameters what is to be otherwise
 * @throws LayoutParameterError
 */
export function layoutFor(
  template: LayoutTemplate,
  hair: Pick<HairState, 'part'>,
  parameters: Partial<LayoutParameters> = {},
): { layout: Layout; sections: Section[] } {
  const measures = { ...defaultLayoutParameters(), ...parameters }
  return createLayout(template, {
    ...measures,
    partOffsetCm: parameters.partOffsetCm ?? partOffsetFor(hair, template, measures),
    pastPartCm: parameters.pastPartCm ?? pastPartFor(hair, template),
  })
}

/**
 * Which zone each probe means: the one it alone lies in; for the others, whose zone another probe shares, the nearest
 * that is left.
 */
function zonesByProbe(division: Division<Bounded>, probes: readonly Probe[]): Bounded[] {
  const places = probes.map(([, , psiDeg, s]) => diskFromPlace({ psi: radians(psiDeg), s }))
  const inside = places.map((place) => zoneAt(division, place))
  const found = inside.map((zone, i) =>
    zone && inside.every((other, k) => k === i || other?.id !== zone.id) ? zone : undefined,
  )
  const left = division.zones.filter((zone) => !found.includes(zone))
  return found.map((zone, i) => {
    if (zone) return zone
    const off = (candidate: Bounded) => {
      const middle = middleOf(zoneOutline(division, candidate))
      return Math.hypot(middle.x - places[i]!.x, middle.y - places[i]!.y)
    }
    const nearest = left.reduce((best, candidate) => (off(candidate) < off(best) ? candidate : best))
    left.splice(left.indexOf(nearest), 1)
    return nearest
  })
}

let counted = 0
/** Cuts one line after the other; each cuts every zone it crosses from edge to edge. */
function drawn(...lines: DiskPoint[][]): Division<Bounded> {
  counted = 0
  return lines.reduce<Division<Bounded>>(
    (division, line) => cut(division, line, (parent) => ({ ...parent, id: `zone${++counted}` })),
    wholeScalp(),
  )
}

const FACE = (): Direction => onHairline(0)
const NAPE = (): Direction => onHairline(Math.PI)
const NAPE_MIDDLE: Direction = { theta: NAPE_LINE.middleTheta, psi: Math.PI }
const napeLine = () =>
  parting(onHairline(NAPE_LINE.hairlinePsi), NAPE_MIDDLE, mirrorOf(onHairline(NAPE_LINE.hairlinePsi)))
const earToEar = () => parting(EAR(), CROWN, mirrorOf(EAR()))
const both = (line: DiskPoint[]): DiskPoint[][] => [line, mirrored(line)]

const DRAW: Record<LayoutTemplate, (parameters: LayoutParameters) => Drawn> = {
  fourQuadrants: ({ separateNape, ...part }) => ({
    division: drawn(
      ...(separateNape ? [napeLine()] : []),
      earToEar(),
      frontLine(part),
      parting(CROWN, separateNape ? NAPE_MIDDLE : NAPE()),
    ),
    probes: [
      ...(separateNape ? [['nape', 'Nape', 180, 0.93] as const] : []),
      ['backLeft', 'Back left', 140, 0.55],
      ['backRight', 'Back right', -140, 0.55],
      ['frontLeft', 'Front left', 50, 0.5],
      ['frontRight', 'Front right', -50, 0.5],
    ],
  }),
  topStrip: (parameters) => {
    const [left, right] = stripEdges(parameters)
    return {
      division: drawn(napeLine(), earToEar(), left, right),
      probes: [
        ['nape', 'Nape', 180, 0.93],
        ['back', 'Back', 180, 0.5],
        ['leftSide', 'Left side', 75, 0.75],
        ['rightSide', 'Right side', -75, 0.75],
        ['top', 'Top strip', parameters.partOffsetCm > 0 ? 12 : parameters.partOffsetCm < 0 ? -12 : 0, 0.4],
      ],
    }
  },
  onScalpSections: ({ stripWidthCm, separateNape }) => {
    const half = Math.max(NARROWEST_STRIP_CM, stripWidthCm) / 2
    return {
      division: drawn(
        ...(separateNape ? [napeLine()] : []),
        earToEar(),
        ...both(sagittal(half, 78, separateNape ? tiltAtNapeLine(half) : -136)),
        ...both(frontSide(half)),
      ),
      probes: [
        ...(separateNape ? [['nape', 'Nape', 180, 0.93] as const] : []),
        ['backCentre', 'Back centre', 180, 0.55],
        ['backLeft', 'Back left', 128, 0.72],
        ['backRight', 'Back right', -128, 0.72],
        ['sideLeft', 'Side left', 82, 0.7],
        ['sideRight', 'Side right', -82, 0.7],
        ['frontLeft', 'Front left', 42, 0.8],
        ['frontRight', 'Front right', -42, 0.8],
        ['frontCentre', 'Front centre', 0, 0.6],
      ],
    }
  },
  radialBack: ({ pieces = 4, separateNape, ...part }) => {
    const edges = Array.from({ length: pieces - 1 }, (_, i) => 95 + (170 * (i + 1)) / pieces)
    const reach = (psiDeg: number) =>
      separateNape && Math.abs(psiDeg - 180) < 59
        ? radius(CROWN, justBelowNapeLine(radians(psiDeg)))
        : parting(CROWN, onHairline(radians(psiDeg)))
    return {
      division: drawn(...(separateNape ? [napeLine()] : []), earToEar(), frontLine(part), ...edges.map(reach)),
      probes: [
        ...(separateNape ? [['nape', 'Nape', 180, 0.95] as const] : []),
        ...Array.from({ length: pieces }, (_, i): Probe => [
          `wedge${i + 1}`,
          `Wedge ${i + 1}`,
          wedgeMiddle(i, pieces),
          separateNape && Math.abs(wedgeMiddle(i, pieces) - 180) < 50 ? 0.6 : 0.86,
        ]),
        ['frontLeft', 'Front left', 50, 0.5],
        ['frontRight', 'Front right', -50, 0.5],
      ],
    }
  },
  halo: ({ radiusCm = CIRCLE_CM, separateNape }) => {
    const round = drawn(
      ...(separateNape ? [napeLine()] : []),
      parting(FACE(), separateNape ? NAPE_MIDDLE : NAPE()),
      ...both(halfCircle(radiusCm)),
    )
    return {
      division: joined(round, [
        [-20, 0.1],
        [20, 0.1],
      ]),
      probes: [
        ...(separateNape ? [['nape', 'Nape', 180, 0.93] as const] : []),
        ['perimeterLeft', 'Perimeter left', 90, 0.85],
        ['perimeterRight', 'Perimeter right', -90, 0.85],
        ['circle', 'Circle on top', 0, 0.05],
      ],
    }
  },
  triangleFan: ({ radiusCm = CIRCLE_CM, pieces = 3 }) => triangleFan(radiusCm, pieces),
  crossedPanels: ({ rimCm = 4 }) => {
    const rim = insideHairline(rimCm, 0, 180)
    const inner = (psiDeg: number): Direction => onHairline(radians(psiDeg))
    const ring = joined(drawn(parting(FACE(), NAPE()), ...both(closedHalf(rim))), [
      [-20, 0.1],
      [20, 0.1],
    ])
    const diagonal = (from: number, to: number) => parting(inner(from), CROWN, inner(to))
    const crossed = [diagonal(45, -135), diagonal(-45, 135)].reduce(
      (division, line) =>
        cut(
          division,
          line,
          (parent) => ({ ...parent, id: `panel${++counted}` }),
          (zone) => !touchesHairline(division, zone),
        ),
      ring,
    )
    return {
      division: crossed,
      probes: [
        ['perimeterLeft', 'Perimeter left', 90, 0.97],
        ['perimeterRight', 'Perimeter right', -90, 0.97],
        ['panelBack', 'Back panel', 180, 0.3],
        ['panelLeft', 'Left panel', 110, 0.45],
        ['panelRight', 'Right panel', -110, 0.45],
        ['panelFront', 'Front panel', 0, 0.3],
      ],
    }
  },
  occipitalV: (part) => {
    const arm: Direction = { theta: radians(70), psi: radians(96) }
    return {
      division: drawn(earToEar(), frontLine(part), parting(arm, { theta: radians(104), psi: Math.PI }, mirrorOf(arm))),
      probes: [
        ['underV', 'Under the V', 180, 0.95],
        ['insideV', 'Inside the V', 180, 0.5],
        ['frontLeft', 'Front left', 50, 0.5],
        ['frontRight', 'Front right', -50, 0.5],
      ],
    }
  },
  hairlineRim: (parameters) => {
    const { rimCm = 2, stripWidthCm, separateNape } = parameters
    // Ends a little past the ear-to-ear parting, which closes it.
    const rim = insideHairline(rimCm, 0, 112).slice(1, -1)
    const sideCut = [{ x: -0.02, y: rim[0]!.y }, ...rim]
    const strip =
      stripWidthCm > 0 ? stripEdges({ ...parameters, stripWidthCm: Math.max(NARROWEST_STRIP_CM, stripWidthCm) }) : []
    const base = drawn(
      ...(separateNape ? [napeLine()] : []),
      earToEar(),
      parting(FACE(), CROWN),
      ...both(sideCut),
      parting(CROWN, separateNape ? NAPE_MIDDLE : NAPE()),
    )
    const nape: readonly Probe[] = separateNape ? [['nape', 'Nape', 180, 0.93]] : []
    if (strip.length === 0)
      return {
        division: base,
        probes: [
          ...nape,
          ['rimLeft', 'Rim left', 40, 0.985],
          ['rimRight', 'Rim right', -40, 0.985],
          ['left', 'Left', 50, 0.5],
          ['right', 'Right', -50, 0.5],
          ['backLeft', 'Back left', 140, 0.55],
          ['backRight', 'Back right', -140, 0.55],
        ],
      }
    const inRim = (zone: Bounded, division: Division<Bounded>) =>
      zoneAt(division, diskFromPlace({ psi: radians(40), s: 0.985 }))?.id === zone.id ||
      zoneAt(division, diskFromPlace({ psi: radians(-40), s: 0.985 }))?.id === zone.id
    // The panel runs over the top; the rim in front of it stays whole.
    const striped = strip.reduce(
      (division, line) =>
        cut(
          division,
          line,
          (parent) => ({ ...parent, id: `zone${++counted}` }),
          (zone) => !inRim(zone, division),
        ),
      base,
    )
    return {
      division: joined(striped, [
        [-3, 0.5],
        [3, 0.5],
      ]),
      probes: [
        ...nape,
        ['rimLeft', 'Rim left', 40, 0.985],
        ['rimRight', 'Rim right', -40, 0.985],
        ['backLeft', 'Back left', 140, 0.55],
        ['backRight', 'Back right', -140, 0.55],
        ['left', 'Left', 70, 0.6],
        ['right', 'Right', -70, 0.6],
        ['partStrip', 'Along the part', 0, 0.5],
      ],
    }
  },
  fringeTriangle: ({ cutCornersCm = 0 }) => {
    const apex: Direction = { theta: radians(12), psi: 0 }
    const corner = onHairline(radians(42))
    // A centimetre of hairline here is about 6° of azimuth, of meridian 5°.
    const side =
      cutCornersCm > 0
        ? parting(
            apex,
            { theta: corner.theta - radians(5 * cutCornersCm), psi: corner.psi },
            onHairline(radians(42 - 6 * cutCornersCm)),
          )
        : parting(apex, corner)
    return {
      division: drawn(
        earToEar(),
        parting(FACE(), CROWN),
        ...both([{ x: -0.03, y: side[1]!.y }, ...side.slice(1)]),
        parting(CROWN, NAPE()),
      ),
      probes: [
        ['backLeft', 'Back left', 140, 0.55],
        ['backRight', 'Back right', -140, 0.55],
        ['frontLeft', 'Front left', 75, 0.6],
        ['frontRight', 'Front right', -75, 0.6],
        ['fringeLeft', 'Fringe left', 8, 0.85],
        ['fringeRight', 'Fringe right', -8, 0.85],
      ],
    }
  },
  faceFrame: ({ rimCm = 2.5, separateNape }) => {
    const rim = insideHairline(rimCm, 0, 84).slice(1)
    return {
      division: drawn(
        ...(separateNape ? [napeLine()] : []),
        earToEar(),
        parting(FACE(), CROWN),
        ...both([{ x: -0.02, y: rim[0]!.y }, ...rim]),
        parting(CROWN, separateNape ? NAPE_MIDDLE : NAPE()),
      ),
      probes: [
        ...(separateNape ? [['nape', 'Nape', 180, 0.93] as const] : []),
        ['backLeft', 'Back left', 140, 0.55],
        ['backRight', 'Back right', -140, 0.55],
        ['topLeft', 'Top left', 50, 0.5],
        ['topRight', 'Top right', -50, 0.5],
        ['faceLeft', 'Face left', 30, 0.985],
        ['faceRight', 'Face right', -30, 0.985],
      ],
    }
  },
}

/** Azimuth of the middle of a wedge of the back, °. */
const wedgeMiddle = (i: number, pieces: number): number => 95 + (170 * (i + 0.5)) / pieces

/**
 * Parts the front in two: along the part, or past a side part, so that the side with less hair holds the whole part
 * line.
 */
function frontLine({
  partOffsetCm,
  pastPartCm = 0,
  zigzagMm = 0,
}: Pick<LayoutParameters, 'partOffsetCm' | 'pastPartCm' | 'zigzagMm'>): DiskPoint[] {
  const x = partOffsetCm - Math.sign(partOffsetCm) * pastPartCm
  // From beyond the front hairline to just behind the ear-to-ear parting.
  return zigzag(x === 0 ? parting(FACE(), CROWN) : sagittal(x, 78, -36), zigzagMm)
}

/** The two edges of a panel along the part. @throws LayoutParameterError */
function stripEdges({ stripWidthCm, partOffsetCm, zigzagMm = 0 }: LayoutParameters): [DiskPoint[], DiskPoint[]] {
  const [left, right] = [partOffsetCm + stripWidthCm / 2, partOffsetCm - stripWidthCm / 2]
  const reach = Math.max(Math.abs(left), Math.abs(right))
  if (stripWidthCm < NARROWEST_STRIP_CM)
    throw new LayoutParameterError('stripWidthCm', `A strip is at least ${NARROWEST_STRIP_CM} cm wide.`)
  if (reach > STRIP_REACH_CM)
    throw new LayoutParameterError(
      'stripWidthCm',
      `The strip would reach ${reach.toFixed(1)} cm from the middle, over the temple: keep half the width plus the part's offset within ${STRIP_REACH_CM} cm.`,
    )
  // From beyond the front hairline to just behind the ear-to-ear parting.
  return [zigzag(sagittal(left, 78, -36), zigzagMm), zigzag(sagittal(right, 78, -36), zigzagMm)]
}

/** How far down the back an upright plane meets the nape section's parting, as a tilt for {@link sagittal}. */
function tiltAtNapeLine(half: number): number {
  return bisect(
    (tilt) => {
      const end = sagittal(half, tilt + 1, tilt).at(-1)!
      const line = toDisk(justBelowNapeLine(Math.atan2(end.x, end.y)))
      // Falls with the tilt: further down the back is further from the middle.
      return Math.hypot(line.x, line.y) - Math.hypot(end.x, end.y)
    },
    -130,
    -80,
  )
}

/** Parts the side at the recession from the side at the ear: from the panel's edge down to the hairline. */
function frontSide(half: number): DiskPoint[] {
  const edge = sagittal(half - 0.4, 24, 22)[0]!
  const rim = toDisk(onHairline(radians(64)))
  return [edge, { x: (edge.x + rim.x) / 2, y: (edge.y + rim.y) / 2 }, { x: rim.x * 1.05, y: rim.y * 1.05 }]
}

/** Half of a circle about the apex's neighbourhood on the client's left, run a little over the middle at both ends. */
const halfCircle = (radiusCm: number): DiskPoint[] => {
  const half = circle({ theta: radians(8), psi: Math.PI }, radiusCm, 0, 0.5)
  return [{ x: -0.02, y: half[0]!.y }, ...half, { x: -0.02, y: half.at(-1)!.y }]
}

/** A line from the middle round one side to the middle, run a little over at both ends. */
function closedHalf(line: readonly DiskPoint[]): DiskPoint[] {
  const inner = line.slice(1, -1)
  return [{ x: -0.02, y: inner[0]!.y }, ...inner.slice(1, -1), { x: -0.02, y: inner.at(-1)!.y }]
}

/** Makes the zones that hold two places one. */
function joined(
  division: Division<Bounded>,
  [one, other]: readonly [readonly [number, number], readonly [number, number]],
): Division<Bounded> {
  const at = ([psiDeg, s]: readonly [number, number]) => zoneAt(division, diskFromPlace({ psi: radians(psiDeg), s }))
  const [first, second] = [at(one), at(other)]
  if (!first || !second || first.id === second.id) throw new DivisionError('These sections cannot become one.')
  return merge(division, first.id, second.id)
}

const touchesHairline = ({ edges }: Division<Bounded>, zone: Bounded): boolean =>
  zone.boundary.some(({ edge }) => byId(edges, edge).kind === 'hairline')

/**
 * A circle, and round it triangles that stand on the hairline and on the circle by turns, so that every styling
 * direction shows both. They are numbered from the nape over the client's left to the face and back over the right.
 */
function triangleFan(radiusCm: number, pieces: number): Drawn {
  const centre: Direction = { theta: radians(8), psi: Math.PI }
  const ring = joined(drawn(parting(FACE(), NAPE()), ...both(halfCircle(radiusCm))), [
    [-20, 0.1],
    [20, 0.1],
  ])
  const onCircle = circle(centre, radiusCm)
  const step = 180 / pieces
  const over = (a: DiskPoint, b: DiskPoint, t: number): DiskPoint => ({
    x: between(a.x, b.x, t),
    y: between(a.y, b.y, t),
  })
  /**
   * From a bearing on the circle to one on the hairline, a little over at both ends; lines that meet in a point share
   * it, and the later one ends in its corner.
   */
  const spoke = (circleDeg: number, rimDeg: number): DiskPoint[] => {
    const [inner, outer] = [nearestBearing(onCircle, circleDeg), toDisk(onHairline(radians(rimDeg)))]
    return [over(inner, outer, -0.05), inner, over(inner, outer, 0.5), over(inner, outer, 1.05)]
  }
  // Down the left side from the face: out to the hairline half a step on, back in to the circle a whole step on, and so
  // forth.
  const spokes = Array.from({ length: pieces }, (_, i) => [
    spoke(i * step, (i + 0.5) * step),
    spoke((i + 1) * step, (i + 0.5) * step),
  ]).flat()
  const inRing = (division: Division<Bounded>) => (zone: Bounded) => zone.id !== zoneAt(division, { x: 0, y: 0 })?.id
  const division = spokes
    .flatMap(both)
    .reduce(
      (result, line) => cut(result, line, (parent) => ({ ...parent, id: `fan${++counted}` }), inRing(result)),
      ring,
    )
  // The centre line, which was needed to lay the circle, is taken out of the triangles it halves.
  const whole = joined(
    joined(division, [
      [2, 0.97],
      [-2, 0.97],
    ]),
    [
      [178, 0.97],
      [-178, 0.97],
    ],
  )
  const middles = whole.zones.filter((zone) => inRing(whole)(zone)).map((zone) => middleOf(zoneOutline(whole, zone)))
  const probes = middles
    .map((point) => ({ point, turn: withinTurn(Math.atan2(point.x, point.y)) }))
    .sort((a, b) => fromNape(a.turn) - fromNape(b.turn))
    .map(({ point }, i): Probe => [
      `fan${i + 1}`,
      `Triangle ${i + 1}`,
      (Math.atan2(point.x, point.y) * 180) / Math.PI,
      Math.hypot(point.x, point.y),
    ])
  return { division: whole, probes: [...probes, ['circle', 'Circle on top', 0, 0.05]] }
}

/** Turn from the nape over the client's left, 0…2π. */
const fromNape = (turn: number): number => withinTurn(3 * Math.PI - turn)
const middleOf = (points: readonly DiskPoint[]): DiskPoint => ({
  x: points.reduce((sum, { x }) => sum + x, 0) / points.length,
  y: points.reduce((sum, { y }) => sum + y, 0) / points.length,
})

function nearestBearing(points: readonly DiskPoint[], psiDeg: number): DiskPoint {
  const psi = radians(psiDeg)
  const off = ({ x, y }: DiskPoint) =>
    Math.abs(Math.atan2(Math.sin(Math.atan2(x, y) - psi), Math.cos(Math.atan2(x, y) - psi)))
  return points.reduce((best, point) => (off(point) < off(best) ? point : best))
}
