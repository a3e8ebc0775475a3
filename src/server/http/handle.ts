import { randomUUID } from 'node:crypto'
import { writeDown } from '../audit'
import { requirePermission, routeOf, staffFrom, type Route, type RouteRule, type StaffMember } from '../auth'
import { databaseIsAway } from '@/db'
import { checkEntry, describeProblems } from '@/dto'
import { AppError } from '../errors'
import { log } from '../log'
import { countAnswer } from '../metrics'
import { DATA_RULES, putHeaders, refusalOf } from './guard'

/** Largest request body, bytes. A plan with every count at its limit stays below. */
const LARGEST_BODY = 2_000_000

type Context = { params: Promise<unknown> }

/**
 * Wraps a route handler for signed-in staff: holds who asks against the rule of the route, writes down who changed
 * something or read what is known of somebody's health, and turns errors into answers.
 */
export function signedIn<P>(
  work: (member: StaffMember, request: Request, parameters: P) => Promise<Response | object>,
) {
  return answered(async (request, context, { route, requestId }) => {
    if (!route) throw new AppError(404, 'not-found', 'There is nothing at this address.')
    const member = await staffFrom(request.headers)
    if (!member)
      throw new AppError(
        401,
        'signed-out',
        'Your session has ended. Sign in again; unsaved changes are kept on this device.',
      )
    if (route.rule.needs !== 'own') {
      if (member.lacksSecondFactor)
        throw new AppError(
          403,
          'second-factor',
          'Owners of this salon need a second factor. Set yours up on “Account”.',
        )
      requirePermission(member, route.rule.needs)
    }
    const result = await work(member, request, (await context.params) as P)
    if (isWrittenDown(request.method, route.rule))
      // What is done is done: an answer that called it failed would have it done twice.
      await writeDown(member, { what: route.name, request, requestId }).catch((error: unknown) =>
        log.error({ error, route: route.name, staffId: member.id }, 'could not be written down'),
      )
    return result
  })
}

const isWrittenDown = (method: string, { health, keepsItself }: RouteRule): boolean =>
  health === true || (method !== 'GET' && method !== 'HEAD' && !keepsItself)

interface Handling {
  /** Which of the known routes it is. */
  route: Route | undefined
  requestId: string
}

/**
 * Wraps any route handler: holds the request against what holds for all of them, its result becomes JSON, its errors
 * become answers that say what to do.
 */
export function answered(
  work: (request: Request, context: Context, handling: Handling) => Promise<Response | object> | Response,
) {
  return async (request: Request, context: Context): Promise<Response> => {
    const startedAt = performance.now()
    const requestId = randomUUID()
    const route = routeOf(request.method, new URL(request.url).pathname)
    const answer = await answerOf(request, requestId, () => work(request, context, { route, requestId }))
    putHeaders(answer.headers, request, requestId, DATA_RULES)
    if (!answer.headers.has('cache-control')) answer.headers.set('cache-control', 'no-store')
    countAnswer(route?.name ?? 'other', answer.status, startedAt)
    return answer
  }
}

async function answerOf(
  request: Request,
  requestId: string,
  work: () => Promise<Response | object> | Response,
): Promise<Response> {
  try {
    const refusal = refusalOf(request)
    if (refusal) throw new AppError(refusal.status, refusal.error, refusal.message)
    const result = await work()
    return result instanceof Response ? result : Response.json(result)
  } catch (error) {
    if (error instanceof AppError)
      return Response.json({ error: error.code, message: error.message, ...error.details }, { status: error.status })
    log.error({ error, url: new URL(request.url).pathname, requestId }, 'request failed')
    return databaseIsAway(error)
      ? Response.json(
          { error: 'away', message: 'Falto cannot reach what it keeps at the moment. Try again in a moment.' },
          { status: 503, headers: { 'retry-after': '5' } },
        )
      : Response.json(
          { error: 'failed', message: 'Something went wrong on the server. Nothing was changed; try again.' },
          { status: 500 },
        )
  }
}

/**
 * An answer that grows: one line of JSON for everything that is sent. What fails on the way is told in a line of its
 * own, as the status has gone out.
 */
export function streamLines<T extends object>(
  work: (send: (line: T | { failed: string }) => void) => Promise<void>,
): Response {
  const encoder = new TextEncoder()
  const body = new ReadableStream<Uint8Array>({
    async start(controller) {
      const send = (line: object) => controller.enqueue(encoder.encode(`${JSON.stringify(line)}\n`))
      try {
        await work(send)
      } catch (error) {
        if (!(error instanceof AppError)) log.error({ error }, 'a streamed answer failed')
        send({
          failed:
            error instanceof AppError
              ? error.message
              : 'Something went wrong on the server. Nothing was changed; try again.',
        })
      }
      controller.close()
    },
  })
  return new Response(body, { headers: { 'content-type': 'application/x-ndjson' } })
}

/** Reads a body of bounded size. @throws AppError 413 */
export async function readBytes(request: Request, largest: number): Promise<Buffer> {
  const tooLarge = () =>
    new AppError(
      413,
      'too-large',
      `This is larger than ${largest / 1_000_000} MB and was not read. Send something smaller.`,
    )
  if (Number(request.headers.get('content-length') ?? 0) > largest) throw tooLarge()
  const chunks: Uint8Array[] = []
  let size = 0
  for await (const chunk of (request.body ?? []) as AsyncIterable<Uint8Array>) {
    size += chunk.byteLength
    if (size > largest) throw tooLarge()
    chunks.push(chunk)
  }
  return Buffer.concat(chunks)
}

/** Reads a JSON body of bounded size. @throws AppError 400 or 413 */
export async function readJson(request: Request): Promise<unknown> {
  const bytes = await readBytes(request, LARGEST_BODY)
  try {
    return JSON.parse(bytes.toString('utf8')) as unknown
  } catch {
    throw new AppError(400, 'not-json', 'The entry is not valid JSON.')
  }
}

/** A table of text (CSV) as a file of a name. */
export const tableFile = (text: string, name: string): Response =>
  new Response(text, {
    headers: { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': `attachment; filename="${name}"` },
  })

/**
 * Reads a table of text; with `?commit` it is to be taken in, without it only looked through.
 * @throws AppError 413, 422 for an empty one
 */
export async function readTableEntry(request: Request): Promise<{ text: string; mode: 'preview' | 'commit' }> {
  const text = (await readBytes(request, LARGEST_BODY)).toString('utf8')
  if (text.trim() === '') throw new AppError(422, 'invalid', 'This file is empty.')
  return { text, mode: new URL(request.url).searchParams.has('commit') ? 'commit' : 'preview' }
}

/** Reads a JSON body and holds it against a DTO class. @throws AppError 422 naming the fields */
export async function readEntry<T extends object>(request: Request, type: new () => T): Promise<T> {
  return checkedEntry(type, await readJson(request))
}

/** Holds an entry against a DTO class. @throws AppError 422 naming the fields */
export function checkedEntry<T extends object>(type: new () => T, entry: unknown): T {
  const checked = checkEntry(type, entry)
  if (!checked.ok)
    throw new AppError(422, 'invalid', describeProblems(checked.problems), { problems: checked.problems })
  return checked.value
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i
export const isUuid = (text: string): boolean => UUID.test(text)
