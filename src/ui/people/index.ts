export { ClientPage } from './ClientPage'
export { People } from './People'
