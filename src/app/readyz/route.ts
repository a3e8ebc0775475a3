import { readiness } from '@/server/metrics'

export const dynamic = 'force-dynamic'

/** Whether work may be sent to this process: its database answers, and its notices are heard. */
export async function GET(): Promise<Response> {
  const state = await readiness()
  return Response.json(state, { status: state.ready ? 200 : 503 })
}
