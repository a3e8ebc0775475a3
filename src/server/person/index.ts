/** One client as a whole: everything that is kept of her in one file, and how it all goes. */
export { eraseClient } from './erase'
export { fileOfClient } from './file'
export { retentionOf } from './retention'
export { PERSON_PARTS, STAYS, type PersonPart } from './parts'
