import { v7 as newId } from 'uuid'
import { CONSENT_TEXT } from '@/core/judgement/care'
import { MESSAGE_KINDS } from '@/core/record/upkeep'
import type { OpenConsultation, ShelfItem, Team } from '@/core/model'
import { beginRun, exported, newClient, newPlan, type Device } from './server'
import { SALON_PASSWORD } from './salon'
import { productOf } from './shelf'

/** An entry for every route that takes one, and what it is about. */
export interface Taken {
  /** By route; text is a table. */
  entries: Record<string, unknown>
  /** What is known of each kind of thing, by the word of the address. */
  ids: Record<string, string[]>
  /** Where a route is about something of its own. */
  about: Record<string, string[]>
}

/** Makes what entries are about, in the salon of an owner. */
export async function takenEntries(owner: Device): Promise<Taken> {
  const answerOf = async (method: string, path: string, entry?: unknown) => {
    const { status, body } = await owner.call(method, path, entry)
    if (status !== 200) throw new Error(`${method} ${path}: ${JSON.stringify(body)}`)
    return body
  }
  const clientId = await newClient(owner, 'Bent')
  // Plans that are taken in stay, and so does every first record; the others' client would have a thousand of them.
  const importsId = await newClient(owner, 'Taken in')
  const recordId = await newClient(owner, 'Recorded')
  const planId = await newPlan(owner, clientId)
  const runId = await beginRun(owner, await newPlan(owner, clientId, { service: 'topAndSides' }))
  const doneId = await newPlan(owner, clientId, { service: 'topAndSides' })
  const on = new Date().toISOString().slice(0, 10)
  const { visitId } = (await answerOf('POST', `/api/plans/${doneId}/done`, { on })) as { visitId: string }
  const document = await exported(owner, planId)
  const client = await answerOf('GET', `/api/clients/${clientId}`)
  const { latest } = (await answerOf('GET', `/api/clients/${clientId}/consultation`)) as unknown as OpenConsultation
  const rates = await answerOf('GET', '/api/rates')
  const item = productOf('bent-gloss')
  await answerOf('PUT', '/api/products', { item })
  const delivery = { productId: item.id, grams: 10, lot: 'L1' }
  await answerOf('POST', '/api/shelf/deliveries', delivery)
  const shelf = (await answerOf('GET', '/api/shelf'))['items'] as ShelfItem[]
  const lotId = shelf.flatMap(({ item: { id }, lots }) => (id === item.id ? lots : []))[0]!.id
  const { members } = (await answerOf('GET', '/api/team')) as unknown as Team
  const assistant = members.find(({ role }) => role === 'assistant')!
  const { layout, zones } = document.variants[0]!.stages[0]!
  // Before anything is recorded that answers a caution: that is what was looked at.
  const unlooked = await owner.call('POST', `/api/plans/${planId}/runs`, { id: newId(), helping: [] })
  const acknowledged = (unlooked.body['cautions'] as { id: string }[]).map(({ id }) => ({ cautionId: id, reason: 'x' }))
  const [product] = document.products
  const [mixId, messageId] = [newId(), newId()]
  const event = { id: newId(), kind: 'delayed', deviceId: newId(), deviceSeq: 0, deviceTime: Date.now(), offsetMs: 0 }
  return {
    ids: {
      clients: [clientId],
      plans: [planId, doneId],
      runs: [runId],
      visits: [visitId],
      products: [item.id],
      mixes: [mixId],
      messages: [messageId],
      layouts: [newId()],
      team: [assistant.id],
      account: [newId()],
      tablets: [newId()],
    },
    about: {
      'POST /api/clients/:id/imports': [importsId],
      'PUT /api/clients/:id/consultation': [recordId],
    },
    entries: {
      'POST /api/plans/:id/runs': { id: newId(), helping: [], acknowledged },
      'PUT /api/units': { mass: 'g', length: 'cm', developer: 'vol', clock: '24' },
      'PUT /api/rates': { rates: rates['rates'], baseRevision: 0 },
      'POST /api/learning': { kind: 'reset', about: 'x' },
      'POST /api/clients': { name: 'New', note: '', head: client['head'], hair: client['hair'] },
      'POST /api/clients/table': 'name,length_cm\nA,3\n',
      'PUT /api/clients/:id': { name: 'Bent', note: '', head: client['head'], baseRevision: 0 },
      'POST /api/clients/:id/plans': { name: 'Plan', template: 'fourQuadrants' },
      'POST /api/clients/:id/imports': document,
      'PUT /api/clients/:id/consultation': {
        recordedOn: on,
        hair: latest!.hair,
        canvas: latest!.canvas,
        goal: latest!.goal,
        trimmedCm: 0,
      },
      'POST /api/clients/:id/care/checks': { id: newId(), kind: 'scalp', on, result: 'clear', product: '', note: '' },
      'POST /api/clients/:id/care/consents': {
        id: newId(),
        on,
        textVersion: CONSENT_TEXT.version,
        strokes: [[0, 0, 1, 1]],
      },
      'POST /api/clients/:id/visits': { on, service: 'topAndSides', name: 'T', formulas: [], change: '' },
      'POST /api/clients/:id/erasure': { name: 'Somebody else' },
      'POST /api/plans/:id/operations': {
        baseRevision: 0,
        operations: [
          { id: newId(), kind: 'edit', label: 'x', patches: [{ op: 'replace', path: ['name'], value: 'x' }] },
        ],
      },
      'POST /api/plans/:id/versions': { label: 'x' },
      'PUT /api/plans/:id/booking': { on, arrives: 600 },
      'POST /api/plans/:id/done': { on: '2017-01-01' },
      'POST /api/plans/:id/acknowledgements': { cautionId: 'care-checks', reason: '' },
      'POST /api/plans/:id/mixes': {
        id: mixId,
        formulaId: 'A',
        bowl: 1,
        planned: [{ name: product!.name, productId: product!.id, role: 'product', grams: 10 }],
      },
      'POST /api/runs/:id/events': { events: [{ ...event, value: 5, note: '' }], after: 0 },
      'POST /api/runs/:id/more': { id: newId(), deviceId: newId(), place: 'root', like: 'B', level: 4, tone: 'warm' },
      'POST /api/runs/:id/hair': { on, levels: [{ zoneId: 'x', formulaId: 'A', level: 8, bands: [] }] },
      'POST /api/mixes/:id/pours': { events: [{ id: newId(), kind: 'poured', line: 0, grams: 1, source: 'typed' }] },
      'POST /api/visits/:id/review': { worked: '', change: '', why: '', shared: false },
      'POST /api/visits/:id/bowls/:id': { grams: 1 },
      'POST /api/messages': { id: messageId, clientId, kind: MESSAGE_KINDS[0], text: 'x' },
      'PATCH /api/messages/:id': { sent: true },
      'PUT /api/messages/templates': { kind: MESSAGE_KINDS[0], text: 'x' },
      'POST /api/layouts': { name: 'x', layout, zones: zones.map(({ id: _own, ...zone }) => zone) },
      'PUT /api/products': { item, baseRevision: 1 },
      'POST /api/products/import': 'code,line,name,kind\nx,y,z,developer\n',
      'POST /api/shelf/deliveries': delivery,
      'POST /api/shelf/counts': { lotId, grams: 1 },
      'POST /api/scale': { command: 'tare' },
      'PUT /api/team/:id': { name: 'x', role: 'assistant', active: true },
      'POST /api/team/invitations': { name: 'x', email: `${newId()}@bent.invalid`, role: 'assistant' },
      'PUT /api/salon': { name: 'Bent' },
      'PUT /api/account/pin': { password: SALON_PASSWORD, pin: '48151' },
      'POST /api/tablets': { name: 'Bent', lockAfterMin: 5 },
      'POST /api/visits/table': 'client,on,service\nBent,2026-01-05,topAndSides\n',
    },
  }
}
