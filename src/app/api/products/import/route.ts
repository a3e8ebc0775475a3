import type { ImportStep } from '@/core/model'
import { readTableEntry, signedIn, streamLines } from '@/server/http'
import { importCatalogue } from '@/server/shelf'

/**
 * A catalogue file, read and (with `?commit`) taken over. The answer is a line of JSON for every step, the last one the
 * report.
 */
export const POST = signedIn(async (member, request) => {
  const { text, mode } = await readTableEntry(request)
  return streamLines<ImportStep>(async (send) =>
    send({ report: await importCatalogue(member, text, mode, (done, of) => send({ done, of })) }),
  )
})
