/** Requests and answers. */
export {
  answered,
  checkedEntry,
  isUuid,
  readBytes,
  readEntry,
  readJson,
  readTableEntry,
  signedIn,
  streamLines,
} from './handle'
export { NONCE, REQUEST_ID } from './guard'
