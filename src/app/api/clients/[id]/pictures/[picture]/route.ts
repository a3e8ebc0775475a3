import { signedIn } from '@/server/http'
import { readPicture, setPictureRemoved } from '@/server/pictures'

type Parameters = { id: string; picture: string }

/**
 * The picture itself; `?size=thumbnail` for a small one. Never changes, so a browser may keep it, for this person
 * alone.
 */
export const GET = signedIn<Parameters>(async (member, request, { id, picture }) => {
  const size = new URL(request.url).searchParams.get('size') === 'thumbnail' ? 'thumbnail' : 'full'
  const { mime, data, sha256 } = await readPicture(member, id, picture, size)
  return new Response(new Uint8Array(data), {
    headers: {
      'content-type': mime,
      'content-length': String(data.byteLength),
      'cache-control': 'private, max-age=31536000, immutable',
      etag: `"${sha256}-${size}"`,
      'x-content-type-options': 'nosniff',
      'content-security-policy': "default-src 'none'",
    },
  })
})

export const DELETE = signedIn<Parameters>(async (member, _request, { id, picture }) =>
  setPictureRemoved(member, id, picture, 'removed'),
)
