import { colourDifference, labFromLevel } from '../../hair/colour'
import { nearestFormulas, type UsedFormula } from '.'

const used = (level: number, tone: UsedFormula['tone'], times = 1): UsedFormula => ({
  ...{ name: 'Light', product: 'Marl', kind: 'powderLightener', developerVol: 20, ratio: 2 },
  ...{ level, tone, times, visitId: 'v', on: '2026-01-01', client: 'Pim' },
})

it('puts the nearest to a colour first, by CIEDE2000 of what they are meant to show', () => {
  const found = nearestFormulas([used(9, 'warm'), used(6, 'cool'), used(8, 'cool'), used(8, 'neutral')], {
    level: 8,
    tone: 'cool',
  })
  expect(found[0]).toMatchObject({ level: 8, tone: 'cool', apart: 0 })
  const apart = found.map((one) => one.apart!)
  expect(apart).toEqual([...apart].sort((a, b) => a - b))
  expect(found.find(({ level }) => level === 6)!.apart).toBeCloseTo(
    colourDifference(labFromLevel(6, 'cool'), labFromLevel(8, 'cool')),
    0,
  )
})

it('puts the most used first where no colour is sought', () => {
  const found = nearestFormulas([used(9, 'warm', 2), used(6, 'cool', 7)], undefined)
  expect(found.map(({ times, apart }) => [times, apart])).toEqual([
    [7, null],
    [2, null],
  ])
})
