import type { LoggedVisit, VisitSummary } from '@/core/record/visit'
import { call, deviceOf, newClient, type Device } from '../support/server'
import { closeDatabase, newSalon, type TestSalon } from '../support/salon'

/** Visits that come out of a table, and formulas that go into one. */
jest.setTimeout(120_000)

let salon: TestSalon
let owner: Device
beforeAll(async () => {
  salon = await newSalon()
  owner = salon.devices.owner
  // A shelf to tell formulas from.
  const { body } = await (await deviceOf('oriel')).call('GET', '/api/products/csv')
  const taken = await call('POST', '/api/products/import?commit', body['text'], owner.cookie)
  expect(taken.body['text']).toContain('"committed":true')
  await newClient(owner, 'Ada Vale')
  await newClient(owner, 'Twice Named')
  await newClient(owner, 'Twice Named')
})
afterAll(closeDatabase)

const HEADING = 'client,on,service,name,minutes,product,level,tone,developer_vol,grams,left,change'
interface Report {
  rows: number
  committed: boolean
  problems: { line: number; column: string; message: string }[]
}
/** Cells that a row leaves out at its end are empty. */
const filledUp = (row: string) => row + ','.repeat(Math.max(0, HEADING.split(',').length - row.split(',').length))
const send = async (rows: string[], commit = '', heading = HEADING) =>
  (await call('POST', `/api/visits/table${commit}`, [heading, ...rows].join('\n'), owner.cookie))
    .body as unknown as Report

const visits = async () => (await owner.call('GET', '/api/visits')).body['visits'] as LoggedVisit[]
const product = async () => {
  const { body } = await owner.call('GET', '/api/products')
  const items = body['products'] as { id: string; line: string; name: string; kind: string }[]
  return items.find(({ kind }) => kind === 'gloss')!
}

it('takes visits in with their formulas, looked through first, and gives them back as a table', async () => {
  const { id, line, name } = await product()
  const rows = [
    `ada vale,2026-03-01,shadowAndMelt,From the card,155,${id},6,neutral,7,41,"3,5",Start at the sides`,
    `ada vale,2026-03-01,shadowAndMelt,From the card,155,${line} ${name},7.5,neutral,7,30,,`,
    'Ada Vale,2026-04-01,Top and sides again,,90,,,,,,,',
  ]
  expect(await send(rows)).toEqual({ rows: 2, problems: [], committed: false })
  expect(await visits()).toEqual([])
  expect(await send(rows, '?commit')).toEqual({ rows: 2, problems: [], committed: true })
  expect((await visits()).map(({ on, name: called }) => [on, called])).toEqual([
    ['2026-04-01', 'Top and sides again'],
    ['2026-03-01', 'From the card'],
  ])
  const opened = await owner.call('GET', `/api/visits/${(await visits())[1]!.id}/export`)
  const { minutes, formulas } = opened.body['summary'] as VisitSummary
  expect(minutes.took).toBe(155)
  expect(formulas.map(({ product: mixed, level, weighed, left }) => [mixed, level, weighed, left]).slice(0, 2)).toEqual(
    [
      [name, 6, 41, 3.5],
      [name, 7.5, 30, null],
    ],
  )
  expect(opened.body['reviews']).toMatchObject([{ change: 'Start at the sides' }])

  const { text } = (await owner.call('GET', '/api/visits/formulas')).body as { text: string }
  const [heading, ...lines] = text.trim().split('\n')
  expect(heading).toBe('on,client,plan,product,kind,level,tone,developer_vol,ratio')
  expect(lines.filter((one) => one.startsWith('2026-03-01,Ada Vale,From the card,')).length).toBeGreaterThanOrEqual(2)
  expect(lines[0]).toMatch(/^2026-04-01,Ada Vale,/)
})

it.each([
  ['nobody of the name', 'Nobody,2026-03-01,shadowAndMelt', 'client', 2],
  ['several of the name', 'Twice Named,2026-03-01,shadowAndMelt', 'client', 2],
  ['no kind of service', 'Ada Vale,2026-03-01,perm', 'service', 2],
  ['a day that is none', 'Ada Vale,2026-02-31,shadowAndMelt', 'on', 2],
  ['a day to come', 'Ada Vale,2099-01-01,shadowAndMelt', 'on', 2],
  ['what is not on the shelf', 'Ada Vale,2026-03-01,shadowAndMelt,,,Made up,6,neutral,7,40', 'product', 2],
  ['a number that is none', 'Ada Vale,2026-03-01,shadowAndMelt,,long', 'minutes', 2],
  ['more left than mixed', 'Ada Vale,2026-03-01,shadowAndMelt,,,PRODUCT,6,neutral,7,40,41', 'left', 2],
])('refuses all of it for %s, and says where', async (_what, row, column, line) => {
  const { id } = await product()
  const before = (await visits()).length
  const report = await send([row.replace('PRODUCT', id), 'Ada Vale,2026-05-01,shadowAndMelt'].map(filledUp), '?commit')
  expect(report.committed).toBe(false)
  expect(report.problems).toEqual([expect.objectContaining({ line, column })])
  expect(await visits()).toHaveLength(before)
})

it('a list of clients goes on page by page, each once, also where many have one name', async () => {
  const other = (await newSalon()).devices.owner
  const names = Array.from({ length: 430 }, (_, i) => (i < 250 ? 'Same Name' : `Client ${i}`))
  const taken = await call('POST', '/api/clients/table?commit', ['name', ...names].join('\n'), other.cookie)
  expect(taken.body['committed']).toBe(true)
  const listed: { id: string; name: string }[] = []
  let pages = 0
  for (let after: string | null = ''; after !== null; pages++) {
    const { body } = await other.call('GET', `/api/clients?after=${after}`)
    listed.push(...(body['clients'] as typeof listed))
    after = body['next'] as string | null
  }
  expect(pages).toBe(3)
  expect(new Set(listed.map(({ id }) => id)).size).toBe(430)
  expect(listed.map(({ name }) => name).sort()).toEqual([...names].sort())
  // Another salon's client is the end of no page of this one.
  expect((await owner.call('GET', `/api/clients?after=${listed[0]!.id}`)).body['clients']).toEqual([])
})

it('refuses a table that is none, one too long, and who may not write', async () => {
  expect((await send([], '', 'client,on')).problems).toEqual([expect.objectContaining({ line: 1 })])
  expect((await send(['x,y'], '', 'client,on')).problems).toEqual([expect.objectContaining({ column: 'service' })])
  const many = Array.from({ length: 201 }, (_, i) => `Ada Vale,2026-03-01,shadowAndMelt,Visit ${i}`)
  const tooLong = await call('POST', '/api/visits/table', [HEADING, ...many.map(filledUp)].join('\n'), owner.cookie)
  expect([tooLong.status, tooLong.body['error']]).toEqual([413, 'too-large'])
  expect((await salon.devices.assistant.call('POST', '/api/visits/table', HEADING)).status).toBe(403)
})
