import { isEasyPassword } from './easyPassword'

it.each([
  'passwordpassword',
  'password1234',
  '123456789012',
  'qwertyuiop12',
  'aaaaaaaaaaaaaaaa',
  'P4$$w0rdP4$$w0rd',
  'x'.repeat(128),
])('%s is guessed first', async (password) => expect(await isEasyPassword(password)).toBe(true))

it.each(['a quiet slack tide', 'seventeen loose copper rings', 'Zq8-vnW2kLp0!x', 'long words, '.repeat(10)])(
  '%s is not',
  async (password) => expect(await isEasyPassword(password)).toBe(false),
)

it('what is known of somebody makes a password easy, in parts too', async () => {
  const known = ['Oriel Marchbanks', 'The Slack Tide Room', 'oriel@brindle.example']
  for (const password of ['orielmarchbanks', 'MarchbanksOriel', 'The slack tide room', 'oriel@brindle.example']) {
    expect(await isEasyPassword(password)).toBe(false)
    expect(await isEasyPassword(password, known)).toBe(true)
  }
  expect(await isEasyPassword('seventeen loose copper rings', known)).toBe(false)
})
