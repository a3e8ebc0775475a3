import { isKnownHost } from '../auth/hosts'

/** What of a request is looked at before anything else. */
export type Asking = Pick<Request, 'method' | 'url' | 'headers'>

export interface Refusal {
  status: number
  error: string
  message: string
}

/** Why a request goes no further: its address cannot be read, it is meant for others, or another site asks. */
export function refusalOf({ method, url, headers }: Asking): Refusal | undefined {
  const { pathname } = new URL(url)
  if (!isReadable(url)) return REFUSALS.address
  const host = headers.get('host')
  // Whether it is well is asked by whatever watches over it, under any name; it tells nothing of a salon.
  if (WATCHED.has(pathname)) return undefined
  if (!isKnownHost(host)) return REFUSALS.host
  const origin = headers.get('origin')
  return !READING.has(method) && origin !== null && !comesFrom(origin, host!) ? REFUSALS.origin : undefined
}

const REFUSALS = {
  address: {
    status: 400,
    error: 'bad-address',
    message: 'This address holds signs that cannot be read. Open the page again from Falto.',
  },
  host: {
    status: 421,
    error: 'wrong-host',
    message: 'This Falto is not called by that name. Open it at the address that ./falto start prints.',
  },
  origin: { status: 403, error: 'wrong-origin', message: 'Another site asked for this, so it was not done.' },
} as const satisfies Record<string, Refusal>

const WATCHED = new Set(['/healthz', '/readyz', '/metrics'])
const READING = new Set(['GET', 'HEAD', 'OPTIONS'])

/** Whether an address can be decoded, and holds nothing that no database takes. */
function isReadable(url: string): boolean {
  try {
    return !decodeURIComponent(url).includes('\u0000')
  } catch {
    return false
  }
}

const comesFrom = (origin: string, host: string): boolean => {
  try {
    return new URL(origin).host === host
  } catch {
    return false
  }
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
 * Puts on an answer what every answer carries.
 * @param rules the page's content security policy
 */
export function putHeaders(answer: Headers, { url, headers }: Asking, requestId: string, rules: string): void {
  answer.set(REQUEST_ID, requestId)
  answer.set('content-security-policy', rules)
  for (const [name, value] of ALWAYS) answer.set(name, value)
  if (url.startsWith('https:') || headers.get('x-forwarded-proto') === 'https')
    answer.set('strict-transport-security', `max-age=${YEAR_S}; includeSubDomains`)
}

/** By this a request is found again in logs and in the audit. */
export const REQUEST_ID = 'x-request-id'

/** What scripts and style sheets of a page carry, so that only ours run. */
export const NONCE = 'x-nonce'

/** What data, pictures and papers may do where somebody opens them by themselves: be seen. */
export const DATA_RULES =
  "default-src 'none'; img-src 'self' data:; style-src 'unsafe-inline'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'"
