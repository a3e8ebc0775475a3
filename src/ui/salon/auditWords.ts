/** What an address is about, by the words in it; the first that fits. */
const THINGS: readonly [RegExp, string][] = [
  [/clients\/table/, 'clients from a table'],
  [/salon\/file$/, 'the whole salon as a file'],
  [/\/file$/, 'the whole file of a client'],
  [/\/erasure/, 'erasure of a client'],
  [/\/care\/checks/, 'a care check'],
  [/\/care\/consents/, 'a consent'],
  [/\/care/, 'care record'],
  [/\/consultation/, 'hair record'],
  [/\/pictures/, 'pictures'],
  [/clients\/:id\/visits/, 'visits of a client'],
  [/clients\/:id\/(plans|imports)/, 'a plan'],
  [/people|clients/, 'client record'],
  [/\/booking/, 'a booking'],
  [/\/acknowledgements/, 'a caution, acknowledged'],
  [/\/runs|runs\//, 'a visit at the chair'],
  [/mixes/, 'a bowl'],
  [/plans/, 'a plan'],
  [/visits/, 'a visit'],
  [/messages/, 'a message'],
  [/layouts/, 'sections'],
  [/products/, 'the catalogue'],
  [/shelf/, 'stock'],
  [/rates/, 'prices'],
  [/units/, 'units'],
  [/team\/invitations/, 'an invitation'],
  [/team/, 'who works here'],
  [/salon/, 'the salon'],
  [/tablets/, 'a shared tablet'],
  [/account\/pin/, 'own PIN'],
  [/account\/calendar/, 'own calendar link'],
  [/account/, 'own sessions'],
]

const DONE: Record<string, string> = {
  page: 'looked at',
  GET: 'read',
  POST: 'entered',
  PUT: 'changed',
  PATCH: 'changed',
  DELETE: 'removed',
}

/** A route or page as one would say what was done there. */
export function auditWords(what: string): string {
  const [verb = '', path = ''] = what.split(' ')
  const thing = THINGS.find(([sign]) => sign.test(path))?.[1]
  if (!thing) return what
  if (path.endsWith('/restore')) return `brought back: ${thing}`
  return `${DONE[verb] ?? verb}: ${thing}`
}
