import { differenceCiede2000 } from 'culori'

/** A colour in CIE Lab, D65. */
export interface Lab {
  l: number
  a: number
  b: number
}

const ciede2000 = differenceCiede2000()

/**
 * CIEDE2000 colour difference (Sharma, Wu & Dalal 2005), computed by culori.
 * @returns ΔE₀₀; about 1 is just noticeable side by side
 */
export const colourDifference = (one: Lab, other: Lab): number =>
  ciede2000({ mode: 'lab65', ...one }, { mode: 'lab65', ...other })
