/* eslint-disable max-lines -- one story: clients, plans and their edits over HTTP */
import { and, eq } from 'drizzle-orm'
import { parse } from 'csv-parse/sync'
import { v7 as newId } from 'uuid'
import {
  account,
  cautionAcknowledgement,
  client,
  database,
  plan,
  planEdit,
  planVersion,
  salon,
  session,
  staff,
  user,
} from '@/db'
import { seenCells } from '@/core/appearance/coarse'
import type { FaltoPlan, OpenPlan } from '@/core/model'
import { MEDIUM_HAIR, planWith } from '../support/plan'
import { BASE_URL, ONE_CALL, call, cookieOf, deviceOf, newClient, newPlan, type Device } from '../support/server'
import { computePlan } from '../support/planner'

let oriel: Device
let bram: Device
let juno: Device
let tove: Device

beforeAll(async () => {
  ;[oriel, bram, juno, tove] = (await Promise.all(['oriel', 'bram', 'juno', 'tove'].map(deviceOf))) as [
    Device,
    Device,
    Device,
    Device,
  ]
})
afterAll(() => database().$client.end())

const rowGap = (mm: number, zone = 0) => [
  { op: 'replace', path: ['variants', 0, 'stages', 0, 'zones', zone, 'placement', 'rowGapMm'], value: mm },
]
const edit = (mm: number, zone = 0, id = newId()) => ({
  id,
  kind: 'edit',
  label: `Row gap ${mm} mm`,
  patches: rowGap(mm, zone),
})
const gapOf = async (device: Device, id: string, zone = 0) => {
  const { body } = await device.call('GET', `/api/plans/${id}`)
  return (body['document'] as unknown as FaltoPlan).variants[0]!.stages[0]!.zones[zone]!.placement.rowGapMm
}
const send = (device: Device, id: string, baseRevision: number, ...operations: object[]) =>
  device.call('POST', `/api/plans/${id}/operations`, { baseRevision, operations })

describe('signing in', () => {
  it('is needed everywhere, and a refusal says what to do', async () => {
    for (const [method, path] of [
      ['GET', '/api/me'],
      ['GET', '/api/clients'],
      ['GET', `/api/plans/${newId()}`],
      ['POST', '/api/clients'],
    ] as const) {
      const { status, body } = await call(method, path, method === 'POST' ? {} : undefined)
      expect(status).toBe(401)
      expect(body['message']).toMatch(/Sign in again/)
    }
  })

  it('sends pages to the sign-in page and back', async () => {
    const { status, headers } = await call('GET', '/people')
    expect(status).toBe(307)
    expect(headers.get('location')).toBe('/sign-in?next=%2Fpeople')
  })

  it('ends when the session has expired', async () => {
    const device = await deviceOf('bram')
    const token = decodeURIComponent(device.cookie.match(/session_token=([^;]+)/)![1]!).split('.')[0]!
    const ended = await database()
      .update(session)
      .set({ expiresAt: new Date(Date.now() - 1000) })
      .where(eq(session.token, token))
      .returning()
    expect(ended).toHaveLength(1)
    expect((await device.call('GET', '/api/me')).status).toBe(401)
  })

  it('ends at once where somebody signs out, and for no other device', async () => {
    const [here, there] = [await deviceOf('bram'), await deviceOf('bram')]
    for (const { call: asked } of [here, there]) expect((await asked('GET', '/api/me')).status).toBe(200)
    expect((await here.call('POST', '/api/auth/sign-out', {})).status).toBe(200)
    expect((await here.call('GET', '/api/me')).status).toBe(401)
    expect((await there.call('GET', '/api/me')).status).toBe(200)
  })

  it('is not taken from a cookie whose signature is another’s', async () => {
    const [one, other] = [await deviceOf('bram'), await deviceOf('tove')]
    expect((await one.call('GET', '/api/me')).status).toBe(200)
    const parts = (cookie: string) => decodeURIComponent(cookie.match(/session_token=([^;]+)/)![1]!).split('.')
    const forged = `falto.session_token=${encodeURIComponent(`${parts(one.cookie)[0]!}.${parts(other.cookie)[1]!}`)}`
    expect((await call('GET', '/api/me', undefined, forged)).status).toBe(401)
  })

  it('does not work with a wrong password or an unknown demo user', async () => {
    expect(
      (await call('POST', '/api/auth/sign-in/email', { email: 'oriel@slack-tide.invalid', password: 'wrong-password' }))
        .status,
    ).toBe(401)
    expect((await call('POST', '/api/demo/sign-in', { staff: 'nobody' })).status).toBe(422)
    expect(
      (await call('POST', '/api/auth/sign-up/email', { email: 'x@y.invalid', password: 'long-enough-1', name: 'X' }))
        .status,
    ).toBeGreaterThanOrEqual(400)
  })

  it('says who one is', async () => {
    expect((await tove.call('GET', '/api/me')).body).toEqual({
      ...{ name: 'Tove Lindqvist-Adeyemi', role: 'assistant', tablet: null },
    })
  })
})

