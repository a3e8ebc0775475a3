import { closeFeed, hasFeed, openFeed } from '@/server/bookings'
import { signedIn } from '@/server/http'

export const GET = signedIn(async (member) => hasFeed(member))
export const POST = signedIn(async (member) => openFeed(member))
export const DELETE = signedIn(async (member) => closeFeed(member))
