/**
 * Hair in space: roots spread as densely as hair grows, and strands that fall from them as the hair is cut, curls and
 * is worn. Lengths in cm; x to the client's left, y towards the face, z up from ear height. The same seed, the same
 * hair.
 */
export { COARSE_STRANDS, FINE_STRANDS, WEARS, type Wear } from './constants'
export { growStrands, type Strands } from './grow'
export { partAt } from './comb'
export { chance, swing } from './random'
export { spreadRoots, type Roots } from './roots'
