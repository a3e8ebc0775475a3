/** Pictures of clients: taken in, cleaned of what the camera wrote into them, and shown. */
export { LARGEST_PICTURE, readPicture, listPictures, setPictureRemoved, takePicture } from './pictures'