describe('roles', () => {
  it('let apprentices and assistants look but not write', async () => {
    const clientId = await newClient(oriel, 'Role test')
    const planId = await newPlan(oriel, clientId)
    for (const device of [juno, tove]) {
      expect((await device.call('GET', `/api/plans/${planId}`)).status).toBe(200)
      expect((await send(device, planId, 0, edit(3))).status).toBe(403)
      expect((await device.call('DELETE', `/api/plans/${planId}`)).status).toBe(403)
      expect(
        (
          await device.call('POST', '/api/clients', {
            name: 'X',
            note: '',
            head: { circumferenceCm: 54 },
            hair: MEDIUM_HAIR,
          })
        ).status,
      ).toBe(403)
    }
    expect(await gapOf(oriel, planId)).toBe(7)
  })

  it('let an assistant acknowledge a caution, with name and reason in a log; not an apprentice', async () => {
    const planId = await newPlan(oriel, await newClient(oriel, 'Caution test'))
    const path = `/api/plans/${planId}/acknowledgements`
    expect((await juno.call('POST', path, { cautionId: 'care-checks', reason: '' })).status).toBe(403)
    const { status, body } = await tove.call('POST', path, { cautionId: 'care-checks', reason: 'patch read at 48 h' })
    expect(status).toBe(200)
    expect(body).toMatchObject({ cautionId: 'care-checks', by: 'Tove Lindqvist-Adeyemi', reason: 'patch read at 48 h' })
    expect((await tove.call('POST', path, { cautionId: 'long-foils', reason: '' })).status).toBe(422)
    const rows = await database().select().from(cautionAcknowledgement).where(eq(cautionAcknowledgement.planId, planId))
    expect(rows).toHaveLength(1)
    expect(rows[0]!.text).toMatch(/Allergy alert test/)
  })
})

describe('another salon', () => {
  it('sees nothing of this one and can change nothing in it', async () => {
    const stranger = await otherSalon()
    const clientId = await newClient(oriel, 'Ours')
    const planId = await newPlan(oriel, clientId)
    expect((await stranger.call('GET', '/api/clients')).body['clients']).toEqual([])
    for (const [method, path, body] of [
      ['GET', `/api/clients/${clientId}`, undefined],
      ['PUT', `/api/clients/${clientId}`, { name: 'Theirs', note: '', head: { circumferenceCm: 54 }, baseRevision: 0 }],
      ['DELETE', `/api/clients/${clientId}`, undefined],
      ['POST', `/api/clients/${clientId}/plans`, { name: 'X', template: 'topStrip' }],
      ['GET', `/api/plans/${planId}`, undefined],
      ['GET', `/api/plans/${planId}/export`, undefined],
      ['POST', `/api/plans/${planId}/copies`, undefined],
      ['POST', `/api/plans/${planId}/operations`, { baseRevision: 0, operations: [edit(3)] }],
      ['DELETE', `/api/plans/${planId}`, undefined],
    ] as const) {
      const answer = await stranger.call(method, path, body)
      expect([path, answer.status]).toEqual([path, 404])
      expect(answer.body['message']).toMatch(/another salon/)
    }
    expect((await stranger.call('GET', `/plans/${planId}`)).status).toBe(404)
    expect(await gapOf(oriel, planId)).toBe(7)
    expect((await oriel.call('GET', `/api/clients/${clientId}`)).body['name']).toBe('Ours')
  })
})

