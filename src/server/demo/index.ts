/** The invented salon, put into a database. */
export { seedDemo } from './seed'
