import { parse } from 'csv-parse/sync'
import { and, eq } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import { database, stockLot, stockMove } from '@/db'
import { type CatalogueItem, type ImportReport, type ImportStep, type MixRecord, type ShelfItem } from '@/core/model'
import { createScale } from '@/server/devices'
import { csvOfCatalogue } from '@/server/shelf'
import { BASE_URL, ONE_CALL, deviceOf, newClient, newPlan, type Device } from '../support/server'
import { day } from '../support/days'
import { planMixing, productOf } from '../support/shelf'

let oriel: Device
let tove: Device
let juno: Device
beforeAll(async () => {
  ;[oriel, tove, juno] = (await Promise.all(['oriel', 'tove', 'juno'].map(deviceOf))) as [Device, Device, Device]
})
afterAll(() => database().$client.end())

const keep = (item: CatalogueItem, baseRevision?: number, device = oriel) =>
  device.call('PUT', '/api/products', { item, ...(baseRevision !== undefined && { baseRevision }) })
const shelf = async (id: string) =>
  ((await oriel.call('GET', '/api/shelf')).body['items'] as ShelfItem[]).find(({ item }) => item.id === id)
const deliver = (productId: string, grams: number, lot: string, expiresOn?: string) =>
  oriel.call('POST', '/api/shelf/deliveries', { productId, grams, lot, ...(expiresOn && { expiresOn }) })

async function bring(
  text: string,
  commit: '' | '?commit',
  device = oriel,
): Promise<{ steps: ImportStep[]; report: ImportReport }> {
  const { body, status } = await device.call('POST', `/api/products/import${commit}`, text)
  expect(status).toBe(200)
  const steps = String(body['text'])
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as ImportStep)
  const last = steps.at(-1)!
  if (!('report' in last)) throw new Error(JSON.stringify(last))
  return { steps, report: last.report }
}

describe('the catalogue', () => {
  it('keeps, changes and removes a product, refuses a stale change and a taken code, and names wrong fields', async () => {
    expect((await keep(productOf('test-one'))).body).toEqual({ revision: 1 })
    expect((await keep(productOf('test-one'))).status).toBe(409)
    expect((await keep(productOf('test-one', { name: 'Renamed' }), 1)).body).toEqual({ revision: 2 })
    const stale = await keep(productOf('test-one', { name: 'Too late' }), 1)
    expect(stale.status).toBe(409)
    expect((await shelf('test-one'))!.item.name).toBe('Renamed')
    const wrong = await keep(productOf('test-two', { maximumMinutes: 500 }))
    expect([wrong.status, (wrong.body['problems'] as { path: string }[])[0]!.path]).toEqual([
      422,
      'item.maximumMinutes',
    ])
    const { shade: _shade, ...bare } = productOf('test-two')
    expect((await keep(bare)).body['message']).toContain('level and tone')
    expect((await oriel.call('DELETE', '/api/products/test-one')).status).toBe(200)
    expect(await shelf('test-one')).toBeUndefined()
    expect((await oriel.call('POST', '/api/products/test-one/restore')).status).toBe(200)
    expect((await shelf('test-one'))!.item.name).toBe('Renamed')
  })

  it('is kept by owners and colourists: whoever mixes and counts changes neither what a product is nor its cost', async () => {
    expect((await keep(productOf('test-bram'), undefined, await deviceOf('bram'))).status).toBe(200)
    for (const device of [tove, juno]) expect((await keep(productOf('test-none'), undefined, device)).status).toBe(403)
    expect((await tove.call('PUT', '/api/rates', { rates: {}, baseRevision: 0 })).status).toBe(403)
  })
})

