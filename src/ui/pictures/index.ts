export { PicturesPage } from './PicturesPage'
