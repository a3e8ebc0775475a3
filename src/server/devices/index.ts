/**
 * Devices at the bench. Only stand-ins so far; a real scale would take the simulator's place behind the same two
 * functions.
 */
import type { ScaleCommand } from '@/core/model'
import { requirePermission, type StaffMember } from '../auth'
import { createScale, type ScaleSimulator } from './scale'

/** One scale for each member of staff, kept across reloads of the development server. */
const shared = globalThis as typeof globalThis & { faltoScales?: Map<string, ScaleSimulator> }
const scales = (shared.faltoScales ??= new Map())

function scaleOf({ salonId, id }: StaffMember): ScaleSimulator {
  const key = `${salonId}/${id}`
  const known = scales.get(key)
  if (known) return known
  const scale = createScale(() => Date.now(), Math.random)
  scales.set(key, scale)
  return scale
}

const READING_MS = 150

export function commandScale(member: StaffMember, command: ScaleCommand, grams?: number): object {
  requirePermission(member, 'mix')
  scaleOf(member).command(command, grams)
  return {}
}

/** What the scale shows, as server-sent events until the reader leaves or the plug is pulled. */
export function streamScale(member: StaffMember, signal: AbortSignal): Response {
  requirePermission(member, 'mix')
  const scale = scaleOf(member)
  const encoder = new TextEncoder()
  let timer: ReturnType<typeof setInterval> | undefined
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      const end = () => {
        clearInterval(timer)
        timer = undefined
        controller.close()
      }
      const send = () => {
        const reading = scale.read()
        if (reading) controller.enqueue(encoder.encode(`data: ${JSON.stringify(reading)}\n\n`))
        else if (timer) end()
      }
      timer = setInterval(send, READING_MS)
      controller.enqueue(encoder.encode('retry: 1000\n\n'))
      send()
      signal.addEventListener('abort', () => timer && end())
    },
    cancel: () => clearInterval(timer),
  })
  return new Response(body, { headers: { 'content-type': 'text/event-stream' } })
}

export { createScale, type ScaleSimulator } from './scale'
