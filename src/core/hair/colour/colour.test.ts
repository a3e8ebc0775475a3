import fc from 'fast-check'
import { TONE_HUES, TONES } from '../../model'
import {
  apparentLevel,
  colourDifference,
  exposedLab,
  hexFromLab,
  labFromLevel,
  labFromPigments,
  labOfHair,
  levelFromLab,
  pigmentsAt,
  type Lab,
} from '.'

const anyLevel = fc.double({ min: 1, max: 12, noNaN: true })
const strength = fc.double({ min: 0, max: 1, noNaN: true })
const hueDeg = ({ a, b }: Lab) => (Math.atan2(b, a) * 180) / Math.PI
const chroma = ({ a, b }: Lab) => Math.hypot(a, b)

describe('levels', () => {
  it('are lightness: every tone at every strength reads back as the level it was made at', () => {
    fc.assert(
      fc.property(anyLevel, fc.constantFrom(...TONE_HUES), strength, (level, hue, much) => {
        expect(levelFromLab(labOfHair(level, hue, much))).toBeCloseTo(level, 9)
        expect(levelFromLab(exposedLab(level))).toBeCloseTo(level, 9)
      }),
    )
  })

  it('grow lighter, and neighbours can be told apart', () => {
    for (const tone of TONES)
      for (let level = 1; level < 12; level += 0.25)
        expect(labFromLevel(level + 0.25, tone).l).toBeGreaterThan(labFromLevel(level, tone).l)
    for (let level = 1; level < 12; level++)
      expect(colourDifference(labFromLevel(level, 'neutral'), labFromLevel(level + 1, 'neutral'))).toBeGreaterThan(2)
  })

  it('beyond the scale read as its ends', () => {
    expect(levelFromLab({ l: 2, a: 0, b: 0 })).toBe(1)
    expect(levelFromLab({ l: 99, a: 0, b: 0 })).toBe(12)
    expect(labOfHair(0, 'neutral', 0)).toEqual(labOfHair(1, 'neutral', 0))
  })
})

describe('tones', () => {
  it('are warmer in warm hues and cooler in cool ones, in proportion to their strength', () => {
    for (const level of [4, 7, 9]) {
      const neutral = labOfHair(level, 'neutral', 0)
      for (const hue of ['ash', 'violet', 'pearl', 'silver'] as const)
        expect(labOfHair(level, hue, 1).b).toBeLessThan(neutral.b)
      for (const hue of ['gold', 'copper'] as const) expect(labOfHair(level, hue, 1).b).toBeGreaterThan(neutral.b)
      expect(labOfHair(level, 'red', 1).a).toBeGreaterThan(neutral.a)
      expect(colourDifference(neutral, labOfHair(level, 'ash', 0.3))).toBeLessThan(
        colourDifference(neutral, labOfHair(level, 'ash', 0.9)),
      )
    }
    expect(chroma(labOfHair(10, 'silver', 1))).toBeLessThan(5)
  })

  it('at no strength are neutral', () => {
    for (const hue of TONE_HUES) expect(labOfHair(6, hue, 0)).toEqual(labOfHair(6, 'neutral', 0))
  })

  it('make cool results look up to a level deeper and warm ones lighter', () => {
    expect(apparentLevel(8, 'ash', 1)).toBe(7)
    expect(apparentLevel(8, 'gold', 1)).toBeGreaterThan(8)
    expect(apparentLevel(8, 'neutral', 1)).toBe(8)
  })

  it('become screen colours', () => {
    expect(hexFromLab({ l: 100, a: 0, b: 0 })).toBe('#ffffff')
    expect(hexFromLab({ l: 0, a: 0, b: 0 })).toBe('#000000')
  })
})

describe('the path of lift', () => {
  it.each([
    ['as a table', exposedLab],
    ['as melanins', (level: number) => labFromPigments(pigmentsAt(level))],
  ] as const)(
    '%s: hue rises from red-brown to yellow with rising lightness, most chromatic at orange',
    (_how, colourAt) => {
      const path = Array.from({ length: 37 }, (_, i) => colourAt(1 + i / 4))
      path.slice(1).forEach((lab, i) => {
        expect(lab.l).toBeGreaterThan(path[i]!.l)
        expect(hueDeg(lab)).toBeGreaterThan(hueDeg(path[i]!))
      })
      expect(hueDeg(path[0]!)).toBeLessThan(40)
      expect(hueDeg(path[36]!)).toBeGreaterThan(80)
      const strongest = 1 + path.map(chroma).indexOf(Math.max(...path.map(chroma))) / 4
      expect(strongest).toBeGreaterThanOrEqual(6)
      expect(strongest).toBeLessThanOrEqual(8)
      expect(Math.max(...path.map(chroma))).toBeGreaterThan(38)
      expect(Math.max(...path.map(chroma))).toBeLessThan(50)
    },
  )

  it('has melanins that agree with the table at every level', () => {
    for (let level = 1; level <= 10; level++)
      expect(colourDifference(exposedLab(level), labFromPigments(pigmentsAt(level)))).toBeLessThan(2.5)
  })

  it('loses dark pigment first and the warm residue last, and none of them ever grows', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 9.9, noNaN: true }), (level) => {
        const before = pigmentsAt(level)
        const after = pigmentsAt(level + 0.1)
        for (const key of ['eumelanin', 'pheomelanin', 'residue'] as const) expect(after[key]).toBeLessThan(before[key])
      }),
    )
    const left = (key: 'eumelanin' | 'pheomelanin' | 'residue') => pigmentsAt(6)[key] / pigmentsAt(1)[key]
    expect(left('eumelanin')).toBeLessThan(left('pheomelanin'))
    expect(left('pheomelanin')).toBeLessThan(left('residue'))
  })
})
