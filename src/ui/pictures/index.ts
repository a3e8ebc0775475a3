export { PicturesPage } from './PicturesPage'
export { fileFault, uploadPicture } from './upload'
