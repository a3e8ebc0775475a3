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
export { NONCE, REQUEST_ID } from './guard'
