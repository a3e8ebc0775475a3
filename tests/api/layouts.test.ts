import { and, eq } from 'drizzle-orm'
import { database, salonLayout } from '@/db'
import { byId, type OwnLayout, type Stage } from '@/core/model'
import { planWith, stageOf } from '../support/plan'
import { deviceOf, type Device } from '../support/server'

let oriel: Device
let juno: Device
beforeAll(async () => {
  ;[oriel, juno] = (await Promise.all(['oriel', 'juno'].map(deviceOf))) as [Device, Device]
})
afterAll(() => database().$client.end())

const sectionsOf = ({ layout, zones }: Stage) => ({ layout, zones: zones.map(({ id: _own, ...zone }) => zone) })
const sections = (rimCm = 3) =>
  sectionsOf(stageOf(planWith({ template: 'hairlineRim', parameters: { rimCm }, placement: { rowGapMm: 5 } })))
const keep = (name: string, rest: object = sections()) => oriel.call('POST', '/api/layouts', { name, ...rest })
const list = async (device = oriel) =>
  (await device.call('GET', '/api/layouts')).body['layouts'] as unknown as OwnLayout[]

describe('a salon’s own sections', () => {
  it('come back as they were kept, for everyone in the salon', async () => {
    const { status, body } = await keep('Ferry rim')
    expect(status).toBe(200)
    const kept = byId(await list(juno), String(body['id']))
    expect(kept).toMatchObject({ name: 'Ferry rim', by: 'Oriel Castellane', ...sections() })
  })

  it('have a name of their own: once among those that are there, free again after removal', async () => {
    const { body } = await keep('Once only')
    const again = await keep('Once only', sections(2))
    expect(again.status).toBe(409)
    expect(again.body['message']).toMatch(/“Once only”.*already/)
    expect((await oriel.call('DELETE', `/api/layouts/${String(body['id'])}`)).status).toBe(200)
    expect((await list()).map(({ name }) => name)).not.toContain('Once only')
    expect((await keep('Once only', sections(2))).status).toBe(200)
    const back = await oriel.call('POST', `/api/layouts/${String(body['id'])}/restore`)
    expect(back.status).toBe(409)
    expect((await list()).filter(({ name }) => name === 'Once only')).toHaveLength(1)
  })

  it('come back after removal', async () => {
    const { body } = await keep('Gone and back')
    await oriel.call('DELETE', `/api/layouts/${String(body['id'])}`)
    expect((await oriel.call('POST', `/api/layouts/${String(body['id'])}/restore`)).status).toBe(200)
    expect((await list()).map(({ id }) => id)).toContain(body['id'])
  })

  it('are refused at the field when they are broken, and nothing is written', async () => {
    const hole = sections()
    hole.zones = hole.zones.slice(1)
    const wild = sections()
    wild.zones[0]!.placement.rowGapMm = 4000
    for (const [name, rest, path] of [
      ['With a hole', hole, /^layout\.edges\[\d+\]$/],
      ['Too wide', wild, /^zones\[0\]\.placement\.rowGapMm$/],
      ['', sections(), /^name$/],
    ] as const) {
      const { status, body } = await keep(name, rest)
      expect(status).toBe(422)
      expect((body['problems'] as unknown as { path: string }[])[0]!.path).toMatch(path)
    }
    const rows = await database()
      .select()
      .from(salonLayout)
      .where(and(eq(salonLayout.name, 'With a hole')))
    expect(rows).toEqual([])
  })

  it('are kept and removed by those who may write; others only see them', async () => {
    const { body } = await keep('Look only')
    expect((await juno.call('POST', '/api/layouts', { name: 'By Juno', ...sections() })).status).toBe(403)
    expect((await juno.call('DELETE', `/api/layouts/${String(body['id'])}`)).status).toBe(403)
    expect((await oriel.call('DELETE', '/api/layouts/nothing')).status).toBe(404)
  })
})
