import { sql } from 'drizzle-orm'
import sharp from 'sharp'
import { v7 as newId } from 'uuid'
import { mainStrand, predictCanvas, startingCanvas } from '@/core/hair/hairRecord'
import { startingGoal } from '@/core/judgement/feasibility'
import { createHead } from '@/core/scalp/head'
import type { Canvas, ConsultationEntry, OpenCare, OpenConsultation, OpenPlan, PictureSummary } from '@/core/model'
import { database } from '@/db'
import { BASE_URL, ONE_CALL, call, deviceOf, newClient, newPlan, type Device } from '../support/server'
import { MEDIUM_HAIR } from '../support/plan'
import { day } from '../support/days'

jest.setTimeout(30_000)

let oriel: Device
let tove: Device
let juno: Device
beforeAll(async () => {
  ;[oriel, tove, juno] = (await Promise.all(['oriel', 'tove', 'juno'].map(deviceOf))) as [Device, Device, Device]
})
afterAll(() => database().$client.end())

const canvasOn = (on: string): Canvas => startingCanvas(createHead({ circumferenceCm: 54 }), MEDIUM_HAIR, on)
const entryOn = (on: string, change: Partial<ConsultationEntry> = {}): ConsultationEntry => ({
  recordedOn: on,
  hair: MEDIUM_HAIR,
  canvas: canvasOn(on),
  goal: startingGoal(MEDIUM_HAIR),
  trimmedCm: 0,
  ...change,
})
const save = (device: Device, clientId: string, entry: object) =>
  device.call('PUT', `/api/clients/${clientId}/consultation`, entry)
const opened = async (clientId: string) =>
  (await oriel.call('GET', `/api/clients/${clientId}/consultation`)).body as unknown as OpenConsultation
const firstBand = (canvas: Canvas, change: object): Canvas => ({
  ...canvas,
  strands: canvas.strands.map((strand) => ({
    ...strand,
    bands: strand.bands.map((band, i) => (i === 0 ? { ...band, ...change } : band)),
  })),
})

