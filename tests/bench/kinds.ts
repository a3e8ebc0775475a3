import { Agent, request } from 'node:http'
import { v7 as newId } from 'uuid'
import { BASE_URL, deviceOf, newClient, newPlan } from '../support/server'

/** What people ask of a server, for measuring what it costs and how much of it is answered. */
export const USERS = 50

const device = await deviceOf('oriel')
export const agent = new Agent({ keepAlive: true, maxSockets: USERS })
const send = (method: string, path: string, body?: object): Promise<number> =>
  new Promise((resolve, reject) => {
    const headers = { cookie: device.cookie, origin: BASE_URL, 'content-type': 'application/json' }
    const sent = request(BASE_URL + path, { method, agent, headers }, (answer) => {
      answer.resume()
      answer.on('end', () => resolve(answer.statusCode!))
    })
    sent.on('error', reject)
    sent.end(body && JSON.stringify(body))
  })

const clientId = await newClient(device, 'Under load')
const plans = await Promise.all(
  Array.from({ length: USERS }, async () => ({ id: await newPlan(device, clientId), revision: 0 })),
)
let turn = 0
/** Edits go to a plan of each user's own, one after the other, as they do in a studio. */
async function edit(user: number): Promise<number> {
  const plan = plans[user % USERS]!
  const patches = [{ op: 'replace', path: ['name'], value: `Name ${turn++}` }]
  const operations = [{ id: newId(), kind: 'edit', label: 'Renamed', patches }]
  return send('POST', `/api/plans/${plan.id}/operations`, { baseRevision: plan.revision++, operations })
}

export const KINDS = {
  edit,
  'a client': () => send('GET', `/api/clients/${clientId}`),
  people: () => send('GET', '/people'),
  day: () => send('GET', '/day'),
  shelf: () => send('GET', '/shelf'),
} satisfies Record<string, (user: number) => Promise<number>>
