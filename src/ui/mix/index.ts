export { MixPage, type OpenMix } from './MixPage'