describe('a catalogue as CSV', () => {
  it('comes back unchanged, and is RFC 4180 to a parser of the registry', async () => {
    const { body } = await oriel.call('GET', '/api/products/csv')
    const rows = parse(String(body['text']), { columns: true }) as Record<string, string>[]
    expect(rows.find(({ code }) => code === 'lull-8-beige')).toMatchObject({
      kind: 'gloss',
      level: '8',
      hue: 'beige',
      ratios: '1 1.5 2',
      damp: 'yes',
    })
    const { report } = await bring(String(body['text']), '')
    expect(report).toMatchObject({
      rows: rows.length,
      unchanged: rows.length,
      changes: [],
      problems: [],
      committed: false,
    })
  })

  it('shows what would change and takes it over only when asked', async () => {
    const text = csvOfCatalogue([productOf('test-csv'), { ...productOf('test-csv-2'), name: '=SUM(A1)' }])
    const preview = await bring(text, '')
    expect(preview.report.changes.map(({ id, kind }) => [id, kind])).toEqual([
      ['test-csv', 'added'],
      ['test-csv-2', 'added'],
    ])
    expect(await shelf('test-csv')).toBeUndefined()
    expect((await bring(text, '?commit')).report.committed).toBe(true)
    expect((await shelf('test-csv-2'))!.item.name).toBe('=SUM(A1)')
    const changed = await bring(csvOfCatalogue([productOf('test-csv', { reorderG: 60 })]), '')
    expect(changed.report.changes).toEqual([
      { id: 'test-csv', name: 'Test test-csv', kind: 'changed', columns: ['reorder_g'] },
    ])
  })

  it('names line and column of what is wrong, and then takes nothing over', async () => {
    const good = csvOfCatalogue([productOf('test-row-1'), productOf('test-row-2'), productOf('test-row-3')])
      .trimEnd()
      .split('\r\n')
    const headings = good[0]!.split(',')
    const broken = (row: number, column: string, cell: string) => {
      const lines = [...good]
      const cells = parse(lines[row]!)[0] as string[]
      cells[headings.indexOf(column)] = cell
      lines[row] = cells.map((one) => `"${one}"`).join(',')
      return lines.join('\r\n')
    }
    for (const [row, column, cell] of [
      [2, 'level', 'eight'],
      [3, 'maximum_min', '900'],
      [1, 'heat', 'perhaps'],
      [3, 'code', 'test-row-1'],
      [2, 'kind', 'potion'],
    ] as const) {
      const { report } = await bring(broken(row, column, cell), '?commit')
      expect(report.problems[0]).toMatchObject({ line: row + 1, column })
      expect(report.committed).toBe(false)
    }
    expect(await shelf('test-row-1')).toBeUndefined()
    expect((await bring('code;line\nx;y', '')).report.problems[0]!.message).toContain('lacks')
    expect((await bring(`${good[0]!},colour\r\n${good[1]!},x`, '')).report.problems[0]!.column).toBe('colour')
    expect((await bring('code,line,name,kind\n"open', '')).report.problems[0]!.message).toContain('not a table')
  })

  it('of thousands of rows says how far it is', async () => {
    const { steps, report } = await bring(
      csvOfCatalogue(Array.from({ length: 1200 }, (_, i) => productOf(`test-many-${i}`))),
      '',
    )
    expect(report.changes).toHaveLength(1200)
    expect(steps.slice(0, -1).map((step) => ('done' in step ? step.done : 0))).toEqual([250, 500, 750, 1000, 1200])
  })
})

