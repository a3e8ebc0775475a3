/** Whether this process answers at all. */
export const dynamic = 'force-dynamic'
export const GET = (): Response => Response.json({ alive: true })
