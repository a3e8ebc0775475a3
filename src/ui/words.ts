import type { CutLine, Curl, Density, Direction, HairState, LayoutTemplate, ProductKind, RowOrder, TakeKind, Texture, Tone } from '@/core/model'

/** All words for the terms of the documents, in one place. */
export const WORDS = {
  density: { low: 'low', medium: 'medium', high: 'high' } satisfies Record<Density, string>,
  texture: { fine: 'fine', medium: 'medium', coarse: 'coarse' } satisfies Record<Texture, string>,
  curl: { straight: 'straight', wavy: 'wavy', curly: 'curly', coily: 'coily' } satisfies Record<Curl, string>,
  cutLine: { oneLength: 'One length', layered: 'Layered', graduatedForward: 'Graduated forward', graduatedBack: 'Graduated back' } satisfies Record<CutLine, string>,
  direction: {
    horizontal: 'Horizontal',
    vertical: 'Vertical',
    diagonalBack: 'Diagonal back',
    diagonalForward: 'Diagonal forward',
  } satisfies Record<Direction, string>,
  take: { weave: 'Weave', babylight: 'Babylight', slice: 'Slice', onScalp: 'On the scalp' } satisfies Record<TakeKind, string>,
  preset: {
    babylight: 'Babylight',
    fineWeave: 'Fine weave',
    mediumWeave: 'Medium weave',
    chunkyWeave: 'Chunky weave',
    slice: 'Slice',
    onScalp: 'On the scalp',
  } as Record<string, string>,
  rowOrder: { bottomUp: 'From below', topDown: 'From above' } satisfies Record<RowOrder, string>,
  template: { fourQuadrants: 'Four quadrants', topStrip: 'Top strip' } satisfies Record<LayoutTemplate, string>,
  templateHelp: {
    fourQuadrants: 'Centre line and ear-to-ear line over the crown; with or without a nape section.',
    topStrip: 'A panel along the part from the front hairline to the crown, with sides, back and nape.',
  } satisfies Record<LayoutTemplate, string>,
  tone: { cool: 'cool', neutral: 'neutral', warm: 'warm' } satisfies Record<Tone, string>,
  product: {
    powderLightener: 'powder lightener',
    creamLightener: 'cream lightener',
    permanentColour: 'permanent colour',
    gloss: 'gloss',
  } satisfies Record<ProductKind, string>,
} as const

/** The hair in one line. */
export const hairLine = (hair: HairState): string =>
  [
    `level ${hair.naturalLevel}`,
    `${hair.lengthCm} cm ${WORDS.cutLine[hair.cutLine].toLowerCase()}`,
    hair.curl,
    `${hair.texture} fibre`,
    `${hair.density} density`,
  ].join(' · ')

/** A date in words, the same on server and browser. */
export const dateInWords = (iso: string): string =>
  new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' })
