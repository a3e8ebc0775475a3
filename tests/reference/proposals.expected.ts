import type { Goal, HairState } from '@/core/model'

/**
 * Twelve wishes and what a colourist would plan for each: written down before proposals were made to answer them, from
 * common practice (no source). `kinds`: any of these services. `must`: kinds of product that have to be used, `never`:
 * those that must not. `says`: words one of the reasons has to hold.
 */
export interface ExpectedProposal {
  wish: string
  goal: Partial<Goal>
  hair?: Partial<HairState>
  white?: number
  levels?: { root: number; lengths: number }
  /** What the lengths carry. */
  history?: 'lightened' | 'permanent' | 'boxDye'
  kinds: string[]
  must: string[]
  never: string[]
  says?: RegExp
}

const LIGHT = (level: number, hue: Goal['targets'][number]['hue'] = 'beige'): Goal['targets'] => [
  { region: 'all', level, hue, strength: 0.4 },
]

export const PROPOSALS: ExpectedProposal[] = [
  {
    wish: 'retouch on light lengths, to the skin, all over',
    goal: { targets: LIGHT(9), lightPercent: 90, root: 'toScalp' },
    hair: { naturalLevel: 6, weeksSinceColour: 5 },
    levels: { root: 6, lengths: 9.5 },
    history: 'lightened',
    kinds: ['onScalpRetouch'],
    must: ['creamLightener', 'gloss'],
    never: ['powderLightener'],
    says: /new growth/i,
  },
  {
    wish: 'retouch of highlights on light lengths',
    goal: { targets: LIGHT(9), lightPercent: 25, root: 'toScalp' },
    hair: { naturalLevel: 6, weeksSinceColour: 8 },
    levels: { root: 6, lengths: 9 },
    history: 'lightened',
    kinds: ['foilRetouch', 'growthAndEnds'],
    must: ['powderLightener', 'gloss'],
    never: ['creamLightener'],
    says: /grown|growth/i,
  },
  {
    wish: 'darker from blonde, all over',
    goal: { targets: LIGHT(5, 'neutral'), lightPercent: 0, root: 'toScalp' },
    hair: { naturalLevel: 6 },
    levels: { root: 6, lengths: 9 },
    history: 'lightened',
    kinds: ['filledAndDeepened'],
    must: ['filler'],
    never: ['powderLightener', 'clayLightener', 'creamLightener'],
    says: /warm pigment|filler/i,
  },
  {
    wish: 'depth woven back into over-lightened hair',
    goal: { targets: LIGHT(6, 'gold'), lightPercent: 40, root: 'rooted' },
    hair: { naturalLevel: 6 },
    levels: { root: 6, lengths: 9 },
    history: 'lightened',
    kinds: ['deeperAgain'],
    must: [],
    never: ['powderLightener', 'clayLightener', 'creamLightener'],
    says: /depth|lowlight/i,
  },
  {
    wish: 'box dye with white, wants to be lighter',
    goal: { targets: LIGHT(7), lightPercent: 30, root: 'rooted', white: 'blend' },
    hair: { naturalLevel: 5, weeksSinceColour: 6 },
    white: 0.3,
    levels: { root: 5, lengths: 3 },
    history: 'boxDye',
    kinds: ['dyeTakenOut', 'tieredCorrection'],
    must: ['remover', 'gloss'],
    never: ['creamLightener'],
    says: /remover|dye/i,
  },
  {
    wish: 'permanent only, three levels lighter',
    goal: { targets: LIGHT(8), lightPercent: 30, means: 'permanentOnly' },
    levels: { root: 5, lengths: 5 },
    kinds: ['deeperAgain', 'rootColour', 'lightAndLow'],
    must: ['permanentColour'],
    never: ['powderLightener', 'clayLightener', 'creamLightener'],
    says: /out of its reach|permanent colour lifts/i,
  },
  {
    wish: 'white grow-out: stop colouring, blend what grows',
    goal: { targets: LIGHT(8, 'pearl'), lightPercent: 35, white: 'blend', root: 'toScalp' },
    hair: { naturalLevel: 5, weeksSinceColour: 12 },
    white: 0.45,
    levels: { root: 5, lengths: 5 },
    history: 'permanent',
    kinds: ['whiteCopied'],
    must: ['powderLightener', 'gloss'],
    never: ['creamLightener'],
    says: /white/i,
  },
  {
    wish: 'block bob on pre-lightened hair',
    goal: { targets: LIGHT(8, 'pearl'), lightPercent: 60, means: 'depositOnly', contrast: 'bold' },
    hair: { lengthCm: 20, naturalLevel: 6, cutLine: 'oneLength' },
    levels: { root: 9, lengths: 9 },
    history: 'lightened',
    kinds: ['triangleFan', 'crossedPanels'],
    must: ['gloss'],
    never: ['powderLightener', 'permanentColour'],
  },
  {
    wish: 'curls, brighter without bleach',
    goal: { targets: LIGHT(7, 'copper'), lightPercent: 30, means: 'permanentOnly' },
    hair: { curl: 'curly', naturalLevel: 5 },
    levels: { root: 5, lengths: 5 },
    kinds: ['curlByCurl', 'deeperAgain', 'rootColour'],
    must: ['permanentColour'],
    never: ['powderLightener', 'clayLightener', 'creamLightener'],
    says: /permanent colour/i,
  },
  {
    wish: 'darker now, light wanted again in four months',
    goal: { targets: LIGHT(5, 'neutral'), lightPercent: 0, lighterInMonths: 4 },
    hair: { naturalLevel: 6 },
    levels: { root: 6, lengths: 9 },
    history: 'lightened',
    kinds: ['filledAndDeepened', 'rootAndLengths'],
    must: ['gloss'],
    never: ['permanentColour', 'powderLightener'],
    says: /month|again/i,
  },
  {
    wish: 'white to be covered, nothing lighter',
    goal: { targets: LIGHT(5, 'neutral'), lightPercent: 0, white: 'cover', root: 'toScalp' },
    hair: { naturalLevel: 5, weeksSinceColour: 5 },
    white: 0.5,
    levels: { root: 5, lengths: 5 },
    history: 'permanent',
    kinds: ['rootColour'],
    must: ['permanentColour'],
    never: ['powderLightener', 'clayLightener', 'creamLightener'],
    says: /white/i,
  },
  {
    wish: 'refreshed blonde with a softer root, no lightener',
    goal: { targets: LIGHT(9), lightPercent: 30, means: 'depositOnly', root: 'rooted', shadowCm: 3 },
    hair: { naturalLevel: 6, weeksSinceColour: 8 },
    levels: { root: 6, lengths: 9 },
    history: 'lightened',
    kinds: ['shadowAndMelt', 'rootAndLengths'],
    must: ['gloss'],
    never: ['powderLightener', 'permanentColour'],
    says: /deposit/i,
  },
]
