export const LAYOUT_TEMPLATES = [
  'fourQuadrants',
  'topStrip',
  'onScalpSections',
  'radialBack',
  'halo',
  'triangleFan',
  'crossedPanels',
  'occipitalV',
  'hairlineRim',
  'fringeTriangle',
  'faceFrame',
] as const
export type LayoutTemplate = (typeof LAYOUT_TEMPLATES)[number]

export const EDGE_KINDS = ['parting', 'hairline'] as const
export type EdgeKind = (typeof EDGE_KINDS)[number]

/** Parameters of the templates; each template uses those it knows. */
export interface LayoutParameters {
  /** A section under the occipital bone of its own. */
  separateNape: boolean
  /** Width of the panel along the part, cm; for a rim, 0 leaves the part alone. */
  stripWidthCm: number
  /** How far the part lies from the middle, cm, positive towards the client's left. */
  partOffsetCm: number
  /** How far beyond a side part the side with less hair reaches, cm, so that the whole part line is worked together. */
  pastPartCm?: number | undefined
  /** How far partings at the part are drawn to and fro, mm: 0 straight, more is softer. */
  zigzagMm?: number | undefined
  /** Circle on top. */
  radiusCm?: number | undefined
  /** Width of a rim or a panel along the hairline. */
  rimCm?: number | undefined
  /** Wedges of the back, or triangles of a fan. */
  pieces?: number | undefined
  /** How much is cut off a triangle's corners. */
  cutCornersCm?: number | undefined
}

/** A head-free place as it is stored. */
export interface StoredPlace {
  /** Azimuth, degrees, 0 at the face, positive towards the client's left. */
  psiDeg: number
  /** 0 at the apex, 1 at the hairline. */
  s: number
}

export interface LayoutVertex extends StoredPlace {
  id: string
}

/** A parting or a stretch of hairline. A hairline runs towards growing azimuth; a parting through its `via` places. */
export interface LayoutEdge {
  id: string
  kind: EdgeKind
  from: string
  to: string
  via: StoredPlace[]
}

/** One planar subdivision of the scalp with shared vertices. Which zone lies where is said by {@link BoundaryStep}s. */
export interface Layout {
  template: LayoutTemplate
  parameters: LayoutParameters
  vertices: LayoutVertex[]
  edges: LayoutEdge[]
}

/** One step of a zone's boundary, walked with the zone on the left hand as the map is drawn (face up). */
export interface BoundaryStep {
  edge: string
  reversed: boolean
}
