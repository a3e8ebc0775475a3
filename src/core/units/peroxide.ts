/**
 * Trade convention: 10 "volume" of developer is 3 % hydrogen peroxide. Common practice; 40 vol = 12 % is the ceiling of
 * Regulation (EC) 1223/2009 Annex III for hair products (from memory).
 */
const PERCENT_PER_VOLUME = 0.3

const MOLAR_VOLUME_L = 22.414 // litres per mole of an ideal gas at 0 °C and 1 atm
const MOLAR_MASS_H2O2 = 34.0147 // g/mol

/**
 * Hydrogen peroxide content of a developer.
 * @param volume strength in "vol" (10, 20, 30, 40 and anything between)
 * @returns % peroxide
 * @example percentFromVolume(20) // 6
 */
export const percentFromVolume = (volume: number): number => volume * PERCENT_PER_VOLUME

/** Inverse of {@link percentFromVolume}. @example volumeFromPercent(9) // 30 */
export const volumeFromPercent = (percent: number): number => percent / PERCENT_PER_VOLUME

/**
 * What "volume" means physically: litres of oxygen (0 °C, 1 atm) set free by one litre of solution, 2 H₂O₂ → 2 H₂O +
 * O₂.
 * @param gramsPerLitre hydrogen peroxide in solution, g/L (3 % w/v is 30 g/L)
 */
export const oxygenVolumes = (gramsPerLitre: number): number => ((gramsPerLitre / MOLAR_MASS_H2O2) * MOLAR_VOLUME_L) / 2
