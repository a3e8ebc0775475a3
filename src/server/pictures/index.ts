/** Pictures of clients: taken in, cleaned of what the camera wrote into them, and shown. */
export { cleaned } from './clean'
export {
  keepPicture,
  LARGEST_PICTURE,
  readPicture,
  sha256,
  listPictures,
  setPictureRemoved,
  takePicture,
} from './pictures'
