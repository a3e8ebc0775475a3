import { TONES } from '../model'
import { colourDifference, hexFromLab, labFromLevel } from '.'

describe('levels as colours', () => {
  it('grow lighter with every level, in every tone', () => {
    for (const tone of TONES)
      for (let level = 1; level < 12; level += 0.25) expect(labFromLevel(level + 0.25, tone).l).toBeGreaterThan(labFromLevel(level, tone).l)
  })

  it('turn from red-brown to yellow and are most chromatic in between', () => {
    const hue = (level: number) => Math.atan2(labFromLevel(level, 'neutral').b, labFromLevel(level, 'neutral').a)
    const chroma = (level: number) => Math.hypot(labFromLevel(level, 'neutral').a, labFromLevel(level, 'neutral').b)
    for (let level = 2; level < 11; level++) expect(hue(level + 1)).toBeGreaterThan(hue(level))
    expect(chroma(8)).toBeGreaterThan(chroma(3))
    expect(chroma(8)).toBeGreaterThan(chroma(11))
  })

  it('are warmer in warm tones and cooler in cool ones', () => {
    for (const level of [4, 7, 9]) {
      expect(labFromLevel(level, 'warm').b).toBeGreaterThan(labFromLevel(level, 'neutral').b)
      expect(labFromLevel(level, 'cool').b).toBeLessThan(labFromLevel(level, 'neutral').b)
    }
  })

  it('become screen colours, and tell neighbouring levels apart', () => {
    expect(hexFromLab({ l: 100, a: 0, b: 0 })).toBe('#ffffff')
    for (let level = 1; level < 10; level++) expect(colourDifference(labFromLevel(level, 'neutral'), labFromLevel(level + 1, 'neutral'))).toBeGreaterThan(2)
  })
})