describe('stock', () => {
  it('comes in by lot, first to expire first, and is counted', async () => {
    await keep(productOf('test-stock'))
    await deliver('test-stock', 60, 'late', '2027-12-01')
    await deliver('test-stock', 30.5, 'early', '2027-01-01')
    await deliver('test-stock', 9.5, 'late')
    expect((await shelf('test-stock'))!.lots.map(({ lot, grams, expiresOn }) => [lot, grams, expiresOn])).toEqual([
      ['early', 30.5, '2027-01-01'],
      ['late', 69.5, '2027-12-01'],
    ])
    const { id } = (await shelf('test-stock'))!.lots[1]!
    expect((await oriel.call('POST', '/api/shelf/counts', { lotId: id, grams: 50 })).status).toBe(200)
    expect((await shelf('test-stock'))!.grams).toBe(80.5)
    expect((await deliver('nothing-of-the-kind', 10, 'x')).status).toBe(404)
  })

  it('ends exact after two hundred bowls at once, however they overlap', async () => {
    await keep(productOf('test-race-a'))
    await keep(productOf('test-race-b'))
    for (const id of ['test-race-a', 'test-race-b']) {
      await deliver(id, 150, 'one', '2027-01-01')
      await deliver(id, 250, 'two', '2028-01-01')
    }
    const planId = await planMixing(oriel, await newClient(oriel, 'Race'), 'test-race-a', 'test-race-b')
    const bowl = async (i: number) => {
      const id = newId()
      // Every other bowl names its products the other way round, which would deadlock if they were locked as named.
      const lines = ['test-race-a', 'test-race-b'].map((productId) => ({
        name: productId,
        productId,
        role: 'product',
        grams: 1.3,
      }))
      await oriel.call('POST', `/api/plans/${planId}/mixes`, {
        id,
        formulaId: 'A',
        bowl: 1,
        planned: i % 2 === 0 ? lines : lines.reverse(),
      })
      const events = [0, 1].map((line) => ({ id: newId(), kind: 'poured', line, grams: 1.3, source: 'typed' }))
      return oriel.call('POST', `/api/mixes/${id}/pours`, { events, end: 'done' })
    }
    const answers = await Promise.all(Array.from({ length: 200 }, (_, i) => bowl(i)))
    expect(answers.map(({ status }) => status).filter((status) => status !== 200)).toEqual([])
    for (const id of ['test-race-a', 'test-race-b']) {
      const lots = await database().select().from(stockLot).where(eq(stockLot.productId, id))
      const moves = await database()
        .select()
        .from(stockMove)
        .where(and(eq(stockMove.productId, id)))
      expect(lots.reduce((sum, { tenths }) => sum + tenths, 0)).toBe(4000 - 200 * 13)
      expect(lots.find(({ lot }) => lot === 'one')!.tenths).toBe(0)
      expect(moves.reduce((sum, { tenths }) => sum + tenths, 0)).toBe(4000 - 200 * 13)
    }
    // Four hundred requests, each in its turn.
  }, 60_000)

  it('notes what was used beyond what the shelf was thought to hold', async () => {
    await keep(productOf('test-short'))
    await deliver('test-short', 5, 'only')
    const planId = await planMixing(oriel, await newClient(oriel, 'Short'), 'test-short')
    const id = newId()
    await oriel.call('POST', `/api/plans/${planId}/mixes`, {
      id,
      formulaId: 'A',
      bowl: 1,
      planned: [{ name: 'x', productId: 'test-short', role: 'product', grams: 8 }],
    })
    await oriel.call('POST', `/api/mixes/${id}/pours`, {
      events: [{ id: newId(), kind: 'poured', line: 0, grams: 8, source: 'typed' }],
      end: 'done',
    })
    expect((await shelf('test-short'))!.grams).toBe(0)
    const moves = await database().select().from(stockMove).where(eq(stockMove.productId, 'test-short'))
    expect(moves.find(({ lotId }) => lotId === null)!.tenths).toBe(-30)
    await expect(database().delete(stockMove).where(eq(stockMove.productId, 'test-short'))).rejects.toThrow()
  })

  it('knows what plans that are booked ask for', async () => {
    await keep(productOf('test-booked'))
    const planId = await planMixing(oriel, await newClient(oriel, 'Booked'), 'test-booked')
    const before = (await shelf('test-booked'))!
    const today = day()
    expect((await oriel.call('PUT', `/api/plans/${planId}/booking`, { on: today })).status).toBe(200)
    const after = (await shelf('test-booked'))!
    expect(after.todayG).toBeGreaterThan(before.todayG + 5)
    expect(after.weekG).toBeGreaterThanOrEqual(after.todayG)
    await oriel.call('PUT', `/api/plans/${planId}/booking`, {})
    expect((await shelf('test-booked'))!.todayG).toBe(before.todayG)
  })
})

