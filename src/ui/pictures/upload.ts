import type { PictureOf, PictureSummary } from '@/core/model'
import { ApiError, OfflineError } from '../hooks/api'

export const LARGEST_PICTURE_MB = 10
const KINDS = ['image/jpeg', 'image/png', 'image/webp']

/** What is wrong with a file before it is sent; the server looks again. */
export function fileFault(file: File): string | undefined {
  if (!KINDS.includes(file.type))
    return `${file.name} is not a JPEG, PNG or WebP picture. Choose a photograph in one of these formats.`
  if (file.size > LARGEST_PICTURE_MB * 1e6)
    return `${file.name} has ${Math.round(file.size / 1e5) / 10} MB; at most ${LARGEST_PICTURE_MB} MB can be kept. Send a smaller version.`
  return undefined
}

/** Sends a file, saying how far it is. @param onProgress 0…1 @throws ApiError, OfflineError */
export function uploadPicture(
  clientId: string,
  file: File,
  onProgress: (share: number) => void,
  of?: PictureOf,
): Promise<PictureSummary> {
  return new Promise((resolve, reject) => {
    // fetch cannot tell how much of a body has gone out.
    const request = new XMLHttpRequest()
    const query = new URLSearchParams({ name: file.name, ...of })
    request.open('POST', `/api/clients/${clientId}/pictures?${query.toString()}`)
    request.responseType = 'json'
    request.upload.onprogress = ({ loaded, total }) => onProgress(loaded / total)
    request.onerror = () => reject(new OfflineError())
    request.onload = () => {
      const answer = (request.response ?? {}) as { error?: string; message?: string }
      if (request.status === 200) resolve(request.response as PictureSummary)
      else
        reject(
          new ApiError(
            request.status,
            answer.error ?? 'failed',
            answer.message ?? 'The picture was not kept. Try again.',
            {},
          ),
        )
    }
    request.send(file)
  })
}
