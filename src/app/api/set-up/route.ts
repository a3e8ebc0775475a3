import { SetUpDto } from '@/dto'
import { answered, readEntry } from '@/server/http'
import { setUpSalon } from '@/server/salons'

/** The first salon of an installation, by who has its key. */
export const POST = answered(async (request) => {
  await setUpSalon(await readEntry(request, SetUpDto))
  return {}
})
