import { byId, type CatalogueItem } from '@/core/model'
import { DEMO_CATALOGUE } from '@/demo'
import type { Device } from './server'
import { planWith } from './plan'

/** A product of the demo's kind under an id of a test's own. */
export const productOf = (id: string, rest: Partial<CatalogueItem> = {}): CatalogueItem => ({
  ...byId(DEMO_CATALOGUE, 'lull-8-beige'),
  ...{ id, name: `Test ${id}`, ...rest },
})

/**
 * A plan that has these products beside the usual ones, and lightens with the first: what only one test mixes, no other
 * test takes from the shelf meanwhile.
 */
export async function planMixing(device: Device, clientId: string, ...ids: [string, ...string[]]): Promise<string> {
  const document = planWith()
  const [powder] = document.products
  const { status, body } = await device.call('POST', `/api/clients/${clientId}/imports`, {
    ...document,
    products: [...document.products, ...ids.map((id) => ({ ...powder!, id, name: id }))],
    formulas: document.formulas.map((formula, i) => (i === 0 ? { ...formula, productId: ids[0] } : formula)),
  })
  if (status !== 200) throw new Error(JSON.stringify(body))
  return String(body['id'])
}
