/**
 * Nine visits as a colourist expects them to run, written down and committed before they were tried. From common
 * practice (no source); minutes ± 20 %, levels ± 0.7 around what is said here. `courses.test.ts` tries them.
 *
 * - `rinses`: what comes off together, in order. `processing`: from the last of it put on to its rinse, min.
 * - `minutes`: the whole visit. `level`: what a letter comes to, mean over the head.
 */
export interface Course {
  story: string
  rinses?: string[]
  fits: boolean
  minutes?: [number, number]
  processing?: Record<string, [number, number]>
  level?: Record<string, [number, number]>
  /** How much sooner it ends with the help that is named, min. */
  saves?: [number, number]
}

export const COURSES = {
  oneRinse: {
    story: 'Shadow on a regrown root and gloss over lightened lengths of level 9, both rinsed once.',
    rinses: ['Root and Lengths'],
    fits: true,
    minutes: [65, 105],
    processing: { 'Root and Lengths': [8, 22] },
  },
  baseUnder: {
    story: 'Permanent base on the root, foils over it while it sits, both rinsed once; then a gloss.',
    rinses: ['Base and Foils over the base', 'Gloss'],
    fits: true,
    minutes: [120, 200],
    /** The base sits at least so long, counted from its own end, and no longer than its label. */
    processing: { Base: [28, 45] },
  },
  dropoutsBeside: {
    story: 'Foils, and what is not picked is coloured section by section: alone, and with a second colourist beside.',
    fits: true,
    saves: [10, 70],
  },
  twoInOneFoil: {
    story: 'One foil with lightener on the regrowth and another on the ends that were dyed, taken out together.',
    rinses: ['Lighten'],
    fits: true,
    minutes: [130, 220],
    level: { A: [6.8, 8.6] },
  },
  palestOnScalp: {
    story:
      'Natural 3, all new growth to palest yellow on the scalp, 20 vol, label 90 min, fresh product again and again.',
    fits: true,
    /** From the first put on until the rinse: about 82 min on the observed job. */
    processing: { stay: [65, 90] },
    level: { A: [9, 10.4] },
  },
  removerFirst: {
    story: 'Box dye of level 4 on natural 6: foils at once, and foils after a remover in a visit of its own stages.',
    fits: true,
    /** How much lighter the same foils come out. */
    level: { gain: [0.7, 3] },
  },
  blockOnBob: {
    story: 'Block colour in triangles on a bob of 20 cm.',
    rinses: ['Block colour'],
    fits: true,
    minutes: [60, 110],
    processing: { 'Block colour': [18, 36] },
  },
  leftIn: {
    story: 'An equaliser that stays in, and a gloss on it: one rinse.',
    rinses: ['Gloss'],
    fits: true,
    minutes: [60, 110],
    processing: { Gloss: [16, 24] },
  },
  inThreeVisits: {
    story: 'Lengths that were dyed black again and again, wished at level 9: no single visit gets there.',
    fits: true,
    /** Visits that are foreseen. */
    level: { visits: [2, 5] },
  },
} as const satisfies Record<string, Course>
