/** Requests and answers. */
export { answered, isUuid, LARGEST_BODY, readEntry, readJson, signedIn } from './handle'
export { log } from './log'
