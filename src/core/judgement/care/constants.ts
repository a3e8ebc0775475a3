import type { CareKind } from '../../model'

/**
 * Days after which a check has to be made again where the record gives no last day of its own. Scalp: looked at on the
 * day (common practice). Allergy alert test: products ask for one before every colouring, usually 48 h ahead, so it
 * carries one appointment; a week, our estimate. Strand test: tells about the hair as it was, four weeks, our estimate.
 * Questions: half a year, our estimate. Age: does not expire.
 */
export const VALID_DAYS: Record<CareKind, number> = {
  allergyAlert: 7,
  strandTest: 28,
  scalp: 0,
  age: Infinity,
  metallicHenna: 182,
  reactions: 182,
}

/**
 * An allergy alert test is read after 48 h by most instructions. Common practice; the product's own instructions come
 * first.
 */
export const ALLERGY_WAIT_DAYS = 2

/** Consent is asked for again after a year. Our estimate. */
export const CONSENT_WEEKS = 52
