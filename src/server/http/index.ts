/** Requests and answers. */
export {
  answered,
  checkedEntry,
  isUuid,
  LARGEST_BODY,
  readBytes,
  readEntry,
  readJson,
  signedIn,
  streamLines,
} from './handle'
export { NONCE } from './headers'
