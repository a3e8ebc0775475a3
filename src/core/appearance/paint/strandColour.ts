import { converter } from 'culori'
import { isVirgin } from '../../hair/hairRecord'
import { labOfHair } from '../../hair/colour'
import type { Band } from '../../model'
import { labOfSurface, surfaceOfBand } from '../../product/formula'
import { shownLevel } from '../../time/fold'
import { TABLE_STEP_CM, WHITE_TONE } from './constants'

/**
 * Level and colour along a kind of strand, tabulated from the scalp in steps of TABLE_STEP_CM; colour is linear sRGB.
 */
export interface StrandColour {
  levels: Float32Array
  rgb: Float32Array
}

const toLinear = converter('lrgb')

/** Colour along a strand; where one band ends the next comes in over a step of the table. */
export function strandColour(bands: readonly Band[], white: boolean): StrandColour {
  const steps = Math.ceil(bands.at(-1)!.toCm / TABLE_STEP_CM) + 1
  const levels = new Float32Array(steps)
  const rgb = new Float32Array(3 * steps)
  const colours = bands.map((band) => colourOf(band, white))
  let at = 0
  for (let k = 0; k < steps; k++) {
    while (at < bands.length - 1 && bands[at]!.toCm <= k * TABLE_STEP_CM) at++
    levels[k] = shownLevel(bands[at]!, white)
    rgb.set(colours[at]!, 3 * k)
  }
  return { levels, rgb }
}

function colourOf(band: Band, white: boolean): [number, number, number] {
  const virginWhite = white && isVirgin(band)
  const lab = virginWhite
    ? labOfHair(shownLevel(band, true), WHITE_TONE.hue, WHITE_TONE.strength)
    : labOfSurface(surfaceOfBand('', band, 0))
  const { r, g, b } = toLinear({ mode: 'lab65', ...lab })
  const shown = (channel: number) => Math.min(1, Math.max(0, channel))
  return [shown(r), shown(g), shown(b)]
}
