import { randomBytes, randomUUID } from 'node:crypto'
import { NextResponse, type NextRequest } from 'next/server'
import { isKnownHost } from '@/server/auth/hosts'
import { NONCE, REQUEST_ID } from '@/server/http/headers'

/** Stands before every page and every route: whom a request is meant for, where it comes from, what a page may do. */
export function proxy(request: NextRequest): NextResponse {
  const requestId = randomUUID()
  const nonce = randomBytes(16).toString('base64')
  const headers = new Headers(request.headers)
  headers.set(REQUEST_ID, requestId)
  headers.set(NONCE, nonce)
  const rules = pageRules(nonce)
  headers.set('content-security-policy', rules)
  const answer = refusal(request) ?? NextResponse.next({ request: { headers } })
  answer.headers.set(REQUEST_ID, requestId)
  answer.headers.set('content-security-policy', rules)
  for (const [name, value] of ALWAYS) answer.headers.set(name, value)
  if (isEncrypted(request)) answer.headers.set('strict-transport-security', `max-age=${YEAR_S}; includeSubDomains`)
  if (request.nextUrl.pathname.startsWith('/api/')) answer.headers.set('cache-control', 'no-store')
  return answer
}

const YEAR_S = 31_536_000

/** For every answer: OWASP Secure Headers, from memory. */
const ALWAYS: readonly (readonly [string, string])[] = [
  ['x-content-type-options', 'nosniff'],
  ['x-frame-options', 'DENY'],
  ['referrer-policy', 'same-origin'],
  ['cross-origin-opener-policy', 'same-origin'],
  ['cross-origin-resource-policy', 'same-origin'],
  // The scale and the camera are the only devices that Falto asks for.
  ['permissions-policy', 'camera=(self), serial=(self), usb=(), geolocation=(), microphone=(), payment=()'],
]

/**
 * What a page may load and do. Styles in attributes are let be, as they can load and send nothing here (`img-src`,
 * `connect-src`); scripts and style sheets carry the nonce or come from files of ours.
 */
function pageRules(nonce: string): string {
  const rules: Record<string, string> = {
    'default-src': "'self'",
    'script-src': `'self' 'nonce-${nonce}' 'strict-dynamic'`,
    'style-src': `'self' 'nonce-${nonce}'`,
    'style-src-attr': "'unsafe-inline'",
    'img-src': "'self' data: blob:",
    'font-src': "'self'",
    'connect-src': "'self'",
    'worker-src': "'self' blob:",
    'object-src': "'none'",
    'base-uri': "'none'",
    'form-action': "'self'",
    'frame-ancestors': "'none'",
  }
  return Object.entries(rules)
    .map(([name, value]) => `${name} ${value}`)
    .join('; ')
}

const isEncrypted = ({ headers, nextUrl }: NextRequest): boolean =>
  nextUrl.protocol === 'https:' || headers.get('x-forwarded-proto') === 'https'

function refusal(request: NextRequest): NextResponse | undefined {
  if (!isReadable(request.url))
    return refuse(400, 'bad-address', 'This address holds signs that cannot be read. Open the page again from Falto.')
  const host = request.headers.get('host')
  // Whether it is well is asked by whatever watches over it, under any name; it tells nothing of a salon.
  if (WATCHED.has(request.nextUrl.pathname)) return undefined
  if (!isKnownHost(host))
    return refuse(
      421,
      'wrong-host',
      'This Falto is not called by that name. Open it at the address that ./falto start prints.',
    )
  const origin = request.headers.get('origin')
  if (changes(request) && origin !== null && !comesFrom(origin, host!))
    return refuse(403, 'wrong-origin', 'Another site asked for this, so it was not done.')
  return undefined
}

/** Whether an address can be decoded, and holds nothing that no database takes. */
function isReadable(url: string): boolean {
  try {
    return !decodeURIComponent(url).includes('\u0000')
  } catch {
    return false
  }
}

const WATCHED = new Set(['/healthz', '/readyz', '/metrics'])

const changes = ({ method }: NextRequest): boolean => method !== 'GET' && method !== 'HEAD' && method !== 'OPTIONS'

const comesFrom = (origin: string, host: string): boolean => {
  try {
    return new URL(origin).host === host
  } catch {
    return false
  }
}

const refuse = (status: number, error: string, message: string): NextResponse =>
  NextResponse.json({ error, message }, { status })

export const config = { matcher: '/((?!_next/static/).*)' }
