import type { ImportStep } from '@/core/model'
import { AppError } from '@/server/errors'
import { LARGEST_BODY, readBytes, signedIn, streamLines } from '@/server/http'
import { importCatalogue } from '@/server/shelf'

/**
 * A catalogue file, read and (with `?commit`) taken over. The answer is a line of JSON for every step, the last one the
 * report.
 */
export const POST = signedIn(async (member, request) => {
  const text = (await readBytes(request, LARGEST_BODY)).toString('utf8')
  if (text.trim() === '') throw new AppError(422, 'invalid', 'This file is empty.')
  const commit = new URL(request.url).searchParams.has('commit') ? 'commit' : 'preview'
  return streamLines<ImportStep>(async (send) =>
    send({ report: await importCatalogue(member, text, commit, (done, of) => send({ done, of })) }),
  )
})
