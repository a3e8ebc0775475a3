/** Requests and answers. */
export { answered, isUuid, LARGEST_BODY, readBytes, readEntry, readJson, signedIn } from './handle'
export { log } from './log'
