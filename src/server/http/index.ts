/** Requests and answers. */
export { answered, isUuid, LARGEST_BODY, readBytes, readEntry, readJson, signedIn, streamLines } from './handle'
export { log } from './log'
