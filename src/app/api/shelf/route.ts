import { signedIn } from '@/server/http'
import { shelfOf } from '@/server/shelf'

export const GET = signedIn(async (member) => ({ items: await shelfOf(member) }))
