import { percentFromVolume } from './peroxide'

/**
 * Units that a salon may read and type in. What is kept stays in g, ml, cm, mm and vol; only what is shown is turned.
 */
export const READING_UNITS = {
  mass: ['g', 'oz'],
  length: ['cm', 'in'],
  developer: ['vol', '%'],
  clock: ['24', '12'],
} as const

export type ReadingUnits = { [Kind in keyof typeof READING_UNITS]: (typeof READING_UNITS)[Kind][number] }

/** As everything is kept. */
export const AS_KEPT: ReadingUnits = { mass: 'g', length: 'cm', developer: 'vol', clock: '24' }

interface Reading {
  unit: string
  /** How much of it is one of the kept unit. */
  factor: number
  /**
   * Places that tell apart what a scale, a tape or a label does: 0.01 oz is 0.3 g, 0.01 in a quarter of a millimetre.
   * Our estimate.
   */
  decimals: number
  /** Places that what is typed is kept to. */
  keptDecimals: number
}

const MM_PER_INCH = 25.4 // exact, international inch (1959)
const CM_PER_INCH = MM_PER_INCH / 10
const GRAMS_PER_OUNCE = 28.349523125 // exact, international avoirdupois ounce
const ML_PER_FLUID_OUNCE = 29.5735295625 // exact, United States fluid ounce

const INCH = { unit: 'in', decimals: 2, keptDecimals: 2 }

const readingOf = ({ mass, length, developer }: ReadingUnits): Readonly<Record<string, Reading>> => ({
  ...(mass === 'oz' && {
    g: { unit: 'oz', factor: 1 / GRAMS_PER_OUNCE, decimals: 2, keptDecimals: 1 },
    ml: { unit: 'fl oz', factor: 1 / ML_PER_FLUID_OUNCE, decimals: 2, keptDecimals: 1 },
  }),
  ...(length === 'in' && {
    cm: { ...INCH, factor: 1 / CM_PER_INCH },
    mm: { ...INCH, factor: 1 / MM_PER_INCH },
    'cm²': { ...INCH, unit: 'in²', factor: 1 / CM_PER_INCH ** 2 },
  }),
  ...(developer === '%' && { vol: { unit: '%', factor: percentFromVolume(1), decimals: 1, keptDecimals: 2 } }),
})

const FIGURE = '[−-]?\\d+(?:\\.\\d+)?'
const FIGURES = new RegExp(FIGURE, 'g')
/**
 * One figure or several that share a unit, as in "4–8 cm", "12.5 of 40.0 g" or "118 g (83–167)"; "g/ml" and "cm/month"
 * are units of their own.
 */
const QUANTITY = new RegExp(
  `(?<![\\w.])(${FIGURE})((?:(?:–| to | of | → )${FIGURE})*) ?(cm²|cm|mm|ml|g|vol)(?![\\w²/])(?: \\((${FIGURE})–(${FIGURE})\\))?`,
  'g',
)

/**
 * A sentence of ours with its figures turned to the units of the salon.
 * @param text as the core writes it: every figure before its unit, decimals with a point
 * @example readIn({ ...AS_KEPT, mass: 'oz' }, 'A: 118 g (83–167)') // 'A: 4.16 oz (2.93–5.89)'
 */
export function readIn(units: ReadingUnits, text: string): string {
  const readings = readingOf(units)
  if (Object.keys(readings).length === 0) return text
  return text.replace(QUANTITY, (whole, first: string, more: string, unit: string, low?: string, high?: string) => {
    const reading = readings[unit]
    if (!reading) return whole
    const turned = (figures: string) => figures.replace(FIGURES, (figure) => turn(reading, figure))
    return `${turned(first)}${turned(more)} ${reading.unit}${low && high ? ` (${turned(low)}–${turned(high)})` : ''}`
  })
}

/** Fewer places the larger it is; what is written to fixed places stays so, in columns that must not jump. */
function turn({ factor, decimals }: Reading, figure: string): string {
  const value = Number(figure.replace('−', '-')) * factor
  const whole = Math.trunc(Math.abs(Number(value.toFixed(decimals))))
  const places = Math.max(0, decimals + 1 - String(whole).length)
  const turned = value.toFixed(places)
  return (figure.includes('.') ? turned : String(Number(turned))).replace('-', '−')
}

/** A field for a figure, in the units of the salon. */
export interface ReadingField {
  unit: string
  shown: (kept: number) => number
  kept: (shown: number) => number
  /** Without its unit, to as many places as it is weighed or measured to, for columns. */
  fixed: (kept: number) => string
  /** How far a step goes. */
  step: (kept: number) => number
}

/** Steps that a hand expects of inches and ounces. Our estimate. */
const STEPS = [0.01, 0.02, 0.05, 0.1, 0.25, 0.5, 1, 2, 5, 10, 25, 50]

/** @param unit the kept one, as in a limit of the model; what has no other reading stays as it is */
export function fieldIn(units: ReadingUnits, unit: string): ReadingField {
  const reading = readingOf(units)[unit]
  if (!reading)
    return {
      unit,
      shown: (kept) => kept,
      kept: (shown) => shown,
      fixed: (kept) => kept.toFixed(1),
      step: (kept) => kept,
    }
  const { factor, decimals, keptDecimals } = reading
  const nearest = (step: number) =>
    STEPS.reduce((best, one) => (Math.abs(Math.log(one / step)) < Math.abs(Math.log(best / step)) ? one : best))
  return {
    unit: reading.unit,
    shown: (kept) => Number((kept * factor).toFixed(decimals)),
    kept: (shown) => Number((shown / factor).toFixed(keptDecimals)),
    fixed: (kept) => (kept * factor).toFixed(decimals),
    step: (kept) => (reading.unit === '%' ? kept * factor : nearest(kept * factor)),
  }
}

/** A time of day. @param time HH:MM @example timeIn({ ...AS_KEPT, clock: '12' }, '14:05') // '2:05 pm' */
export function timeIn({ clock }: ReadingUnits, time: string): string {
  if (clock === '24') return time
  const [hour, minute] = time.split(':') as [string, string]
  return `${Number(hour) % 12 || 12}:${minute} ${Number(hour) < 12 ? 'am' : 'pm'}`
}
