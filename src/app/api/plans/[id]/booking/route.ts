import { BookingDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { bookPlan } from '@/server/bookings'

export const PUT = signedIn<{ id: string }>(async (member, request, { id }) =>
  bookPlan(member, id, await readEntry(request, BookingDto)),
)
