import { uniformCanvas } from '@/core/hair/hairRecord'
import { createHead } from '@/core/scalp/head'
import type { Band, FaltoPlan, HairState } from '@/core/model'
import { planFromService } from '@/core/plan/serviceKinds'
import { VISITS, type ExpectedVisit } from '../reference/visits.expected'
import { MEDIUM_HAIR } from './plan'

const TREATMENT = { lightened: 'lightened', permanent: 'permanent', boxDye: 'boxDye', demi: 'demi' } as const

/** Bands of a record as the expectation describes them: what lies below the first edge was never treated. */
function bandsOf({ bands, history }: ExpectedVisit): Band[] | undefined {
  return bands?.map(({ fromCm, toCm, level }, i) => ({
    fromCm,
    toCm,
    level,
    hue: 'neutral',
    strength: 0,
    treatments: i === 0 || !history ? [] : [{ kind: TREATMENT[history] }],
    porosity: 'normal',
    integrity: 'sound',
  }))
}

/** The plan of a visit on the hair that its expectation describes; ids are counted. */
export function visitPlan(id: string): FaltoPlan {
  const expected = VISITS[id]!
  const measures = { circumferenceCm: 55 }
  const hair: HairState = { ...MEDIUM_HAIR, ...expected.hair }
  let n = 0
  const plan = planFromService(id, { head: measures, hair, newId: () => `id-${n++}` })
  const canvas = uniformCanvas(createHead(measures), hair, {
    bands: bandsOf(expected),
    white: expected.white ?? 0,
    recordedOn: '2026-11-01',
  })
  return { ...plan, canvas }
}
