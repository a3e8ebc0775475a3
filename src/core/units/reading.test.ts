import fc from 'fast-check'
import { AS_KEPT, fieldIn, readIn, timeIn, type ReadingUnits } from '.'

const OUNCES: ReadingUnits = { ...AS_KEPT, mass: 'oz' }
const INCHES: ReadingUnits = { ...AS_KEPT, length: 'in' }
const PERCENT: ReadingUnits = { ...AS_KEPT, developer: '%' }
const OTHER: ReadingUnits = { mass: 'oz', length: 'in', developer: '%', clock: '12' }

describe('a sentence', () => {
  it.each([
    // 1 oz = 28.349523125 g, 1 in = 2.54 cm, 1 US fl oz = 29.5735 ml: international and customary definitions. 20 vol =
    // 6 %: common practice.
    [OUNCES, 'A: 118 g (83–167)', 'A: 4.16 oz (2.93–5.89)'],
    [OUNCES, 'Take 12.5 of 40.0 g', 'Take 0.44 of 1.41 oz'],
    [OUNCES, '28.3 g, 30 ml', '1.00 oz, 1.01 fl oz'],
    [INCHES, 'Row gap 7 → 12 mm', 'Row gap 0.28 → 0.47 in'],
    [INCHES, 'foils 12.7–25.4 cm long', 'foils 5.00–10.0 in long'],
    [INCHES, '-2 to 4 cm', '−0.79 to 1.57 in'],
    [INCHES, '646 cm² of scalp', '100 in² of scalp'],
    [PERCENT, '20 vol, 1 : 1.5', '6 %, 1 : 1.5'],
    [OTHER, '40 % of 30 vol over 10 mm', '40 % of 9 % over 0.39 in'],
  ])('is read in other units: %#', (units, text, read) => {
    expect(readIn(units, text)).toBe(read)
  })

  it('keeps what is no quantity of its own: densities, rates, levels, formulas, times', () => {
    for (const text of [
      '1.1 g/ml',
      '1.25 cm/month',
      'level 7.5, 12 foils',
      'A · B · 3 rows',
      '10:45',
      'bowl 2 goes',
      '5 good rows',
    ])
      expect(readIn(OTHER, text)).toBe(text)
  })

  it('is as it was in the units it is kept in, whatever it says', () => {
    fc.assert(fc.property(fc.string(), (text) => expect(readIn(AS_KEPT, text)).toBe(text)))
  })
})

describe('a field', () => {
  it('gives back what was typed, in every unit, to the places it shows', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('g', 'ml', 'cm', 'mm', 'vol', 'min'),
        fc.integer({ min: 0, max: 4000 }),
        (unit, hundredths) => {
          const field = fieldIn(OTHER, unit)
          // Developer is shown to tenths of a per cent, grams are kept to tenths: the coarser of both is what comes
          // back.
          const typed = field.unit === '%' ? Math.round(hundredths / 10) / 10 : hundredths / 100
          expect(field.shown(field.kept(typed))).toBeCloseTo(typed, 9)
        },
      ),
    )
  })

  it('steps as a hand expects', () => {
    expect(fieldIn(INCHES, 'cm').step(0.5)).toBe(0.25)
    expect(fieldIn(INCHES, 'mm').step(1)).toBe(0.05)
    expect(fieldIn(PERCENT, 'vol').step(5)).toBeCloseTo(1.5, 9)
    expect(fieldIn(AS_KEPT, 'cm').step(0.5)).toBe(0.5)
  })
})

it('tells the time by twelve hours or twenty-four', () => {
  // ISO 8601 times beside their twelve-hour reading: noon is 12 pm, midnight 12 am.
  expect(['00:05', '09:30', '12:00', '13:05', '23:59'].map((time) => timeIn(OTHER, time))).toEqual([
    '12:05 am',
    '9:30 am',
    '12:00 pm',
    '1:05 pm',
    '11:59 pm',
  ])
  expect(timeIn(AS_KEPT, '13:05')).toBe('13:05')
})