describe('clients', () => {
  it('are found by part of the name, whatever its case and signs', async () => {
    const id = await newClient(oriel, '50% Odd_Name')
    const found = async (search: string) =>
      (
        (await oriel.call('GET', `/api/clients?search=${encodeURIComponent(search)}`)).body['clients'] as {
          id: string
        }[]
      ).map((one) => one.id)
    expect(await found('odd_n')).toContain(id)
    expect(await found('50%')).toContain(id)
    expect(await found('odd-n')).not.toContain(id)
    const accented = await newClient(oriel, 'Ögmundr Čapková')
    for (const words of ['ogmundr', 'ÖGM', 'capk', 'čAPK']) expect(await found(words)).toContain(accented)
  })

  it('refuse bad records at the field, and write nothing', async () => {
    const good = { name: 'Bad record', note: '', head: { circumferenceCm: 54 }, hair: MEDIUM_HAIR }
    for (const [entry, field] of [
      [{ ...good, head: { circumferenceCm: 5 } }, 'head.circumferenceCm'],
      [{ ...good, head: { circumferenceCm: 54, earToEarCm: 26 } }, 'head.earToEarCm'],
      [{ ...good, hair: { ...MEDIUM_HAIR, naturalLevel: 12 } }, 'hair.naturalLevel'],
      [{ ...good, salonId: newId() }, 'salonId'],
      [{ ...good, name: '' }, 'name'],
    ] as const) {
      const { status, body } = await oriel.call('POST', '/api/clients', entry)
      expect(status).toBe(422)
      expect((body['problems'] as { path: string }[]).map(({ path }) => path)).toContain(field)
    }
    expect((await oriel.call('GET', '/api/clients?search=Bad+record')).body['clients']).toEqual([])
  })

  it('are not overwritten by a stale save', async () => {
    const id = await newClient(oriel, 'Stale')
    const entry = { name: 'First', note: '', head: { circumferenceCm: 54 }, baseRevision: 0 }
    expect((await oriel.call('PUT', `/api/clients/${id}`, entry)).body).toEqual({ revision: 1 })
    expect((await bram.call('PUT', `/api/clients/${id}`, { ...entry, name: 'Second' })).status).toBe(409)
    expect((await oriel.call('GET', `/api/clients/${id}`)).body['name']).toBe('First')
  })

  it('come back after removal', async () => {
    const id = await newClient(oriel, 'Removed')
    await oriel.call('DELETE', `/api/clients/${id}`)
    expect((await oriel.call('GET', `/api/clients/${id}`)).status).toBe(404)
    await oriel.call('POST', `/api/clients/${id}/restore`)
    expect((await oriel.call('GET', `/api/clients/${id}`)).status).toBe(200)
  })
})

