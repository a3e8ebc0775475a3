import { createHash } from 'node:crypto'

/** Of bytes, hex. */
export const sha256 = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex')
