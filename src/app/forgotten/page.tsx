import { Forgotten } from '@/ui/entry'

export const metadata = { title: 'Password forgotten · Falto' }

export default function ForgottenPage() {
  return <Forgotten />
}