describe('consultations', () => {
  it('change the record of a day while it lasts and begin a new one on the next, with what the eye corrected', async () => {
    const clientId = await newClient(oriel, 'Consulted')
    const first = entryOn(day(70))
    expect((await save(oriel, clientId, first)).body).toEqual({ number: 1, revision: 1 })
    expect((await save(oriel, clientId, { ...first, base: { number: 1, revision: 1 } })).body).toEqual({
      number: 1,
      revision: 2,
    })
    const predicted = predictCanvas(first.canvas, MEDIUM_HAIR, { on: day(0) })
    const seen = firstBand(predicted, { level: 5.5 })
    expect(
      (await save(oriel, clientId, { ...entryOn(day(0)), canvas: seen, base: { number: 1, revision: 2 } })).body,
    ).toEqual({ number: 2, revision: 1 })
    const { latest, before, history } = await opened(clientId)
    expect(latest!.corrections).toContainEqual({ region: 'back', what: '0.level', predicted: '5', seen: '5.5' })
    expect(before!.recordedOn).toBe(day(70))
    expect(history.map(({ number }) => number)).toEqual([2, 1])
    expect((await oriel.call('GET', `/api/clients/${clientId}`)).body).toMatchObject({
      hair: { naturalLevel: 5.5, lengthCm: mainStrand(seen, 'crown').bands.at(-1)!.toCm },
    })
  })

  it('that find unknown dye raise its caution on plans that were made before, and it can be acknowledged', async () => {
    const clientId = await newClient(oriel, 'Dyed meanwhile')
    const planId = await newPlan(oriel, clientId)
    const acknowledge = () =>
      oriel.call('POST', `/api/plans/${planId}/acknowledgements`, {
        cautionId: 'over-unknown-dye-A',
        reason: 'strand test made',
      })
    expect((await acknowledge()).status).toBe(422)
    const dyed = firstBand(canvasOn(day(0)), { treatments: [{ kind: 'boxDye' }] })
    await save(oriel, clientId, { ...entryOn(day(0)), canvas: dyed })
    expect((await acknowledge()).status).toBe(200)
  })

  it('refuse a save that is based on an older record, and change nothing', async () => {
    const clientId = await newClient(oriel, 'Stale')
    await save(oriel, clientId, entryOn(day(0)))
    const late = await save(oriel, clientId, entryOn(day(0)))
    expect(late.status).toBe(409)
    expect(late.body['message']).toContain('Oriel')
    expect((await opened(clientId)).latest!.revision).toBe(1)
  })

  it('let one of eight that come at once through', async () => {
    const clientId = await newClient(oriel, 'At once')
    const answers = await Promise.all(Array.from({ length: 8 }, () => save(oriel, clientId, entryOn(day(0)))))
    expect(answers.filter(({ status }) => status === 200)).toHaveLength(1)
    expect(answers.filter(({ status }) => status === 409)).toHaveLength(7)
  })

  it.each([
    ['a day to come', { recordedOn: day(-3) }, 'recordedOn'],
    ['a day that is none', { recordedOn: '2026-02-30' }, 'recordedOn'],
    ['bands with a hole', { canvas: firstBand(canvasOn(day(0)), { fromCm: 2 }) }, 'canvas.strands[0].bands[0].fromCm'],
    ['a level of 13', { canvas: firstBand(canvasOn(day(0)), { level: 13 }) }, 'canvas.strands[0].bands[0].level'],
    [
      'a treatment to come',
      { canvas: firstBand(canvasOn(day(0)), { treatments: [{ kind: 'demi', on: day(-5) }] }) },
      'canvas.strands[0].bands[0].treatments[0].on',
    ],
    [
      'a history nobody knows',
      { canvas: firstBand(canvasOn(day(0)), { treatments: [{ kind: 'magic' }] }) },
      'canvas.strands[0].bands[0].treatments[0].kind',
    ],
    [
      'a goal without a wish for the head',
      { goal: { ...startingGoal(MEDIUM_HAIR), targets: [{ region: 'nape', level: 5, hue: 'neutral', strength: 0 }] } },
      'goal.targets',
    ],
    ['an unknown field', { colour: 'blue' }, 'colour'],
  ])('refuse %s at the field', async (_what, change, path) => {
    const clientId = await newClient(oriel, 'Bad consultation')
    const answer = await save(oriel, clientId, { ...entryOn(day(0)), ...change })
    expect(answer.status).toBe(422)
    expect((answer.body['problems'] as { path: string }[]).map((problem) => problem.path)).toContain(path)
    expect((await opened(clientId)).latest).toBeNull()
  })

  it('are for owners and colourists to write and for the salon’s own eyes', async () => {
    const clientId = await newClient(oriel, 'Roles')
    expect((await save(tove, clientId, entryOn(day(0)))).status).toBe(403)
    expect((await call('GET', `/api/clients/${clientId}/consultation`)).status).toBe(401)
    expect((await oriel.call('GET', `/api/clients/${newId()}/consultation`)).status).toBe(404)
  })
})

describe('a plan that was carried out', () => {
  it('is pinned, becomes hair of its own in the record, and lies under the next plan', async () => {
    const clientId = await newClient(oriel, 'Done')
    const planId = await newPlan(oriel, clientId)
    expect((await oriel.call('POST', `/api/plans/${planId}/done`, { on: day(30) })).status).toBe(200)
    const { latest, lastVisit } = await opened(clientId)
    expect(latest).toMatchObject({ kind: 'done', recordedOn: day(30), number: 1 })
    expect(
      latest!.canvas.cells.some(({ populations }) =>
        populations.some(({ sources }) => sources[0] === `${lastVisit!.id}/A`),
      ),
    ).toBe(true)
    const next = await newPlan(oriel, clientId)
    const open = (await oriel.call('GET', `/api/plans/${next}`)).body as unknown as OpenPlan
    expect(open.lastVisit).toMatchObject({ on: day(30), document: { name: 'Test plan' } })
    const wrong = await oriel.call('POST', `/api/plans/${planId}/done`, { on: day(60) })
    expect(wrong.status).toBe(422)
    expect(wrong.body['message']).toContain(day(30))
    expect((await oriel.call('POST', `/api/plans/${planId}/done`, { on: day(-4) })).status).toBe(422)
    expect((await juno.call('POST', `/api/plans/${planId}/done`, { on: day(0) })).status).toBe(403)
  })
})

