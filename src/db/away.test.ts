import { databaseIsAway } from './away'

const withCode = (code: string) => Object.assign(new Error('of the driver'), { code })

describe('a database that is away', () => {
  it.each([
    ['a statement that waited too long', '57014'],
    ['a server that ends', '57P01'],
    ['too many connections', '53300'],
    ['a full disk', '53100'],
    ['a deadlock', '40P01'],
    ['a lost connection', '08006'],
    ['a lock that is not to be had', '55P03'],
    ['nobody there', 'ECONNREFUSED'],
  ])('is told from %s, also within another error', (_, code) => {
    expect(databaseIsAway(withCode(code))).toBe(true)
    expect(databaseIsAway(new Error('Failed query', { cause: withCode(code) }))).toBe(true)
  })

  it.each(['timeout exceeded when trying to connect', 'Query read timeout', 'Connection terminated unexpectedly'])(
    'is told from the driver’s “%s”',
    (words) => expect(databaseIsAway(new Error('Failed query', { cause: new Error(words) }))).toBe(true),
  )

  it.each([
    ['a value that is there already', withCode('23505')],
    ['a statement that is wrong', withCode('42601')],
    ['a value that does not fit', withCode('22P02')],
    ['a file that is not there', withCode('ENOENT')],
    ['an error of ours', new Error('of ours')],
    ['what is no error', { code: '57014' }],
  ])('is not told from %s', (_, error) => expect(databaseIsAway(error)).toBe(false))
})
