export const DENSITIES = ['low', 'medium', 'high'] as const
export const TEXTURES = ['fine', 'medium', 'coarse'] as const
export const CURLS = ['straight', 'wavy', 'curly', 'coily'] as const
export const CUT_LINES = ['oneLength', 'layered'] as const

export type Density = (typeof DENSITIES)[number]
export type Texture = (typeof TEXTURES)[number]
export type Curl = (typeof CURLS)[number]
export type CutLine = (typeof CUT_LINES)[number]

/** What is known about the hair before work begins. */
export interface HairState {
  /** 1 (black) to 10 (lightest blonde), fractions allowed. */
  naturalLevel: number
  density: Density
  texture: Texture
  curl: Curl
  /** `oneLength`: all hair ends on one horizontal line. `layered`: every root carries the same length. */
  cutLine: CutLine
  /** Stretched length at the crown, cm. */
  lengthCm: number
  /** Weeks since the last colour service; 0 when freshly done or unknown. */
  weeksSinceColour: number
}
