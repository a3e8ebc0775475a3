/**
 * What a colourist expects of seven services, written down before process model and scheduler were. Kind: common
 * practice, no source; levels within ± 0.7, minutes ± 20 %. `stories.test.ts` tries them.
 */
export const STORIES = {
  baseUnderFoils: {
    story: 'A third of the head in foils, then base colour on what lies between; both are rinsed together.',
    expected: {
      /** Permanent colour that may sit 45 min. */
      longProduct: { fits: true, baseMinutes: { least: 28, most: 45 } },
      /** A product of 20 min would be over before the last foils are ready. */
      shortProduct: { fits: false, saysProduct: true, remedy: 'otherProduct' },
    },
  },
  fullHeadAlone: {
    story: 'A full head of back-to-back foils, 8 mm, lightener for at most 50 min: alone, and with a second colourist.',
    expected: {
      /**
       * Foils alone take 60–90 min to put in: longer than the first may stay, so early ones come out before the last
       * are in.
       */
      alone: { handsOnMinutes: { least: 60, most: 110 }, someOutBeforeLastIn: true },
      helped: { savesMinutesAtLeast: 20, someOutBeforeLastIn: false },
    },
  },
  coldEnds: {
    story: 'Foils from root to tip, level 5 to 9: on 70 cm of hair the ends hang in the cold, on 28 cm they do not.',
    expected: { lag: { longAtLeast: 0.7, shortAtMost: 0.8, longOverShortAtLeast: 0.5 }, heatHelpsBy: 0.3 },
  },
  fragileNape: {
    story: 'The same foils everywhere, the nape is fragile.',
    expected: { firstToCheck: 'nape', riskAgainstRest: 1.5 },
  },
  hairlineLast: {
    story: 'On-scalp lightener over the whole head in half an hour: the fine hairline first, or last.',
    expected: { lighterWhenFirstBy: 0.7, spreadSmallerWhenLast: true },
  },
  glossEndsLater: {
    story:
      'A gloss two levels deeper than the hair, 20 min, ends porous: put on together, or the ends five minutes after the mid-lengths.',
    expected: { togetherEndsDeeperBy: 0.1, laterDifferenceAtMost: 0.1 },
  },
  lengthsFirst: {
    story:
      'Virgin hair lightened to the scalp: scalp and lengths at once, or the scalp twenty minutes after the lengths.',
    expected: { hotRootAtOnceBy: 1, differenceLengthsFirstAtMost: 0.7 },
  },
} as const
