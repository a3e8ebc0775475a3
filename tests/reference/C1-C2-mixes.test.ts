/**
 * C1. Level of a mix is the weighted mean: equal parts of level 9 and level 6 are 7.5; 3 : 1 is 8.25. Common practice.
 * C2. Equal parts of 10 and 20 vol are 15; 1 : 3 of 10 and 30 are 25. Common practice, arithmetic.
 */
import { blendDeveloper, mixShades, type MixPart } from '@/core/product/formula'

const level = (...mix: [level: number, parts: number][]) =>
  mixShades(
    mix.map(([one, parts]): MixPart => ({ shade: { kind: 'shade', level: one, hue: 'neutral', strength: 0 }, parts })),
  ).level

it.each([
  [
    [
      [9, 1],
      [6, 1],
    ],
    7.5,
  ],
  [
    [
      [9, 3],
      [6, 1],
    ],
    8.25,
  ],
] as [[number, number][], number][])('levels %j mix to %d', (mix, expected) => {
  expect(level(...mix)).toBeCloseTo(expected, 12)
})

it.each([
  [15, [10, 20], [0.5, 0.5]],
  [25, [10, 30], [0.25, 0.75]],
])('%i vol from %j vol takes the shares %j', (wanted, shelf, shares) => {
  expect(blendDeveloper(wanted, shelf).map(({ share }) => share)).toEqual(shares)
})