describe('a bowl', () => {
  it('keeps its log, counts what is sent twice once, and stays as it ended', async () => {
    await keep(productOf('test-bowl'))
    await deliver('test-bowl', 100, 'only')
    const planId = await planMixing(oriel, await newClient(oriel, 'Weighing'), 'test-bowl')
    const id = newId()
    const planned = [
      { name: 'Bowl', productId: 'test-bowl', role: 'product', grams: 20 },
      { name: 'Developer 20 vol', productId: null, role: 'developer', grams: 40 },
    ]
    const begin = () => tove.call('POST', `/api/plans/${planId}/mixes`, { id, formulaId: 'A', bowl: 1, planned })
    expect([(await begin()).status, (await begin()).status]).toEqual([200, 200])
    const pour = { id: newId(), kind: 'poured', line: 0, grams: 20.4, source: 'scale' }
    const lost = { id: newId(), kind: 'lost', line: 1, grams: 12.3, source: 'scale' }
    await tove.call('POST', `/api/mixes/${id}/pours`, { events: [pour, lost] })
    await tove.call('POST', `/api/mixes/${id}/pours`, {
      events: [pour, { ...pour, id: newId(), kind: 'corrected', line: 1, grams: 40 }],
    })
    const held = (await shelf('test-bowl'))!.grams
    expect((await tove.call('POST', `/api/mixes/${id}/pours`, { events: [], end: 'done' })).body).toEqual({
      state: 'done',
    })
    expect(
      (await tove.call('POST', `/api/mixes/${id}/pours`, { events: [{ ...pour, id: newId() }], end: 'abandoned' }))
        .body,
    ).toEqual({ state: 'done' })
    expect((await shelf('test-bowl'))!.grams).toBeCloseTo(held - 20.4, 6)
    const [record] = (await tove.call('GET', `/api/plans/${planId}/mixes`)).body['mixes'] as MixRecord[]
    expect(record!.state).toBe('done')
    expect(record!.events.map(({ kind, line, grams }) => [kind, line, grams])).toEqual([
      ['poured', 0, 20.4],
      ['lost', 1, 12.3],
      ['corrected', 1, 40],
    ])
    expect(record!.by).toBe('Tove Lindqvist-Adeyemi')
  })

  it('is refused where it does not belong', async () => {
    const planId = await newPlan(oriel, await newClient(oriel, 'Refused'))
    const id = newId()
    expect(
      (
        await oriel.call('POST', `/api/plans/${planId}/mixes`, {
          id,
          formulaId: 'Z',
          bowl: 1,
          planned: [{ name: 'x', productId: null, role: 'product', grams: 1 }],
        })
      ).status,
    ).toBe(422)
    expect(
      (
        await juno.call('POST', `/api/plans/${planId}/mixes`, {
          id,
          formulaId: 'A',
          bowl: 1,
          planned: [{ name: 'x', productId: null, role: 'product', grams: 1 }],
        })
      ).status,
    ).toBe(403)
    const foreign = await oriel.call('POST', `/api/plans/${planId}/mixes`, {
      id,
      formulaId: 'A',
      bowl: 1,
      planned: [
        { name: 'Marl powder lightener', productId: 'marl', role: 'product', grams: 1 },
        { name: 'Somebody else’s', productId: 'not-in-this-plan', role: 'product', grams: 1 },
      ],
    })
    expect(foreign.status).toBe(422)
    expect(foreign.body['problems']).toEqual([{ path: 'planned[1].productId', message: 'is not in the plan' }])
    expect((await oriel.call('POST', `/api/mixes/${id}/pours`, { events: [] })).status).toBe(404)
  })
})

describe('prices', () => {
  it('are the owner’s to change, from what they were', async () => {
    const { rates, revision } = (await oriel.call('GET', '/api/rates')).body as {
      rates: { hourMinor: number }
      revision: number
    }
    const change = (device: Device, baseRevision: number, hourMinor = rates.hourMinor) =>
      device.call('PUT', '/api/rates', { rates: { ...rates, hourMinor }, baseRevision })
    expect((await change(tove, revision)).status).toBe(403)
    expect((await change(oriel, revision, 7000)).body).toMatchObject({ revision: revision + 1 })
    expect((await change(oriel, revision)).status).toBe(409)
    expect((await change(oriel, revision + 1, 65.5)).status).toBe(422)
    await change(oriel, revision + 1)
  })
})

describe('the simulated scale', () => {
  it('pours with an after-run, settles, tares, drifts, and says nothing while it is unplugged', () => {
    let clock = 0
    const scale = createScale(
      () => clock,
      () => 0.5,
    )
    scale.command('pour')
    clock = 1000
    expect(scale.read()!.steady).toBe(false)
    scale.command('stop')
    clock = 2000
    const { grams, steady } = scale.read()!
    expect(steady).toBe(true)
    expect(grams).toBeGreaterThan(9)
    scale.command('tare')
    expect(Math.abs(scale.read()!.grams)).toBeLessThan(0.11)
    clock += 600_000
    expect(scale.read()!.grams).toBeGreaterThan(0.8)
    scale.command('pour', 5)
    scale.command('unplug')
    expect(scale.read()).toBeUndefined()
    scale.command('plug')
    expect(scale.read()).toBeDefined()
    scale.command('pour', 5)
    clock += 5000
    expect(scale.read()!.grams).toBeGreaterThan(5)
  })

  it('streams readings to those who mix', async () => {
    const open = (device: Device) => fetch(`${BASE_URL}/api/scale`, { headers: { cookie: device.cookie, ...ONE_CALL } })
    expect((await open(juno)).status).toBe(403)
    const response = await open(tove)
    expect(response.headers.get('content-type')).toBe('text/event-stream')
    const reader = response.body!.getReader()
    let text = ''
    while (!text.includes('"grams"')) text += new TextDecoder().decode((await reader.read()).value)
    expect(text).toMatch(/data: \{"grams":-?[\d.]+,"steady":(true|false)\}/)
    await reader.cancel()
  })
})
