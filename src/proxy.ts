import { NextResponse, type NextRequest } from 'next/server'
import { isKnownHost } from '@/server/auth/hosts'

/** Stands before every page and every route: whom a request is meant for, and where it comes from. */
export function proxy(request: NextRequest): NextResponse {
  const host = request.headers.get('host')
  if (!isKnownHost(host))
    return refuse(
      421,
      'wrong-host',
      'This Falto is not called by that name. Open it at the address that ./falto start prints.',
    )
  const origin = request.headers.get('origin')
  if (changes(request) && origin !== null && !comesFrom(origin, host!))
    return refuse(403, 'wrong-origin', 'Another site asked for this, so it was not done.')
  return NextResponse.next()
}

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
