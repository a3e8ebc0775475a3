import { readBytes, signedIn } from '@/server/http'
import { LARGEST_PICTURE, listPictures, takePicture } from '@/server/pictures'

type Parameters = { id: string }

export const GET = signedIn<Parameters>(async (member, _request, { id }) => ({
  pictures: await listPictures(member, id),
}))

/** The body is the file as it is; its name stands in the query. */
export const POST = signedIn<Parameters>(async (member, request, { id }) =>
  takePicture(
    member,
    id,
    new URL(request.url).searchParams.get('name') ?? '',
    await readBytes(request, LARGEST_PICTURE),
  ),
)
