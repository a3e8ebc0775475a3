/** Stage 5, begun: lift of lightener over time under constant conditions. Times in min, temperatures in °C, lift in levels. */
export { liftAfter, liftRate, type LiftConditions } from './lift'
export { historyRate } from './history'
