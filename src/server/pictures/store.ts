import { AwsClient } from 'aws4fetch'
import { AppError } from '../errors'
import { log } from '../log'
import { setting } from '../settings'
import { sha256 } from './sha256'

/** Which of a picture's two sizes, of which salon. */
export interface PictureKey {
  salonId: string
  pictureId: string
  size: string
}

/** Where bytes of pictures lie outside the database. What is put under a key again is the same. */
export interface PictureStore {
  put(key: PictureKey, mime: string, data: Buffer): Promise<void>
  /** @throws AppError 503 where it is away, `picture-lost` where it does not have it */
  get(key: PictureKey): Promise<Buffer>
  /** What is not there is gone already. */
  remove(key: PictureKey): Promise<void>
}

/** Longest that one request to the store may take, and how often it is tried again. Our estimates. */
const PATIENCE_MS = 15_000
const TRIED_AGAIN = 2
/** What a store without regions is signed for, common practice. */
const ANY_REGION = 'us-east-1'

const away = (): AppError =>
  new AppError(503, 'pictures-away', 'The place where pictures are kept cannot be reached. Try again in a moment.')

/** What the store should have, and has not, or has otherwise. */
export const lost = (): AppError =>
  new AppError(503, 'picture-lost', 'This picture is not as it was kept. Tell whoever runs Falto here.')

/** The store that the environment names; undefined where pictures stay in the database. */
export function pictureStore(): PictureStore | undefined {
  const address = setting('FALTO_PICTURES_URL')
  if (!address) return undefined
  if (known?.address !== address) known = { address, store: s3Store(new URL(address)) }
  return known.store
}

/** Made once for an address: it keeps the key of a day that it signs with. */
let known: { address: string; store: PictureStore } | undefined

/**
 * A bucket of a store that speaks S3.
 * @param address http(s)://KEY:SECRET@host/bucket, with ?region= where the store has regions
 */
function s3Store(address: URL): PictureStore {
  const client = new AwsClient({
    accessKeyId: decodeURIComponent(address.username),
    secretAccessKey: decodeURIComponent(address.password),
    region: address.searchParams.get('region') ?? ANY_REGION,
    service: 's3',
    retries: TRIED_AGAIN,
  })
  const bucket = address.origin + address.pathname.replace(/\/+$/, '')
  const ask = async ({ salonId, pictureId, size }: PictureKey, rest: RequestInit): Promise<Response> => {
    const signal = AbortSignal.timeout(PATIENCE_MS)
    try {
      return await client.fetch(`${bucket}/${salonId}/${pictureId}/${size}`, { ...rest, signal })
    } catch (error) {
      log.warn({ error }, 'the store of pictures is away')
      throw away()
    }
  }
  const expectOk = (answer: Response, ...fine: number[]): void => {
    if (answer.ok || fine.includes(answer.status)) return
    log.warn({ status: answer.status }, 'the store of pictures refused')
    throw away()
  }
  return {
    async put(key, mime, data) {
      // Signed with its bytes, so that the store takes nothing that was damaged on the way.
      const headers = { 'content-type': mime, 'x-amz-content-sha256': sha256(data) }
      expectOk(await ask(key, { method: 'PUT', headers, body: new Uint8Array(data) }))
    },
    async get(key) {
      const answer = await ask(key, { method: 'GET' })
      if (answer.status === 404) throw lost()
      expectOk(answer)
      return Buffer.from(await answer.arrayBuffer())
    },
    async remove(key) {
      expectOk(await ask(key, { method: 'DELETE' }), 404)
    },
  }
}
