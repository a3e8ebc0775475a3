import { spawnSync } from 'node:child_process'
import { Pool } from 'pg'

/** A salon of one's own, in a database of this file's own: making one closes the demo of an installation. */
jest.setTimeout(120_000)

const name = `salons_${process.pid}`
const original = process.env['DATABASE_URL']!
const elsewhere = (database: string): string => {
  const address = new URL(original)
  address.pathname = `/${database}`
  return address.toString()
}

let admin: Pool
beforeAll(async () => {
  admin = new Pool({ connectionString: elsewhere('postgres'), max: 1 })
  await admin.query(`create database ${name}`)
  process.env['DATABASE_URL'] = elsewhere(name)
  run('src/db/migrate.ts')
})
afterAll(async () => {
  const { database } = await import('@/db')
  await database().$client.end()
  await admin.query(`drop database ${name} with (force)`)
  await admin.end()
})

function run(script: string, args: string[] = [], input = ''): { code: number | null; out: string; err: string } {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['scripts/run.mjs', script, ...args], {
    input,
    encoding: 'utf8',
    env: { ...process.env, DATABASE_URL: elsewhere(name), FALTO_DEMO_PASSWORD: 'a demo password' },
  })
  return { code: status, out: stdout, err: stderr }
}

const here = new Headers({ host: '127.0.0.1:4310' })
const PASSWORD = 'a long enough word'
const OWNER = ['The Quiet Chair', 'nell@quiet.invalid', '--owner', 'Nell Marsh']

it('a real salon is made where there is no demo; its owner signs in, and no demo comes in beside it', async () => {
  const { auth, demoIsOpen, staffFrom } = await import('@/server/auth')
  const { listClients } = await import('@/server/clients')
  const { catalogueOf, exportCatalogue } = await import('@/server/shelf')

  expect(run('scripts/salon.ts', OWNER, 'short\n')).toMatchObject({ code: 2, err: expect.stringContaining('at least') })
  expect(run('scripts/salon.ts', OWNER, 'passwordpassword\n').err).toContain('guessed first')
  expect(run('scripts/salon.ts', ['', 'nell@quiet.invalid'], `${PASSWORD}\n`).code).toBe(2)
  expect(run('scripts/salon.ts', ['Quiet', 'nobody'], `${PASSWORD}\n`).err).toContain('not an e-mail')
  expect(run('scripts/salon.ts', OWNER, `${PASSWORD}\n`)).toMatchObject({ code: 0, err: '' })
  expect(run('scripts/salon.ts', OWNER, `${PASSWORD}\n`).err).toContain('already')
  expect(run('scripts/seed.ts').out).toContain('left as it is')
  expect(await demoIsOpen(here)).toBe(false)

  const signedIn = await auth().api.signInEmail({
    body: { email: 'nell@quiet.invalid', password: PASSWORD },
    headers: here,
    asResponse: true,
  })
  expect(signedIn.status).toBe(200)
  const cookie = signedIn.headers
    .getSetCookie()
    .map((line) => line.split(';')[0])
    .join('; ')
  const nell = (await staffFrom(new Headers({ host: '127.0.0.1:4310', cookie })))!
  expect([nell.name, nell.role, nell.demo]).toEqual(['Nell Marsh', 'owner', false])
  expect(await listClients(nell, {})).toEqual({ clients: [], next: null })
  expect(await catalogueOf(nell)).toEqual([])
  expect((await exportCatalogue(nell)).trim().split('\n')).toHaveLength(1)
})

it('a catalogue file comes with it, and a file that is not there leaves nothing behind', async () => {
  const missing = run('scripts/salon.ts', ['Third', 'c@third.invalid', '--catalogue', '/nowhere.csv'], `${PASSWORD}\n`)
  expect(missing.code).toBe(2)
  const { rows } = await admin.query('select 1')
  expect(rows).toHaveLength(1)
  const { database, salon } = await import('@/db')
  const names = (await database().select({ name: salon.name }).from(salon)).map((row) => row.name)
  expect(names).not.toContain('Third')
})

it('the demo is open on this machine only, and no real salon is made beside it', async () => {
  const { demoIsOpen } = await import('@/server/auth')
  const { database } = await import('@/db')
  await database().execute('truncate salon cascade')
  await database().execute('truncate "user" cascade')
  expect(await demoIsOpen(here)).toBe(false)
  expect(run('scripts/seed.ts').out).toContain('Made demo data')
  expect(await demoIsOpen(here)).toBe(true)
  expect(await demoIsOpen(new Headers({ host: 'tablet.invalid:4443' }))).toBe(false)
  expect(run('scripts/salon.ts', OWNER, `${PASSWORD}\n`).err).toContain('never stands beside')
  expect(await demoIsOpen(here)).toBe(true)
})

it('many wrong passwords are waited for, whoever asks and however many ask at once; the right one is forgotten of', async () => {
  const { countTry, forgetTries } = await import('@/server/auth')
  const email = 'Guessed@quiet.invalid'
  const at = Date.now()
  const tries = await Promise.allSettled(Array.from({ length: 40 }, (_, i) => countTry('e-mail', email, at + i)))
  expect(tries.filter(({ status }) => status === 'fulfilled')).toHaveLength(5)
  await expect(countTry('e-mail', 'guessed@QUIET.invalid', at + 30_000)).rejects.toMatchObject({ status: 429 })
  await countTry('e-mail', email, at + 61_000)
  // The next wait is twice as long.
  await expect(countTry('e-mail', email, at + 61_000 + 119_000)).rejects.toMatchObject({ status: 429 })
  await forgetTries('e-mail', email)
  await countTry('e-mail', email, at + 62_000)
})
