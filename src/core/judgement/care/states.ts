import { daysBetween } from '../../hair/hairRecord'
import { CARE_KINDS, type CareCheck, type CareKind, type CareRecord } from '../../model'
import { ALLERGY_WAIT_DAYS, VALID_DAYS } from './constants'

/** `early`: made, but not yet to be read. */
export type CareStanding = 'current' | 'early' | 'expired' | 'concern' | 'missing'

export interface CareState {
  kind: CareKind
  standing: CareStanding
  /** The newest check of this kind, if there is one. */
  check: CareCheck | undefined
  /** Days left of it; negative when it has run out; undefined where it does not expire or is not there. */
  daysLeft: number | undefined
}

/** How every kind of check stands on a day. A concern stays until a later check clears it. */
export const careStates = (record: CareRecord, on: string): CareState[] =>
  CARE_KINDS.map((kind) => {
    // Of two on one day the one that was written later counts.
    const check = record.checks
      .filter((one) => one.kind === kind && daysBetween(one.on, on) >= 0)
      .reduce<CareCheck | undefined>((newest, one) => (newest && newest.on > one.on ? newest : one), undefined)
    if (!check) return { kind, standing: 'missing', check, daysLeft: undefined }
    const daysLeft = daysLeftOf(check, on)
    return { kind, standing: standingOf(check, daysLeft, on), check, daysLeft }
  })

function daysLeftOf({ kind, on: made, expiresOn }: CareCheck, on: string): number | undefined {
  if (expiresOn !== undefined) return daysBetween(on, expiresOn)
  const valid = VALID_DAYS[kind]
  return valid === Infinity ? undefined : valid - daysBetween(made, on)
}

function standingOf({ kind, on: made, result }: CareCheck, daysLeft: number | undefined, on: string): CareStanding {
  if (result === 'concern') return 'concern'
  if (daysLeft !== undefined && daysLeft < 0) return 'expired'
  return kind === 'allergyAlert' && daysBetween(made, on) < ALLERGY_WAIT_DAYS ? 'early' : 'current'
}