describe('care', () => {
  const check = (rest: object = {}) => ({
    id: newId(),
    kind: 'allergyAlert',
    on: day(3),
    result: 'clear',
    product: 'Fathom',
    note: '',
    ...rest,
  })

  it('raises cautions on every plan of the client until the checks are made, and takes acknowledgements by name', async () => {
    const clientId = await newClient(oriel, 'Care')
    const planId = await newPlan(oriel, clientId)
    const cautions = async () =>
      ((await oriel.call('GET', `/api/plans/${planId}`)).body as unknown as OpenPlan).careCautions.map(({ id }) => id)
    expect(await cautions()).toEqual(
      expect.arrayContaining(['care-allergyAlert-missing', 'care-scalp-missing', 'care-consent-missing']),
    )
    await tove.call('POST', `/api/clients/${clientId}/care/checks`, check())
    await tove.call('POST', `/api/clients/${clientId}/care/consents`, {
      id: newId(),
      on: day(0),
      textVersion: '2026-11',
      strokes: [[0.1, 0.2, 0.3, 0.4]],
    })
    expect(await cautions()).not.toEqual(expect.arrayContaining(['care-allergyAlert-missing']))
    expect(await cautions()).not.toContain('care-consent-missing')
    const acknowledged = await tove.call('POST', `/api/plans/${planId}/acknowledgements`, {
      cautionId: 'care-strandTest-missing',
      reason: 'tested at the basin',
    })
    expect(acknowledged.body).toMatchObject({ by: 'Tove Lindqvist-Adeyemi', reason: 'tested at the basin' })
    expect(
      (
        await tove.call('POST', `/api/plans/${planId}/acknowledgements`, {
          cautionId: 'care-allergyAlert-missing',
          reason: '',
        })
      ).status,
    ).toBe(422)
    expect((await juno.call('POST', `/api/clients/${clientId}/care/checks`, check())).status).toBe(403)
  })

  it('keeps a check that is sent twice once, and refuses what cannot be', async () => {
    const clientId = await newClient(oriel, 'Care twice')
    const one = check()
    for (let i = 0; i < 2; i++)
      expect((await oriel.call('POST', `/api/clients/${clientId}/care/checks`, one)).status).toBe(200)
    expect(
      ((await oriel.call('GET', `/api/clients/${clientId}/care`)).body as unknown as OpenCare).checks,
    ).toHaveLength(1)
    for (const [bad, path] of [
      [{ on: day(-3) }, 'on'],
      [{ expiresOn: day(9) }, 'expiresOn'],
      [{ kind: 'horoscope' }, 'kind'],
    ] as const) {
      const answer = await oriel.call('POST', `/api/clients/${clientId}/care/checks`, check(bad))
      expect(answer.status).toBe(422)
      expect((answer.body['problems'] as { path: string }[])[0]!.path).toBe(path)
    }
    for (const strokes of [[], [[0.5]], [[0.1, 0.2, 3, 0.4]], 'x'])
      expect(
        (
          await oriel.call('POST', `/api/clients/${clientId}/care/consents`, {
            id: newId(),
            on: day(0),
            textVersion: '2026-11',
            strokes,
          })
        ).status,
      ).toBe(422)
    for (const typedName of ['', null, 7])
      expect(
        (
          await oriel.call('POST', `/api/clients/${clientId}/care/consents`, {
            id: newId(),
            on: day(0),
            textVersion: '2026-11',
            strokes: [],
            typedName,
          })
        ).status,
      ).toBe(422)
    expect(
      (
        await oriel.call('POST', `/api/clients/${clientId}/care/consents`, {
          id: newId(),
          on: day(0),
          textVersion: '1999',
          strokes: [[0, 0, 1, 1]],
        })
      ).status,
    ).toBe(422)
  })

  it.each(['care_check', 'consent', 'caution_acknowledgement'])(
    'can never be changed afterwards: %s',
    async (table) => {
      const clientId = await newClient(oriel, 'Append only')
      await oriel.call('POST', `/api/clients/${clientId}/care/checks`, check())
      await oriel.call('POST', `/api/clients/${clientId}/care/consents`, {
        id: newId(),
        on: day(0),
        textVersion: '2026-11',
        strokes: [[0, 0, 1, 1]],
      })
      const planId = await newPlan(oriel, clientId)
      await oriel.call('POST', `/api/plans/${planId}/acknowledgements`, {
        cautionId: 'care-scalp-missing',
        reason: 'looked',
      })
      await expect(database().execute(sql.raw(`update ${table} set at = now()`))).rejects.toMatchObject({
        cause: { message: expect.stringContaining('only ever added') },
      })
      await expect(database().execute(sql.raw(`delete from ${table}`))).rejects.toMatchObject({
        cause: { message: expect.stringContaining('only ever added') },
      })
    },
  )
})

