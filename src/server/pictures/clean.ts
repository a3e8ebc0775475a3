import sharp, { type Metadata } from 'sharp'
import { AppError } from '../errors'

const WRITTEN = { jpeg: 'image/jpeg', png: 'image/png', webp: 'image/webp' } as const
type Format = keyof typeof WRITTEN

/** A picture with more pixels than this is no photograph of a head. Guards memory. */
const MOST_PIXELS = 60_000_000
const THUMBNAIL_PX = 360

export interface CleanPicture {
  mime: string
  data: Buffer
  widthPx: number
  heightPx: number
}

/** A picture as it is kept, and small. */
export interface CleanPictures {
  full: CleanPicture
  thumbnail: CleanPicture
}

const notAPicture = (): AppError => {
  const message =
    'This file is not a JPEG, PNG or WebP picture that can be read. Choose a photograph in one of these formats.'
  return new AppError(422, 'not-a-picture', message, { problems: [{ path: 'picture', message }] })
}

/**
 * Decodes a picture and writes it anew, upright and without metadata (place, camera, owner), with a thumbnail.
 * What it is is read from its bytes, not from its name.
 * @throws AppError 422
 */
export async function cleaned(upload: Buffer): Promise<CleanPictures> {
  const format = await formatOf(upload)
  try {
    const upright = () => sharp(upload, { limitInputPixels: MOST_PIXELS, failOn: 'error' }).autoOrient()
    const full = await upright()
      .toFormat(format, format === 'png' ? {} : { quality: 90 })
      .toBuffer({ resolveWithObject: true })
    const thumbnail = await upright()
      .resize({ width: THUMBNAIL_PX, height: THUMBNAIL_PX, fit: 'inside', withoutEnlargement: true })
      .webp({ quality: 80 })
      .toBuffer({ resolveWithObject: true })
    return { full: picture(WRITTEN[format], full), thumbnail: picture(WRITTEN.webp, thumbnail) }
  } catch {
    // Whatever the decoder stumbles over, the user's way out is the same: another file.
    throw notAPicture()
  }
}

const picture = (
  mime: string,
  { data, info }: { data: Buffer; info: { width: number; height: number } },
): CleanPicture => ({
  mime,
  data,
  widthPx: info.width,
  heightPx: info.height,
})

async function formatOf(upload: Buffer): Promise<Format> {
  // Vector pictures can carry script and are told apart before a decoder sees them.
  if (!startsLikePicture(upload)) throw notAPicture()
  const metadata: Metadata | undefined = await sharp(upload, { limitInputPixels: MOST_PIXELS })
    .metadata()
    .catch(() => undefined)
  if (!metadata || !(metadata.format in WRITTEN)) throw notAPicture()
  return metadata.format as Format
}

/** First bytes of JPEG, PNG and WebP files (JFIF, PNG and RIFF specifications, from memory). */
function startsLikePicture(upload: Buffer): boolean {
  const jpeg = upload[0] === 0xff && upload[1] === 0xd8 && upload[2] === 0xff
  const png = upload.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]))
  const webp = upload.toString('latin1', 0, 4) === 'RIFF' && upload.toString('latin1', 8, 12) === 'WEBP'
  return jpeg || png || webp
}