describe('editing a plan', () => {
  let planId: string
  beforeEach(async () => {
    planId = await newPlan(oriel, await newClient(oriel, 'Editing'))
  })

  it('keeps edits, undoes and redoes them across devices', async () => {
    const first = edit(3)
    const second = edit(11)
    expect((await send(oriel, planId, 0, first, second)).body).toEqual({ revision: 2 })
    expect(await gapOf(bram, planId)).toBe(11)
    expect(
      (await send(bram, planId, 2, { id: newId(), kind: 'undo', label: '', patches: [], target: second.id })).body,
    ).toEqual({ revision: 3 })
    expect(await gapOf(oriel, planId)).toBe(3)
    const history = (await oriel.call('GET', `/api/plans/${planId}`)).body['history'] as unknown as {
      undo: { id: string; by: string }[]
      redo: { id: string }[]
    }
    expect(history.undo.map(({ id }) => id)).toEqual([first.id])
    expect(history.redo.map(({ id }) => id)).toEqual([second.id])
    expect(history.undo[0]!.by).toBe('Oriel Castellane')
    await send(oriel, planId, 3, { id: newId(), kind: 'redo', label: '', patches: [], target: second.id })
    expect(await gapOf(oriel, planId)).toBe(11)
  })

  it('forgets what was undone once something new is done', async () => {
    const first = edit(3)
    await send(
      oriel,
      planId,
      0,
      first,
      { id: newId(), kind: 'undo', label: '', patches: [], target: first.id },
      edit(5),
    )
    expect(
      (await send(oriel, planId, 3, { id: newId(), kind: 'redo', label: '', patches: [], target: first.id })).status,
    ).toBe(422)
    expect(await gapOf(oriel, planId)).toBe(5)
  })

  it('counts an operation once, however often it is sent', async () => {
    const operation = edit(4)
    expect((await send(oriel, planId, 0, operation)).body).toEqual({ revision: 1 })
    expect((await send(oriel, planId, 0, operation)).body).toEqual({ revision: 1 })
    expect(await database().select().from(planEdit).where(eq(planEdit.planId, planId))).toHaveLength(1)
  })

  it('answers a stale save with 409 and what a merge needs, and overwrites nothing', async () => {
    await send(oriel, planId, 0, edit(3))
    const { status, body } = await send(bram, planId, 0, edit(9))
    expect(status).toBe(409)
    expect(body).toMatchObject({
      revision: 1,
      known: [],
      since: [{ kind: 'edit', label: 'Row gap 3 mm', by: 'Oriel Castellane' }],
    })
    expect(await gapOf(oriel, planId)).toBe(3)
  })

  it('carries out all of a batch or nothing', async () => {
    const { status, body } = await send(oriel, planId, 0, edit(3), edit(4000))
    expect(status).toBe(422)
    expect((body['problems'] as { path: string; message: string }[])[0]).toEqual({
      path: 'variants[0].stages[0].zones[0].placement.rowGapMm',
      message: 'must be a number from 0 to 40 mm',
    })
    expect(await gapOf(oriel, planId)).toBe(7)
    expect(await database().select().from(planEdit).where(eq(planEdit.planId, planId))).toHaveLength(0)
  })

  it('does not hold a slip against a plan when it was undone before it was saved, or mended', async () => {
    const slip = edit(4000)
    const undone = { id: newId(), kind: 'undo', label: '', patches: [], target: slip.id }
    expect((await send(oriel, planId, 0, slip, undone)).body).toEqual({ revision: 2 })
    expect(await gapOf(oriel, planId)).toBe(7)
    expect((await send(oriel, planId, 2, edit(4000), edit(12))).body).toEqual({ revision: 4 })
    expect(await gapOf(oriel, planId)).toBe(12)
    const history = (await oriel.call('GET', `/api/plans/${planId}`)).body['history'] as { undo: { id: string }[] }
    expect(
      (
        await send(oriel, planId, 4, {
          id: newId(),
          kind: 'undo',
          label: '',
          patches: [],
          target: history.undo.at(-1)!.id,
        })
      ).status,
    ).toBe(422)
    expect(await gapOf(oriel, planId)).toBe(12)
  })

  it('refuses zones that come to overlap, and patches that do not fit', async () => {
    const overlap = {
      id: newId(),
      kind: 'edit',
      label: 'x',
      patches: [
        {
          op: 'replace',
          path: ['variants', 0, 'stages', 0, 'zones', 1, 'boundary'],
          value: (await documentOf(planId)).variants[0]!.stages[0]!.zones[0]!.boundary,
        },
      ],
    }
    const answer = await send(oriel, planId, 0, overlap)
    expect(answer.status).toBe(422)
    expect(String(answer.body['message'])).toMatch(/between two zones/)
    const misfit = {
      id: newId(),
      kind: 'edit',
      label: 'x',
      patches: [{ op: 'replace', path: ['variants', 7, 'name'], value: 'x' }],
    }
    expect((await send(oriel, planId, 0, misfit)).status).toBe(422)
    const pollution = {
      id: newId(),
      kind: 'edit',
      label: 'x',
      patches: [{ op: 'add', path: ['__proto__', 'polluted'], value: true }],
    }
    expect((await send(oriel, planId, 0, pollution)).status).toBe(422)
  })

  it('serialises devices that save at the same moment: one wins, the others are offered a merge', async () => {
    const answers = await Promise.all(
      Array.from({ length: 8 }, (_, i) => send(i % 2 ? oriel : bram, planId, 0, edit(i + 1))),
    )
    expect(answers.map(({ status }) => status).sort()).toEqual([200, ...Array.from({ length: 7 }, () => 409)])
  })

  it('keeps versions, copies, removes and restores', async () => {
    expect((await oriel.call('POST', `/api/plans/${planId}/versions`, { label: 'Before' })).body).toEqual({ number: 2 })
    const { id } = (await oriel.call('POST', `/api/plans/${planId}/copies`)).body
    expect((await documentOf(String(id))).name).toBe('Test plan (copy)')
    await oriel.call('DELETE', `/api/plans/${planId}`)
    expect((await oriel.call('GET', `/api/plans/${planId}`)).status).toBe(404)
    await oriel.call('POST', `/api/plans/${planId}/restore`)
    expect((await oriel.call('GET', `/api/plans/${planId}`)).status).toBe(200)
    expect(await database().select().from(planVersion).where(eq(planVersion.planId, planId))).toHaveLength(2)
  })

  const documentOf = async (id: string) =>
    (await oriel.call('GET', `/api/plans/${id}`)).body['document'] as unknown as FaltoPlan
})