describe('pictures', () => {
  const send = async (clientId: string, bytes: Buffer, device = oriel, name = 'before.jpg') => {
    const response = await fetch(`${BASE_URL}/api/clients/${clientId}/pictures?name=${name}`, {
      method: 'POST',
      headers: { cookie: device.cookie, origin: BASE_URL },
      body: new Uint8Array(bytes),
    })
    return { status: response.status, body: (await response.json()) as PictureSummary & { message?: string } }
  }
  const fetched = async (clientId: string, id: string, size = '') => {
    const response = await fetch(`${BASE_URL}/api/clients/${clientId}/pictures/${id}${size}`, {
      headers: { cookie: oriel.cookie, ...ONE_CALL },
    })
    return {
      type: response.headers.get('content-type'),
      bytes: Buffer.from(await response.arrayBuffer()),
      headers: response.headers,
    }
  }
  const photograph = (shade: string) =>
    sharp({ create: { width: 640, height: 480, channels: 3, background: shade } })
      .withExif({
        IFD0: { Copyright: 'Somebody', Make: 'A camera' },
        IFD3: { GPSLatitude: '51/1 30/1 0/1', GPSLatitudeRef: 'N' },
      })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer()

  it('are kept upright and without what the camera wrote, with a thumbnail and a checksum', async () => {
    const clientId = await newClient(oriel, 'Pictured')
    const original = await photograph('#8a6a4a')
    expect((await sharp(original).metadata()).exif).toBeDefined()
    const { status, body } = await send(clientId, original)
    expect(status).toBe(200)
    expect(body).toMatchObject({ name: 'before.jpg', widthPx: 480, heightPx: 640 })
    const full = await fetched(clientId, body.id)
    const metadata = await sharp(full.bytes).metadata()
    expect(full.type).toBe('image/jpeg')
    expect(metadata.exif).toBeUndefined()
    expect(metadata.orientation).toBeUndefined()
    const { createHash } = await import('node:crypto')
    expect(createHash('sha256').update(full.bytes).digest('hex')).toBe(body.sha256)
    expect(full.headers.get('x-content-type-options')).toBe('nosniff')
    const small = await sharp((await fetched(clientId, body.id, '?size=thumbnail')).bytes).metadata()
    expect(small).toMatchObject({ format: 'webp', height: 360 })
  })

  it('are the same picture when sent again, and come back after removal', async () => {
    const clientId = await newClient(oriel, 'Twice pictured')
    const bytes = await photograph('#336655')
    const [one, two] = [await send(clientId, bytes), await send(clientId, bytes)]
    expect(two.body.id).toBe(one.body.id)
    expect((await oriel.call('DELETE', `/api/clients/${clientId}/pictures/${one.body.id}`)).status).toBe(200)
    expect((await oriel.call('GET', `/api/clients/${clientId}/pictures`)).body['pictures']).toEqual([])
    expect((await oriel.call('POST', `/api/clients/${clientId}/pictures/${one.body.id}/restore`)).status).toBe(200)
    expect((await oriel.call('GET', `/api/clients/${clientId}/pictures`)).body['pictures']).toHaveLength(1)
  })

  it.each([
    ['text that calls itself a picture', () => Promise.resolve(Buffer.from('not a picture at all'))],
    [
      'an SVG with script',
      () => Promise.resolve(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>')),
    ],
    ['half a picture', async () => (await photograph('#111111')).subarray(0, 900)],
    [
      'a GIF',
      () =>
        sharp({ create: { width: 4, height: 4, channels: 3, background: 'red' } })
          .gif()
          .toBuffer(),
    ],
    ['nothing', () => Promise.resolve(Buffer.alloc(0))],
  ])('refuse %s and say what would do', async (_what, bytes) => {
    const clientId = await newClient(oriel, 'No picture')
    const { status, body } = await send(clientId, await bytes())
    expect(status).toBe(422)
    expect(body.message).toContain('JPEG, PNG or WebP')
    expect((await oriel.call('GET', `/api/clients/${clientId}/pictures`)).body['pictures']).toEqual([])
  })

  it('refuse 50 MB unread, writers without leave, and strangers', async () => {
    const clientId = await newClient(oriel, 'Large')
    expect((await send(clientId, Buffer.alloc(50_000_000))).status).toBe(413)
    expect((await send(clientId, await photograph('#222222'), tove)).status).toBe(403)
    expect((await call('GET', `/api/clients/${clientId}/pictures`)).status).toBe(401)
  })
})
