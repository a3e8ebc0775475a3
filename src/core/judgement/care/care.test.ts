import { type CareCheck, type CareKind, type CareRecord, CARE_KINDS } from '../../model'
import { band, canvasWith } from '../../../../tests/support/canvas'
import { MEDIUM_HAIR } from '../../../../tests/support/plan'
import { careCautions, careStates, CONSENT_TEXT } from '.'

const TODAY = '2026-11-24'
const check = (kind: CareKind, on: string, rest: Partial<CareCheck> = {}): CareCheck => ({
  id: `${kind}-${on}`,
  kind,
  on,
  result: 'clear',
  product: '',
  note: '',
  by: 'Oriel',
  ...rest,
})
const consent = (on: string, textVersion: string = CONSENT_TEXT.version) => ({
  id: on,
  on,
  textVersion,
  strokes: [[0, 0, 1, 1]],
  by: 'Oriel',
})
const COMPLETE: CareRecord = {
  checks: [
    check('allergyAlert', '2026-11-21'),
    check('strandTest', '2026-11-10'),
    check('scalp', TODAY),
    check('age', '2024-01-01'),
    check('metallicHenna', '2026-09-01'),
    check('reactions', '2026-09-01'),
  ],
  consents: [consent('2026-09-01')],
}
const ids = (record: CareRecord, rest: Partial<Parameters<typeof careCautions>[0]> = {}) =>
  careCautions({ record, hair: MEDIUM_HAIR, canvas: undefined, on: TODAY, ...rest }).map(({ id }) => id)
const standing = (record: CareRecord, kind: CareKind) =>
  careStates(record, TODAY).find((state) => state.kind === kind)!.standing

describe('care checks', () => {
  it('raise nothing when all are current, and everything when nothing is recorded', () => {
    expect(ids(COMPLETE)).toEqual([])
    expect(ids({ checks: [], consents: [] })).toEqual([
      ...CARE_KINDS.map((kind) => `care-${kind}-missing`),
      'care-consent-missing',
    ])
  })

  it.each([
    ['allergyAlert', '2026-11-16', 'expired'],
    ['allergyAlert', '2026-11-17', 'current'],
    ['allergyAlert', '2026-11-23', 'early'],
    ['allergyAlert', '2026-11-22', 'current'],
    ['strandTest', '2026-11-23', 'current'],
    ['strandTest', '2026-10-26', 'expired'],
    ['scalp', '2026-11-23', 'expired'],
    ['age', '2001-01-01', 'current'],
    ['reactions', '2026-05-01', 'expired'],
  ] as const)('%s of %s stands as %s', (kind, on, expected) => {
    expect(standing({ checks: [check(kind, on)], consents: [] }, kind)).toBe(expected)
  })

  it('count until the day the record names, and no longer', () => {
    expect(
      standing({ checks: [check('allergyAlert', '2026-01-01', { expiresOn: TODAY })], consents: [] }, 'allergyAlert'),
    ).toBe('current')
    expect(
      standing(
        { checks: [check('allergyAlert', '2026-11-20', { expiresOn: '2026-11-23' })], consents: [] },
        'allergyAlert',
      ),
    ).toBe('expired')
  })

  it('keep a concern until a later check clears it, and take the later of two on one day', () => {
    const worried = check('reactions', '2026-09-01', { result: 'concern' })
    expect(standing({ checks: [worried], consents: [] }, 'reactions')).toBe('concern')
    expect(standing({ checks: [worried, check('reactions', '2026-09-02')], consents: [] }, 'reactions')).toBe('current')
    expect(standing({ checks: [check('reactions', '2026-09-01'), worried], consents: [] }, 'reactions')).toBe('concern')
  })

  it('do not count before their day', () => {
    expect(standing({ checks: [check('scalp', '2026-11-25')], consents: [] }, 'scalp')).toBe('missing')
  })

  it('speak up about salts in the record, a scalp that is not calm, and an old or outdated consent', () => {
    const salts = canvasWith([band(0, 30, { treatments: [{ kind: 'metallic' }] })])
    expect(ids(COMPLETE, { canvas: salts })).toEqual(['care-metallic-recorded'])
    expect(ids(COMPLETE, { canvas: canvasWith([band(0, 30)]) })).toEqual([])
    expect(ids(COMPLETE, { hair: { ...MEDIUM_HAIR, scalp: 'irritated' } })).toEqual(['care-scalp-irritated'])
    expect(ids(COMPLETE, { hair: { ...MEDIUM_HAIR, scalp: 'dry' } })).toEqual([])
    expect(ids({ ...COMPLETE, consents: [consent('2025-11-01')] })).toEqual(['care-consent-expired'])
    expect(ids({ ...COMPLETE, consents: [consent('2026-11-01', '2020-01')] })).toEqual(['care-consent-expired'])
  })

  it('never say that something is safe, and always say what to do', () => {
    const all = careCautions({
      record: { checks: [], consents: [] },
      hair: { ...MEDIUM_HAIR, scalp: 'broken' },
      canvas: canvasWith([band(0, 30, { treatments: [{ kind: 'henna' }] })]),
      on: TODAY,
    })
    for (const { text, remedy } of all) {
      expect(`${text} ${remedy}`).not.toMatch(/\bsafe\b/i)
      expect(remedy.length).toBeGreaterThan(20)
    }
    expect(CONSENT_TEXT.paragraphs.join(' ')).not.toMatch(/\bsafe\b/i)
  })
})
