import { Link } from '@/ui/link'

export default function NotFound() {
  return (
    <main style={{ padding: 32 }}>
      <h1>Not here</h1>
      <p>This page does not exist, was removed, or belongs to another salon.</p>
      <p>
        <Link href="/people">Back to People</Link>
      </p>
    </main>
  )
}
