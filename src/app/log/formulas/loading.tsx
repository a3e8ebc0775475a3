import { Waits } from '@/ui/visits'

/** Shown at once, while the visits are looked through. */
export default function Loading() {
  return <Waits />
}
