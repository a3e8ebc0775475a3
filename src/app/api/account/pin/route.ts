import { OwnPinDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { removePin, setPin } from '@/server/tablets'

/** One's PIN for the tablets that the salon shares. */
export const PUT = signedIn(async (member, request) =>
  setPin(member, request.headers, await readEntry(request, OwnPinDto)),
)
export const DELETE = signedIn(async (member) => removePin(member))
