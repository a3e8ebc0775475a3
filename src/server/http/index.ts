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
  tableFile,
} from './handle'
export { NONCE, REQUEST_ID } from './guard'
