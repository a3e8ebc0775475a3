import { headers } from 'next/headers'
import { redirect } from 'next/navigation'
import { demoIsOpen } from '@/server/auth'
import { DEMO_STAFF } from '@/demo'
import { waitsForSetUp } from '@/server/salons'
import { peopleOf } from '@/server/tablets'
import { SignIn } from '@/ui/entry'

export const metadata = { title: 'Sign in · Falto' }

export default async function SignInPage({ searchParams }: { searchParams: Promise<{ next?: string }> }) {
  if (await waitsForSetUp()) redirect('/set-up')
  const { next } = await searchParams
  const asked = await headers()
  const demo = (await demoIsOpen(asked)) ? DEMO_STAFF.map(({ key, name, role }) => ({ id: key, name, role })) : []
  const { tablet, people } = await peopleOf(asked)
  // Only places of our own: a path, and not another host's.
  return (
    <SignIn
      demo={demo}
      tablet={tablet === null ? null : { name: tablet, people }}
      next={next && /^\/[a-z]/.test(next) ? next : '/people'}
    />
  )
}
