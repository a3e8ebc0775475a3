import { redirect } from 'next/navigation'
import { maySetUp, waitsForSetUp } from '@/server/salons'
import { EntryNote, SetUp } from '@/ui/entry'

export const metadata = { title: 'Set up · Falto' }

export default async function SetUpPage({ searchParams }: { searchParams: Promise<{ key?: string }> }) {
  const { key = '' } = await searchParams
  if (!(await waitsForSetUp())) redirect('/sign-in')
  if (await maySetUp(key)) return <SetUp setUpKey={key} />
  return (
    <EntryNote title="This Falto waits to be set up">
      Open the link that ./falto start --salon printed: it carries the key that makes you the salon’s owner.
    </EntryNote>
  )
}
