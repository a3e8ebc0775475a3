import { randomBytes } from 'node:crypto'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import { eq } from 'drizzle-orm'
import sharp from 'sharp'
import { database, pictureBytes, pictureLeaving } from '@/db'
import { staffFrom, type StaffMember } from '@/server/auth'
import { packInto } from '@/server/moving'
import { eraseClient } from '@/server/person'
import { bringBack, checkStored, letGo, moveOut, readPicture, takePicture } from '@/server/pictures'
import { openObjectStore, type ObjectStore } from '../support/objectStore'
import { newClient } from '../support/server'
import { closeDatabase, newSalon, type TestSalon } from '../support/salon'

/** Bytes of pictures in an object store, from one salon's eyes; the server beside was not told of the store. */
jest.setTimeout(60_000)

let store: ObjectStore
let salon: TestSalon
let owner: StaffMember
let client: string
beforeEach(async () => {
  store = await openObjectStore()
  process.env['FALTO_PICTURES_URL'] = store.url
  salon = await newSalon()
  owner = (await staffFrom(new Headers({ cookie: salon.devices.owner.cookie })))!
  client = await newClient(salon.devices.owner, 'In pictures')
})
afterEach(async () => {
  delete process.env['FALTO_PICTURES_URL']
  await store.close()
})
afterAll(closeDatabase)

/** Takes a picture that nobody took before, and brings it where it belongs. */
async function taken(): Promise<string> {
  const raw = { width: 40, height: 30, channels: 3 as const }
  const noise = randomBytes(raw.width * raw.height * raw.channels)
  const upload = await sharp(noise, { raw }).png().toBuffer()
  const { id } = await takePicture(owner, client, 'Head.png', upload)
  await moveOut(salon.id).catch(() => undefined)
  return id
}
const read = (id: string) => readPicture(owner, client, id, 'full')
const inDatabase = async () =>
  (await database().select().from(pictureBytes).where(eq(pictureBytes.clientId, client))).map(
    ({ data }) => data !== null,
  )
const pathOf = (id: string, size = 'full') => `/heads/${salon.id}/${id}/${size}`

it('go into the store, signed as they should be, and are read from there', async () => {
  const id = await taken()
  expect([...store.objects.keys()].sort()).toEqual([pathOf(id), pathOf(id, 'thumbnail')])
  expect(await inDatabase()).toEqual([false, false])
  const { data, mime } = await read(id)
  expect([data.equals(store.objects.get(pathOf(id))!), mime]).toEqual([true, 'image/png'])
  expect(await checkStored(salon.id)).toEqual({ good: 2, lost: [] })
})

it('stay in the database while the store is away, and cannot be had while it has them', async () => {
  store.away = true
  const id = await taken()
  expect([await inDatabase(), (await read(id)).data.length > 1000]).toEqual([[true, true], true])
  store.away = false
  expect(await moveOut(salon.id)).toBe(2)
  store.away = true
  await expect(read(id)).rejects.toMatchObject({ status: 503, code: 'pictures-away' })
})

it('a Falto that was not told of the store says so', async () => {
  const id = await taken()
  delete process.env['FALTO_PICTURES_URL']
  await expect(checkStored(salon.id)).rejects.toMatchObject({ status: 503, code: 'pictures-away' })
  const { status, body } = await salon.devices.owner.call('GET', `/api/clients/${client}/pictures/${id}`)
  expect([status, body['error']]).toEqual([503, 'pictures-away'])
})

it('are not shown where somebody changed them in the store, and a check names those', async () => {
  const [changed, lost] = [await taken(), await taken()]
  store.objects.set(pathOf(changed), Buffer.from('somebody else'))
  store.objects.delete(pathOf(lost))
  for (const id of [changed, lost]) await expect(read(id)).rejects.toMatchObject({ status: 503, code: 'picture-lost' })
  const found = await checkStored(salon.id)
  expect(found.good).toBe(2)
  expect(found.lost.sort()).toEqual([changed, lost].map((id) => `${salon.id}/${id}/full`).sort())
})

it('come back into the database as they were', async () => {
  const id = await taken()
  const shown = await read(id)
  expect(await bringBack(salon.id)).toEqual({ good: 2, lost: [] })
  store.objects.clear()
  expect([await inDatabase(), await read(id)]).toEqual([[true, true], shown])
})

it('go with their client, and what the store would not give up goes later', async () => {
  await taken()
  const kept = [...store.objects.keys()]
  store.away = true
  await eraseClient(owner, client, 'In pictures')
  expect([...store.objects.keys()]).toEqual(kept)
  store.away = false
  const leaving = () => database().$count(pictureLeaving, eq(pictureLeaving.salonId, salon.id))
  expect(await leaving()).toBe(2)
  await letGo()
  expect([store.objects.size, await leaving()]).toEqual([0, 0])
})

it('are in the file that a salon moves house with', async () => {
  const id = await taken()
  const file = join(mkdtempSync(join(tmpdir(), 'falto-pictures-')), 'salon.gz')
  await packInto(file, salon.id)
  const lines = gunzipSync(readFileSync(file)).toString('utf8').split('\n')
  const rows = lines
    .filter((line) => line.includes(id) && line.includes('"size": "full"'))
    .map((line) => JSON.parse(line) as Record<string, string>)
  expect(rows).toEqual([
    expect.objectContaining({ sha256: null, data: `\\x${store.objects.get(pathOf(id))!.toString('hex')}` }),
  ])
  rmSync(dirname(file), { recursive: true })
})
