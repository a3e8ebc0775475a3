import type { Permission } from './permissions'

export interface RouteRule {
  /** What one has to be let do; `own`: whatever concerns only oneself, also before a second factor is there. */
  needs: Permission | 'own'
  /** Whether it shows what is known of somebody's health, so that who read it is written down. */
  health?: true
  /** Whether what it changes keeps a log of its own, with who and when. */
  keepsItself?: true
}

const look: RouteRule = { needs: 'look' }
const reads: RouteRule = { needs: 'look', health: true }
const write: RouteRule = { needs: 'write' }
const mix: RouteRule = { needs: 'mix' }
const stock: RouteRule = { needs: 'stock' }
const catalogue: RouteRule = { needs: 'catalogue' }
const acknowledge: RouteRule = { needs: 'acknowledge' }
const team: RouteRule = { needs: 'team' }
const own: RouteRule = { needs: 'own' }
const overseeing: RouteRule = { needs: 'oversee', health: true }

/**
 * Every route for people who are signed in, and who may ask it. A route that does not stand here answers nobody; the
 * services behind it ask again for what they do.
 */
export const ROUTES: Readonly<Record<string, RouteRule>> = {
  'GET /api/me': own,
  'GET /api/account/sessions': own,
  'DELETE /api/account/sessions': own,
  'DELETE /api/account/sessions/:id': own,
  'GET /api/account/calendar': own,
  'POST /api/account/calendar': own,
  'DELETE /api/account/calendar': own,
  'PUT /api/account/pin': own,
  'DELETE /api/account/pin': own,
  'GET /api/units': look,
  'PUT /api/units': { needs: 'units' },
  'GET /api/rates': { needs: 'money' },
  'PUT /api/rates': { needs: 'prices' },
  'GET /api/learning': look,
  'POST /api/learning': write,

  'GET /api/clients': look,
  'POST /api/clients': write,
  'POST /api/clients/table': write,
  'GET /api/clients/:id': reads,
  'PUT /api/clients/:id': write,
  'DELETE /api/clients/:id': write,
  'POST /api/clients/:id/restore': write,
  'GET /api/clients/:id/file': overseeing,
  'POST /api/clients/:id/erasure': overseeing,
  'POST /api/clients/:id/plans': write,
  'POST /api/clients/:id/imports': write,
  'GET /api/clients/:id/consultation': reads,
  'PUT /api/clients/:id/consultation': write,
  'GET /api/clients/:id/care': { needs: 'health', health: true },
  'POST /api/clients/:id/care/checks': acknowledge,
  'POST /api/clients/:id/care/consents': acknowledge,
  'GET /api/clients/:id/pictures': reads,
  'POST /api/clients/:id/pictures': write,
  'GET /api/clients/:id/pictures/:id': look, // whoever has its id has read the list
  'DELETE /api/clients/:id/pictures/:id': write,
  'POST /api/clients/:id/pictures/:id/restore': write,
  'GET /api/clients/:id/visits': reads,
  'POST /api/clients/:id/visits': write,

  'GET /api/plans/:id': reads,
  'DELETE /api/plans/:id': write,
  'POST /api/plans/:id/restore': write,
  'POST /api/plans/:id/operations': { needs: 'write', keepsItself: true },
  'POST /api/plans/:id/versions': write,
  'POST /api/plans/:id/copies': write,
  'PUT /api/plans/:id/booking': write,
  'POST /api/plans/:id/done': write,
  'GET /api/plans/:id/export': reads,
  'GET /api/plans/:id/calendar': look,
  'POST /api/plans/:id/acknowledgements': acknowledge,
  'GET /api/plans/:id/mixes': look,
  'POST /api/plans/:id/mixes': mix,
  'GET /api/plans/:id/runs': look,
  'POST /api/plans/:id/runs': mix,

  'GET /api/runs/:id': reads,
  'GET /api/runs/:id/stream': look,
  'POST /api/runs/:id/events': { needs: 'mix', keepsItself: true },
  'POST /api/runs/:id/more': mix,
  'POST /api/runs/:id/hair': write,
  'POST /api/mixes/:id/pours': { needs: 'mix', keepsItself: true },

  'GET /api/visits': look,
  'POST /api/visits/table': write,
  'GET /api/visits/formulas': { needs: 'look', health: true },
  'GET /api/visits/csv': { needs: 'look', health: true },
  'POST /api/visits/catch-up': look,
  'GET /api/visits/:id/document': reads,
  'GET /api/visits/:id/export': reads,
  'GET /api/visits/:id/aftercare': reads,
  'GET /api/visits/:id/calendar': look,
  'POST /api/visits/:id/review': look,
  'POST /api/visits/:id/repeat': write,
  'POST /api/visits/:id/bowls/:id': mix,
  'POST /api/visits/:id/withdraw': write,
  'DELETE /api/visits/:id/withdraw': write,
  'GET /api/messages': look,
  'POST /api/messages': write,
  'PATCH /api/messages/:id': write,
  'DELETE /api/messages/:id': write,
  'PUT /api/messages/templates': write,

  'GET /api/layouts': look,
  'POST /api/layouts': write,
  'DELETE /api/layouts/:id': write,
  'POST /api/layouts/:id/restore': write,

  'GET /api/products': look,
  'PUT /api/products': catalogue,
  'DELETE /api/products/:id': catalogue,
  'POST /api/products/:id/restore': catalogue,
  'GET /api/products/csv': catalogue,
  'POST /api/products/import': catalogue,
  'GET /api/shelf': look,
  'POST /api/shelf/deliveries': stock,
  'POST /api/shelf/counts': stock,
  'GET /api/scale': mix,
  'POST /api/scale': { needs: 'mix', keepsItself: true }, // a pan of pretended grams: nothing is kept

  'GET /api/team': team,
  'PUT /api/team/:id': team,
  'POST /api/team/invitations': team,
  'DELETE /api/team/invitations/:id': team,
  'POST /api/tablets': team,
  'DELETE /api/tablets/:id': team,
  'PUT /api/salon': team,
  'GET /api/salon/file': overseeing,
  'GET /api/audit': { needs: 'oversee' },
}

/** Routes that answer also those who are not signed in, each for its reason. */
export const OPEN_ROUTES: readonly string[] = [
  'POST /api/auth/:all', // sign-in itself
  'POST /api/demo/sign-in', // on this machine only, see demoIsOpen
  'POST /api/set-up', // for who has the set-up key, and while there is no salon
  'GET /api/calendar/:id', // for who has the link's word
  'GET /api/tablet', // for a device that the salon shares
  'POST /api/tablet', // there, for who has a PIN
  'GET /api/invitations', // for who has an invitation's word
  'POST /api/invitations',
]

/** Ids stand where words of a known route have their sign. Longer routes and words come before signs. */
const PATTERNS = Object.keys(ROUTES).map((name) => {
  const [method = '', path = ''] = name.split(' ')
  return { name, method, parts: path.split('/'), signs: path.split('/:').length - 1 }
})

export interface Route {
  /** As the table has it. */
  name: string
  rule: RouteRule
}

/** The route of a request, or undefined for one that nobody may ask. */
export function routeOf(method: string, path: string): Route | undefined {
  const asked = path.split('/')
  const fits = PATTERNS.filter(
    (known) =>
      known.method === (method === 'HEAD' ? 'GET' : method) &&
      known.parts.length === asked.length &&
      known.parts.every((part, i) => part.startsWith(':') || part === asked[i]),
  )
  const [best] = fits.sort((one, other) => one.signs - other.signs)
  return best && { name: best.name, rule: ROUTES[best.name]! }
}
