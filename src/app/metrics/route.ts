import { mayReadMetrics, metricsText } from '@/server/metrics'

export const dynamic = 'force-dynamic'

/** Figures for Prometheus, for who bears the token, or on this machine where none is set. */
export async function GET(request: Request): Promise<Response> {
  if (!mayReadMetrics(request.headers)) return Response.json({ error: 'not-found' }, { status: 404 })
  const { type, text } = await metricsText()
  return new Response(text, { headers: { 'content-type': type } })
}