it('what is seen of a kind of hair is counted for whoever opens such a plan next, as a device would count it', async () => {
  const planId = await newPlan(oriel, await newClient(oriel, 'Seen'))
  const opened = async () => (await oriel.call('GET', `/api/plans/${planId}`)).body as unknown as OpenPlan
  let plan = await opened()
  while (!plan.seen) plan = await opened()
  expect(plan.seen).toEqual(seenCells(plan.document.hair))
})

describe('plan files', () => {
  it('come back as they went out', async () => {
    const clientId = await newClient(oriel, 'Files')
    const document = planWith({ template: 'topStrip' })
    const { id } = (await oriel.call('POST', `/api/clients/${clientId}/imports`, document)).body
    const exported = await oriel.call('GET', `/api/plans/${String(id)}/export`)
    expect(exported.headers.get('content-disposition')).toContain("filename*=UTF-8''Test.falto.json")
    expect(exported.body).toEqual(document)
  })

  it('are refused with the field when they are not plans', async () => {
    const clientId = await newClient(oriel, 'Bad files')
    const path = `/api/clients/${clientId}/imports`
    expect((await oriel.call('POST', path, '{"format":')).status).toBe(400)
    expect((await oriel.call('POST', path, '[]')).status).toBe(422)
    const { status, body } = await oriel.call('POST', path, planWith({ head: { circumferenceCm: 5 } }))
    expect(status).toBe(422)
    expect(body['message']).toBe('head.circumferenceCm must be a number from 45 to 68 cm')
    expect(await database().select().from(plan).where(eq(plan.clientId, clientId))).toHaveLength(0)
  })

  it('are refused unread when they have 10 MB, with or without saying so beforehand', async () => {
    const clientId = await newClient(oriel, 'Large files')
    const large = JSON.stringify({ ...planWith(), name: 'x'.repeat(10_000_000) })
    const { status, body } = await oriel.call('POST', `/api/clients/${clientId}/imports`, large)
    expect(status).toBe(413)
    expect(body['message']).toMatch(/larger than 2 MB/)
    const stream = new ReadableStream({
      start(controller) {
        for (let i = 0; i < 10; i++)
          controller.enqueue(new TextEncoder().encode(large.slice(i * 1_000_000, (i + 1) * 1_000_000)))
        controller.close()
      },
    })
    const chunked = await fetch(`${BASE_URL}/api/clients/${clientId}/imports`, {
      method: 'POST',
      headers: { cookie: oriel.cookie },
      body: stream,
      duplex: 'half',
    } as RequestInit & { duplex: 'half' })
    expect(chunked.status).toBe(413)
  })
})

