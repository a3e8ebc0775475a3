export { ClockPage, type OpenClock } from './ClockPage'
