import { PictureOfDto } from '@/dto'
import { checkedEntry, readBytes, signedIn } from '@/server/http'
import { LARGEST_PICTURE, listPictures, takePicture } from '@/server/pictures'

type Parameters = { id: string }

export const GET = signedIn<Parameters>(async (member, _request, { id }) => ({
  pictures: await listPictures(member, id),
}))

/** The body is the file as it is; its name, and the visit that it belongs to, stand in the query. */
export const POST = signedIn<Parameters>(async (member, request, { id }) => {
  const { name = '', ...rest } = Object.fromEntries(new URL(request.url).searchParams)
  const of = rest['visitId'] === undefined ? undefined : checkedEntry(PictureOfDto, rest)
  return takePicture(member, id, name, await readBytes(request, LARGEST_PICTURE), of)
})
