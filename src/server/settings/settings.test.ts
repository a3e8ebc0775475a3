import { readFileSync } from 'node:fs'
import { setting, settingProblems, SETTINGS } from '.'

const before = { ...process.env }
beforeEach(() => {
  for (const name of Object.keys(SETTINGS)) Reflect.deleteProperty(process.env, name)
  process.env['DATABASE_URL'] = 'postgres://falto@127.0.0.1/falto'
  process.env['BETTER_AUTH_SECRET'] = 's'.repeat(32)
})
afterAll(() => {
  process.env = before
})

it('an environment that says what is needed is taken', () => {
  expect(settingProblems()).toEqual([])
})

it.each([
  ['DATABASE_URL', '', 'DATABASE_URL is not set'],
  ['DATABASE_URL', 'mysql://x', 'postgres://'],
  ['DATABASE_LISTEN_URL', 'nonsense', 'DATABASE_LISTEN_URL'],
  ['BETTER_AUTH_SECRET', 'short', 'fewer than 32'],
  ['BETTER_AUTH_URL', 'falto.example', 'http://'],
  ['DATABASE_CONNECTIONS', '1', '2 to 200'],
  ['DATABASE_CONNECTIONS', '2.5', '2 to 200'],
  ['FALTO_LOG', 'loud', 'none of trace'],
  ['FALTO_SMTP_URL', 'http://mail', 'smtp://'],
])('%s = “%s” is named', (name, value, words) => {
  process.env[name] = value
  const problems = settingProblems()
  expect(problems).toHaveLength(1)
  expect(problems[0]).toContain(name)
  expect(problems[0]).toContain(words)
})

it('a stand-in holds where nothing is set, and an empty value is nothing', () => {
  expect(setting('FALTO_LOG')).toBe('warn')
  process.env['FALTO_LOG'] = ''
  expect(setting('FALTO_LOG')).toBe('warn')
  process.env['FALTO_LOG'] = 'info'
  expect(setting('FALTO_LOG')).toBe('info')
  expect(setting('FALTO_SMTP_URL')).toBeUndefined()
})

it('the page on operation says every setting as it is', () => {
  const page = readFileSync('docs/operation.md', 'utf8').replace(/ +/g, ' ')
  for (const [name, { says }] of Object.entries(SETTINGS)) {
    expect(page).toContain(`| \`${name}\` |`)
    expect(page).toContain(`| ${says} |`)
  }
})
