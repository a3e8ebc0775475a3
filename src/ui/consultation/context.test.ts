import type { TreatmentKind } from '@/core/model'
import { historyWords } from './context'

const words = (...kinds: TreatmentKind[]) => historyWords({ treatments: kinds.map((kind) => ({ kind })) })

it('says what was done in order, and once what was done several times in a row', () => {
  expect(words()).toBe('virgin')
  expect(words('permanent', 'permanent', 'permanent', 'lightened', 'demi')).toBe(
    'permanent × 3, then lightened, then demi',
  )
  expect(words('demi', 'lightened', 'demi')).toBe('demi, then lightened, then demi')
})
