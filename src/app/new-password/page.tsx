import { NewPassword } from '@/ui/entry'

export const metadata = { title: 'New password · Falto' }

export default async function NewPasswordPage({ searchParams }: { searchParams: Promise<{ token?: string }> }) {
  const { token = '' } = await searchParams
  return <NewPassword token={token} />
}
