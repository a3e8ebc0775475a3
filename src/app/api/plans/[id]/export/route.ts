import { signedIn } from '@/server/http'
import { findPlan } from '@/server/plans'

/** The plan document as a file. */
export const GET = signedIn<{ id: string }>(async (member, _request, { id }) => {
  const { document } = await findPlan(member, id)
  const name = document.name.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '') || 'plan'
  return new Response(JSON.stringify(document, null, 2), {
    headers: {
      'content-type': 'application/json',
      'content-disposition': `attachment; filename="plan.falto.json"; filename*=UTF-8''${encodeURIComponent(name)}.falto.json`,
    },
  })
})