/** A second salon with one colourist, signed in. */
async function otherSalon(): Promise<Device> {
  const salonId = newId()
  const userId = newId()
  const email = `${userId}@other.invalid`
  const [model] = await database()
    .select({ password: account.password })
    .from(account)
    .innerJoin(user, eq(user.id, account.userId))
    .where(eq(user.email, 'oriel@slack-tide.invalid'))
  await database().insert(salon).values({ id: salonId, name: 'Another salon', demo: true })
  await database().insert(user).values({ id: userId, name: 'Stranger', email, salonId })
  await database()
    .insert(account)
    .values({ id: newId(), accountId: userId, providerId: 'credential', userId, password: model!.password })
  await database().insert(staff).values({ salonId, id: newId(), userId, name: 'Stranger', role: 'owner' })
  const answer = await call('POST', '/api/auth/sign-in/email', { email, password: process.env['FALTO_DEMO_PASSWORD'] })
  const cookie = cookieOf(answer)
  expect(answer.status).toBe(200)
  expect(
    await database()
      .select()
      .from(client)
      .where(and(eq(client.salonId, salonId))),
  ).toHaveLength(0)
  return { cookie, call: (method, path, body) => call(method, path, body, cookie) }
}

describe('documents of a plan', () => {
  const fetched = async (planId: string, kind: string) => {
    const response = await fetch(`${BASE_URL}/api/plans/${planId}/export?as=${kind}`, {
      headers: { cookie: oriel.cookie, ...ONE_CALL },
    })
    return {
      status: response.status,
      type: response.headers.get('content-type') ?? '',
      bytes: Buffer.from(await response.arrayBuffer()),
    }
  }

  it('are a head sheet as SVG and PDF and a list of foils that a CSV reader takes, with as many foils as the plan has', async () => {
    const clientId = await newClient(oriel, 'Documents')
    const answer = await oriel.call('POST', `/api/clients/${clientId}/plans`, {
      name: 'Correction "in" tiers, <first>',
      template: 'fourQuadrants',
      service: 'tieredCorrection',
    })
    const planId = String(answer.body['id'])
    const plan = (await oriel.call('GET', `/api/plans/${planId}/export`)).body as unknown as FaltoPlan
    const csv = await fetched(planId, 'csv')
    expect(csv.type).toContain('text/csv')
    const rows = parse(csv.bytes, { columns: true }) as Record<string, string>[]
    expect(rows.filter(({ kind }) => kind === 'foil')).toHaveLength(computePlan(plan).foilCount)
    expect(rows.map(({ turn }) => Number(turn))).toEqual(rows.map((_, i) => i + 1))
    const svg = (await fetched(planId, 'svg')).bytes.toString('utf8')
    expect(svg).toContain('Correction &#34;in&#34; tiers, &#60;first&#62;')
    // On the map; the views from four sides have smaller ones of their own.
    expect(svg.match(/<circle[^>]* r="0\.6"/g)).toHaveLength(
      plan.variants[0]!.stages.reduce((sum, { zones }) => sum + zones.length, 0),
    )
    const pdf = await fetched(planId, 'pdf')
    expect(pdf.type).toBe('application/pdf')
    expect(pdf.bytes.subarray(0, 5).toString()).toBe('%PDF-')
    expect(pdf.bytes.toString('latin1').match(/\/Type \/Page\b/g)).toHaveLength(plan.variants[0]!.stages.length)
    expect((await fetched(planId, 'docx')).status).toBe(422)
  }, 60_000)
})
