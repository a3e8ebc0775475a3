import { AppError } from '@/server/errors'
import { answered } from '@/server/http'

/** What no other route of data answers is told so in the same way. */
const nothing = answered(() => {
  throw new AppError(404, 'not-found', 'There is nothing at this address.')
})

export { nothing as DELETE, nothing as GET, nothing as PATCH, nothing as POST, nothing as PUT }
