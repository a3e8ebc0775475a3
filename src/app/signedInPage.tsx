import { headers } from 'next/headers'
import { notFound, redirect } from 'next/navigation'
import { writeDown } from '@/server/audit'
import { staffFrom, type StaffMember } from '@/server/auth'
import { AppError } from '@/server/errors'
import { REQUEST_ID } from '@/server/http'

/**
 * Who is looking at a page; sends everyone else to sign in and back here. Who looks at somebody's records is written
 * down.
 */
export async function memberFor(path: string): Promise<StaffMember> {
  const asked = await headers()
  const member = await staffFrom(asked)
  if (!member) redirect(`/sign-in?next=${encodeURIComponent(path)}`)
  if (member.lacksSecondFactor && path !== '/account') redirect('/account')
  const page = /^\/(people|plans|runs|visits)\/[^/?]+/.exec(path)
  if (page)
    await writeDown(member, {
      what: `page /${page[1]}/:id`,
      request: { url: path, headers: asked },
      requestId: asked.get(REQUEST_ID) ?? '',
    })
  return member
}

/** Reads what a page shows; what is not there (or another salon's) becomes the not-found page. */
export async function readFor<T>(read: Promise<T>): Promise<T> {
  try {
    return await read
  } catch (error) {
    if (error instanceof AppError && error.status === 404) notFound()
    throw error
  }
}
