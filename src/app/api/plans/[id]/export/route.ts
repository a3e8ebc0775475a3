import { computing } from '@/server/computing'
import { newestConsultation } from '@/server/consultations'
import { AppError } from '@/server/errors'
import { DOCUMENTS, ENDINGS, type DocumentKind } from '@/server/documents'
import { signedIn } from '@/server/http'
import { findPlan } from '@/server/plans'

/**
 * The plan as a file: its document, or `?as=svg|pdf|csv|cards` the head sheet, the list of foils and the mixing cards.
 */
export const GET = signedIn<{ id: string }>(async (member, request, { id }) => {
  const kind = (new URL(request.url).searchParams.get('as') ?? 'json') as DocumentKind
  if (!DOCUMENTS.includes(kind)) throw new AppError(422, 'invalid', `A plan can be had as ${DOCUMENTS.join(', ')}.`)
  const { document, clientId } = await findPlan(member, id)
  const newest = await newestConsultation(member, clientId)
  const { type, body } = await computing.document({ plan: document, canvas: newest?.canvas }, kind, member.units)
  const name = document.name.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '') || 'plan'
  const ending = ENDINGS[kind]
  return new Response(body, {
    headers: {
      'content-type': type,
      'content-disposition': `${kind === 'cards' ? 'inline' : 'attachment'}; filename="plan.${ending}"; filename*=UTF-8''${encodeURIComponent(name)}.${ending}`,
    },
  })
})
