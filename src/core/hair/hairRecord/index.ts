/**
 * The hair as it is: 192 fixed scalp cells in (ψ, s), each with up to 24 kinds of hair, each kind with bands from root
 * to tip. Distances along the stretched strand in cm, shares and white 0…1, levels 1…12, dates `YYYY-MM-DD`. Everything
 * here returns new canvases and changes none.
 */
export { mergeAlike, strandDistance, strandDistances } from './alike'
export {
  bandFault,
  BandError,
  toBandEdge,
  fitBands,
  growBands,
  isVirgin,
  mergeBand,
  moveEdge,
  toQuarterLevel,
  splitBand,
  strandLength,
  trimBands,
  virginBand,
} from './bands'
export {
  carriesWork,
  freshStrandId,
  wornLevel,
  copyBands,
  hairFromCanvas,
  hairMapOf,
  kindsOf,
  lengthsHistory,
  mainStrand,
  meanLevels,
  meanWhite,
  mergePopulations,
  paintWhite,
  regionLengths,
  setBands,
  setLength,
  startingCanvas,
  strandsOf,
  tidy,
  uniformCanvas,
  whiteOfCell,
} from './canvas'
export { cellArea, cellAt, cellFinder, cellOutline, SCALP_CELLS, type ScalpCell } from './cells'
export { checkCanvas, NOT_YET_COME, type CanvasProblem } from './check'
export { BUILDS_UP, pastInShort } from './past'
export { directionOf } from './place'
export { correctionsOf } from './corrections'
export {
  HALF_LIFE_WASHES,
  COOL_HALF_LIFE_SHARE,
  READABLE_STRENGTH,
  SHORTEST_BAND_CM,
  USUAL_WASHES_PER_WEEK,
} from './constants'
export {
  cutCanvas,
  dayAfter,
  daysBetween,
  lastDyeOf,
  fadeBand,
  isCool,
  predictCanvas,
  predictHair,
  type Since,
} from './time'
