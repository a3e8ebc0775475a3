/**
 * Formulas: what is mixed, what it leaves on hair, what speaks against it, and what would be nearer to the goal. Masses
 * in g, strengths in vol, peroxide in % (w/w).
 */
export { fillerFor, shadowRootLevel, wantsCompanion, type Filler } from './companions'
export { colourLift, depositAfter, depositOn, dyeOfShades, type Deposited, type Dye } from './deposit'
export {
  addDeveloper,
  BlendError,
  blendDeveloper,
  bowlVol,
  peroxideInMix,
  type BlendPart,
  type Thinned,
} from './developer'
export { fillerNeeded, findingsOf, neutralisedBy, type Finding, type Neutralised, type FormulaUse } from './findings'
export { STRONGEST_VOL } from './constants'
export { mixShades, type MixedShade, type MixPart, type Shade } from './mix'
export { dyeOf, gramsOfParts, millilitres, recipeOf, type Recipe, type RecipePart } from './recipe'
export { splitExactly } from './split'
export { suggestFormulas, type Suggestion, type Wanted } from './suggest'
export { labOfSurface, lightenedSurface, surfaceOfBand, type Surface } from './surface'
