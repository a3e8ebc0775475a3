import { randomBytes, randomUUID } from 'node:crypto'
import { NextResponse, type NextRequest } from 'next/server'
import { NONCE, putHeaders, refusalOf, REQUEST_ID } from '@/server/http/guard'

/**
 * Stands before every page: whom a request is meant for, where it comes from, what a page may do. Routes of data hold
 * their requests against the same rules themselves (`answered` in src/server/http), as passing by here would cost them
 * half their time.
 */
export function proxy(request: NextRequest): NextResponse {
  const requestId = randomUUID()
  const nonce = randomBytes(16).toString('base64')
  const rules = pageRules(nonce)
  const headers = new Headers(request.headers)
  headers.set(REQUEST_ID, requestId)
  headers.set(NONCE, nonce)
  headers.set('content-security-policy', rules)
  const refusal = refusalOf(request)
  const answer = refusal
    ? NextResponse.json({ error: refusal.error, message: refusal.message }, { status: refusal.status })
    : NextResponse.next({ request: { headers } })
  putHeaders(answer.headers, request, requestId, rules)
  if (refusal) answer.headers.set('cache-control', 'no-store')
  return answer
}

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

/** Pages; and what asks for data at an address with signs that may not be readable, on which the router would fail. */
export const config = { matcher: ['/((?!_next/static/|api/).*)', '/api/(.*%.*)'] }
