import { byId, type CatalogueItem, type Product } from '../../model'
import { STARTING_RATES } from '../../product/money'
import { servicePlan } from '../../../../tests/support/samples'
import { checkPlan } from '../planner'
import { onShelf } from '.'

const item = (product: Product): CatalogueItem => ({
  ...product,
  line: 'Own',
  reorderG: 0,
  rules: product.rules!,
  pack: product.pack!,
})

describe('a plan on a salon’s own shelf', () => {
  const plan = servicePlan('tieredCorrection')
  const [powder] = plan.products.filter(({ kind }) => kind === 'powderLightener')

  it('takes a product of the same kind where the salon has not the very one, the first by name', () => {
    const own = ['Zeta', 'Alpha'].map((name) => item({ ...powder!, id: name.toLowerCase(), name }))
    const shelved = onShelf(plan, own, STARTING_RATES)
    expect(checkPlan(shelved)).toEqual([])
    expect(shelved.products.filter(({ kind }) => kind === 'powderLightener').map(({ id }) => id)).toEqual(['alpha'])
    const before = plan.formulas.filter(({ productId }) => productId === powder!.id).map(({ id }) => id)
    expect(shelved.formulas.filter(({ productId }) => productId === 'alpha').map(({ id }) => id)).toEqual(before)
  })

  it('takes no shade in place of a line: which one is wanted is chosen later', () => {
    const gloss = plan.products.find(({ kind }) => kind === 'gloss')!
    const shade = { level: 8, hue: 'beige', strength: 0.5, base: 'toned', whiteCoverPercent: 0 } as const
    const shelved = onShelf(plan, [item({ ...gloss, id: 'shade', name: 'A shade', shade })], STARTING_RATES)
    expect(shelved.products.filter(({ kind }) => kind === 'gloss').map(({ id }) => id)).toEqual([gloss.id])
  })

  it('takes the very product where it is there, and leaves the invented one where there is none of its kind', () => {
    const own = [item({ ...powder!, name: 'Renamed' }), item({ ...powder!, id: 'other', name: 'Another' })]
    const shelved = onShelf(plan, own, STARTING_RATES)
    expect(byId(shelved.products, powder!.id).name).toBe('Renamed')
    expect(shelved.formulas.map(({ productId }) => productId)).toEqual(plan.formulas.map(({ productId }) => productId))
    expect(shelved.products.map(({ kind }) => kind)).toEqual(plan.products.map(({ kind }) => kind))
  })
})
