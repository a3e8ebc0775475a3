import { headers } from 'next/headers'
import { redirect } from 'next/navigation'
import { demoIsOpen } from '@/server/auth'
import { DEMO_STAFF } from '@/demo'
import { waitsForSetUp } from '@/server/salons'
import { SignIn } from '@/ui/entry'

export const metadata = { title: 'Sign in · Falto' }

export default async function SignInPage({ searchParams }: { searchParams: Promise<{ next?: string }> }) {
  if (await waitsForSetUp()) redirect('/set-up')
  const { next } = await searchParams
  const open = await demoIsOpen(await headers())
  const demo = open ? DEMO_STAFF.map(({ key, name, role }) => ({ key, name, role })) : []
  // Only places of our own: a path, and not another host's.
  return <SignIn demo={demo} next={next && /^\/[a-z]/.test(next) ? next : '/people'} />
}
