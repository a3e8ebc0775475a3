/**
 * Units. Inside the core: cm, cm², g, s, °C, % (w/w). Everything else is converted here, at the edge.
 */
export const MM_PER_CM = 10
export const CM_PER_INCH = 2.54 // exact, international inch (1959)
export const GRAMS_PER_OUNCE = 28.349523125 // exact, international avoirdupois ounce

export const cmFromMm = (mm: number): number => mm / MM_PER_CM
export const inFromCm = (cm: number): number => cm / CM_PER_INCH
export const cmFromIn = (inches: number): number => inches * CM_PER_INCH
export const ozFromGrams = (grams: number): number => grams / GRAMS_PER_OUNCE
export const secondsFromMinutes = (minutes: number): number => minutes * 60
export const minutesFromSeconds = (seconds: number): number => seconds / 60

/** Rounded for reading. */
export const tenth = (value: number): number => Math.round(value * 10) / 10

export const radians = (degrees: number): number => (degrees * Math.PI) / 180
export const degrees = (radians: number): number => (radians * 180) / Math.PI

export * from './peroxide'
