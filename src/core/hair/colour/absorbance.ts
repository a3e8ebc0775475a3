import { converter } from 'culori'
import type { Lab } from './difference'
import { DARKEST } from './constants'

/** Absorbance −ln of linear sRGB: red, green, blue. What dyes take away adds up in it. */
export type Absorbance = readonly [red: number, green: number, blue: number]

const toLinear = converter('lrgb')
const toLab = converter('lab65')

/** What a colour takes away of white light. Colours beyond what a screen can show are clipped to it. */
export function absorbanceOf(lab: Lab): Absorbance {
  const { r, g, b } = toLinear({ mode: 'lab65', ...lab })
  const absorb = (channel: number) => -Math.log(Math.min(1, Math.max(DARKEST, channel)))
  return [absorb(r), absorb(g), absorb(b)]
}

/** Inverse of {@link absorbanceOf} for colours that a screen can show. */
export function labFromAbsorbance([red, green, blue]: Absorbance): Lab {
  const { l, a, b } = toLab({ mode: 'lrgb', r: Math.exp(-red), g: Math.exp(-green), b: Math.exp(-blue) })
  return { l, a, b }
}
