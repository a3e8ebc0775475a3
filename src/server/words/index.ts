/** Words of links that let in whoever has them. They are handed over once and kept as hashes. */
import { createHash, randomBytes } from 'node:crypto'
import { isUUID } from 'class-validator'

/** Bytes of chance in a word: nobody guesses it. */
const BYTES = 24

const hashOf = (word: string): string => createHash('sha256').update(word).digest('hex')

/** A word for a link. The salon's id stands in it, so that it is looked for in one place only. */
export function newWord(salonId: string): { word: string; hash: string } {
  const secret = randomBytes(BYTES).toString('base64url')
  return { word: `${salonId}_${secret}`, hash: hashOf(secret) }
}

/** Salon and hash of a word, or undefined for what never was one. */
export function partsOf(word: string): { salonId: string; hash: string } | undefined {
  const [salonId = '', ...secret] = word.split('_')
  return isUUID(salonId) ? { salonId, hash: hashOf(secret.join('_')) } : undefined
}
