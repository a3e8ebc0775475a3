export { MixPage, type OpenMix } from './MixPage'
export { PriceFields } from './PriceFields'
