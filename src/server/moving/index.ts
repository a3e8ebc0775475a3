/** A salon as one file: packed here, taken in elsewhere. */
export { fileOfSalon, packInto } from './pack'
export { unpackSalon, type TakenIn } from './unpack'
