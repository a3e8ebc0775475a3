/** Pictures of clients: taken in, cleaned of what the camera wrote into them, and shown. */
export { bringBack, bytesOf, checkStored, countPictures, letGo, moveOut, removePictureBytes, type Found } from './away'
export { cleaned } from './clean'
export { keepPicture, LARGEST_PICTURE, readPicture, listPictures, setPictureRemoved, takePicture } from './pictures'
export { sha256 } from './sha256'
