export { DayPage } from './DayPage'
