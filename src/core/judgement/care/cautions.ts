import { daysBetween } from '../../hair/hairRecord'
import type { Canvas, CareKind, CareRecord, Caution, HairState } from '../../model'
import { ALLERGY_WAIT_DAYS, CONSENT_WEEKS } from './constants'
import { CONSENT_TEXT } from './consentText'
import { careStates, type CareStanding, type CareState } from './states'

/** What care cautions are read from. */
export interface CareInput {
  record: CareRecord
  hair: HairState
  canvas: Canvas | undefined
  /** The day of the service. */
  on: string
}

const NAMES: Record<CareKind, string> = {
  allergyAlert: 'Allergy alert test',
  strandTest: 'Strand test',
  scalp: 'Look at the scalp',
  age: 'Age',
  metallicHenna: 'Question about metallic salts and henna',
  reactions: 'Question about earlier reactions, medicines and health',
}

const REMEDIES: Record<CareKind, string> = {
  allergyAlert: `Make it as the product’s instructions say, usually ${24 * ALLERGY_WAIT_DAYS} h before, and record it.`,
  strandTest: 'Test a hidden strand with the product that is planned, stretch it wet, and record what it lifted to.',
  scalp: 'Look at it dry, before anything is applied. Never on broken or irritated skin.',
  age: 'Ask; the products’ instructions and local rules set the lowest age.',
  metallicHenna: 'Ask about restoring lotions, henna and colours of unknown make; with any doubt, test a strand.',
  reactions: 'Ask. With an earlier reaction, illness, pregnancy or medicines: the instructions and a doctor decide.',
}

const STANDING_WORDS: Record<Exclude<CareStanding, 'current'>, string> = {
  missing: 'not recorded',
  expired: 'out of date',
  early: `not yet to be read (${24 * ALLERGY_WAIT_DAYS} h by most instructions)`,
  concern: 'gave cause for concern',
}

/**
 * Cautions from a client's record on the day of a service: checks that are missing, out of date or worrying; salts in
 * the hair; a scalp that is not calm; consent. Their ids name the state, so that one acknowledged as missing asks again
 * when it has run out.
 */
export const careCautions = (input: CareInput): Caution[] => [
  ...careStates(input.record, input.on).flatMap(checkCaution),
  ...metallic(input),
  ...scalp(input),
  ...consent(input),
]

function checkCaution({ kind, standing, check }: CareState): Caution[] {
  if (standing === 'current') return []
  return [
    caution(
      `care-${kind}-${standing}`,
      `${NAMES[kind]}: ${STANDING_WORDS[standing]}${check ? ` (${check.on}, ${check.by}${check.note ? `: ${check.note}` : ''})` : ''}.`,
      standing === 'concern' ? `Do not go on before it is cleared up. ${REMEDIES[kind]}` : REMEDIES[kind],
    ),
  ]
}

function metallic({ canvas }: CareInput): Caution[] {
  const found = canvas?.strands.some(({ bands }) =>
    bands.some(({ treatments }) => treatments.some(({ kind }) => kind === 'metallic' || kind === 'henna')),
  )
  if (!found) return []
  return [
    caution(
      'care-metallic-recorded',
      'The hair record names metallic salts or henna.',
      'No lightener and no oxidative colour over metallic salts. Let a strand test decide about henna.',
    ),
  ]
}

function scalp({ hair }: CareInput): Caution[] {
  if (hair.scalp !== 'irritated' && hair.scalp !== 'broken') return []
  return [
    caution(
      `care-scalp-${hair.scalp}`,
      `The scalp is recorded as ${hair.scalp}.`,
      'No colour service on broken or irritated skin; with any doubt a doctor decides.',
    ),
  ]
}

function consent({ record, on }: CareInput): Caution[] {
  const newest = record.consents.reduce<CareRecord['consents'][number] | undefined>(
    (best, one) => (best && best.on > one.on ? best : one),
    undefined,
  )
  if (newest && newest.textVersion === CONSENT_TEXT.version && daysBetween(newest.on, on) <= 7 * CONSENT_WEEKS)
    return []
  return [
    caution(
      newest ? 'care-consent-expired' : 'care-consent-missing',
      newest
        ? `Consent was given on ${newest.on} to an earlier text or over a year ago.`
        : 'There is no signed consent.',
      'Let the client read and sign it under Care.',
    ),
  ]
}

const caution = (id: string, text: string, remedy: string): Caution => ({
  id,
  severity: 'caution',
  text,
  remedy,
  zoneIds: [],
})
