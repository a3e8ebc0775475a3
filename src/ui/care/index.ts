export { CarePage } from './CarePage'
