/**
 * Units. Inside the core: cm, cm², g, s, °C, % (w/w). Everything else is converted here, at the edge.
 */
export const MM_PER_CM = 10

export const cmFromMm = (mm: number): number => mm / MM_PER_CM
export const secondsFromMinutes = (minutes: number): number => minutes * 60
export const minutesFromSeconds = (seconds: number): number => seconds / 60

/** Rounded for reading. */
export const roundToTenth = (value: number): number => Math.round(value * 10) / 10
export const roundToHundredth = (value: number): number => Math.round(value * 100) / 100

export const radians = (degrees: number): number => (degrees * Math.PI) / 180
export const degrees = (radians: number): number => (radians * 180) / Math.PI

export * from './peroxide'
export * from './reading'
