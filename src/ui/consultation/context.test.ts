import type { TreatmentKind } from '@/core/model'
import { band } from '../../../tests/support/canvas'
import { historyWords, kindWords } from './context'

const words = (...kinds: TreatmentKind[]) => historyWords({ treatments: kinds.map((kind) => ({ kind })) })

it('says what was done in order, and once what was done several times in a row', () => {
  expect(words()).toBe('virgin')
  expect(words('permanent', 'permanent', 'permanent', 'lightened', 'demi')).toBe(
    'permanent × 3, then lightened, then demi',
  )
  expect(words('demi', 'lightened', 'demi')).toBe('demi, then lightened, then demi')
})

it('tells kinds of hair apart by where their level changes', () => {
  const strand = (...levels: number[]) => ({ bands: levels.map((level, i) => band(2 * i, 2 * i + 2, { level })) })
  expect(kindWords(strand(5))).toBe('5 · ends virgin')
  expect(kindWords(strand(5, 8, 8, 5))).toBe('5, 8 from 2 cm, 5 from 6 cm · ends virgin')
  expect(kindWords(strand(5, 8, 5, 8, 5))).toBe('5, 8 from 2 cm, 5 from 4 cm, 8 from 6 cm … · ends virgin')
})
