import { lastDyeOf, READABLE_STRENGTH } from '../../hair/hairRecord'
import { exposedLab, labOfHair, type Lab } from '../../hair/colour'
import type { Band, Porosity, ToneHue } from '../../model'

/** Hair that a mix goes on: one band of it, or what an earlier stage left. */
export interface Surface {
  name: string
  level: number
  hue: ToneHue
  /** How strongly the tone shows, 0…1. */
  strength: number
  /** `lightened`: its warmth lies bare. `dyed`: there is artificial pigment in it. */
  state: 'natural' | 'lightened' | 'dyed'
  porosity: Porosity
  /** Share of white hairs, 0…1. */
  white: number
  metallic: boolean
}

/**
 * Colour of the pigmented hairs of a surface; on lightened hair a tone that no longer reads leaves the warmth beneath
 * bare, as in fading.
 */
export const labOfSurface = ({ state, level, hue, strength }: Surface): Lab =>
  state === 'lightened' && strength < READABLE_STRENGTH ? exposedLab(level) : labOfHair(level, hue, strength)

/**
 * A recorded band as something to put a mix on.
 * @param white share of white hairs, 0…1; counts only where nothing was done yet
 */
export function surfaceOfBand(name: string, band: Band, white: number): Surface {
  const kinds = band.treatments.map(({ kind }) => kind)
  const dye = lastDyeOf(band)
  // What was done last shows: lightener bares what dye lay over, dye lies over what was bared.
  const bared = kinds.includes('lightened') && kinds.lastIndexOf('lightened') > (dye ? kinds.lastIndexOf(dye) : -1)
  const state = bared ? 'lightened' : dye ? 'dyed' : 'natural'
  const { level, hue, strength, porosity } = band
  return {
    name,
    level,
    hue,
    strength,
    state,
    porosity,
    white: state === 'natural' ? white : 0,
    metallic: kinds.includes('metallic'),
  }
}

/** Hair as lightener leaves it at a level. */
export const lightenedSurface = (name: string, level: number): Surface => ({
  name,
  level,
  hue: 'neutral',
  strength: 0,
  state: 'lightened',
  porosity: 'high',
  white: 0,
  metallic: false,
})
