/**
 * What a colourist would write on the card at the next consultation, eight weeks after six of the visits: written down
 * before it was computed, from common practice (no source). Hair grows 1.25 cm a month: about 2.3 cm of new growth.
 * `at`: distance from the scalp, cm, with the level range there and words of what was done; shares in % of all hair.
 */
export interface ExpectedCard {
  visit: string
  kinds: { what: string; share: [number, number]; at: Record<number, { level: [number, number]; done: string[] }> }[]
}

const NEW_GROWTH = (level: number) => ({ level: [level - 0.25, level + 0.25] as [number, number], done: [] })

export const CARDS: ExpectedCard[] = [
  {
    visit: 'rootAndLengths',
    kinds: [
      {
        what: 'everything: new growth, faded shadow, toned blonde',
        share: [95, 100],
        at: {
          1: NEW_GROWTH(6),
          2.9: { level: [5, 6.75], done: ['demi'] },
          15: { level: [8, 9.25], done: ['lightened', 'demi'] },
        },
      },
    ],
  },
  {
    visit: 'growthAndEnds',
    kinds: [
      {
        what: 'the found strands, light from the old demarcation to the ends',
        share: [18, 40],
        at: {
          1: NEW_GROWTH(6),
          5: { level: [8.5, 10], done: ['lightened'] },
          22: { level: [8.5, 10], done: ['lightened'] },
        },
      },
    ],
  },
  {
    visit: 'lightAndLow',
    kinds: [
      { what: 'light strands', share: [10, 24], at: { 1: NEW_GROWTH(6), 15: { level: [8, 10], done: ['lightened'] } } },
      { what: 'low strands', share: [10, 24], at: { 1: NEW_GROWTH(6), 15: { level: [4, 5.75], done: ['permanent'] } } },
      { what: 'her own', share: [50, 82], at: { 1: NEW_GROWTH(6), 15: { level: [5.75, 6.25], done: [] } } },
    ],
  },
  {
    visit: 'onScalpRetouch',
    kinds: [
      {
        what: 'everything: light to within the new growth',
        share: [95, 100],
        at: {
          1: NEW_GROWTH(6),
          3: { level: [8.5, 10], done: ['lightened'] },
          15: { level: [9, 10], done: ['lightened'] },
        },
      },
    ],
  },
  {
    visit: 'rootColour',
    kinds: [
      {
        what: 'her pigmented hair, coloured down to the ends',
        share: [50, 65],
        at: {
          1: NEW_GROWTH(5),
          3: { level: [4.25, 5.5], done: ['permanent'] },
          15: { level: [4.25, 5.5], done: ['permanent'] },
        },
      },
    ],
  },
  {
    visit: 'rootedTeased',
    kinds: [
      {
        what: 'light strands under a shadow',
        share: [15, 36],
        at: {
          1: NEW_GROWTH(5),
          3.3: { level: [4.5, 6.5], done: ['demi'] },
          22: { level: [8, 9.25], done: ['lightened', 'demi'] },
        },
      },
      {
        what: 'her own, glossed',
        share: [60, 85],
        at: { 1: NEW_GROWTH(5), 22: { level: [4.5, 5.5], done: ['demi'] } },
      },
    ],
  },
]
