export { Chair } from './Chair'
