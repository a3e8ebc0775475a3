import { headers } from 'next/headers'
import { notFound, redirect } from 'next/navigation'
import { staffFrom, type StaffMember } from '@/server/auth'
import { AppError } from '@/server/errors'

/** Who is looking at a page; sends everyone else to sign in and back here. */
export async function memberFor(path: string): Promise<StaffMember> {
  const member = await staffFrom(await headers())
  if (!member) redirect(`/sign-in?next=${encodeURIComponent(path)}`)
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
