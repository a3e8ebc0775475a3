export { ShelfPage } from './ShelfPage'
