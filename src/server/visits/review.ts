import { database, visitReview, type Reader } from '@/db'
import type { StaffMember } from '../auth'
import type { ReviewDto } from '@/dto'
import { findVisit } from './facts'

/** Keeps what somebody thinks of a visit, in place of what she thought before. */
export async function saveReview(member: StaffMember, visitId: string, review: ReviewDto): Promise<object> {
  await findVisit(member, visitId)
  await saveReviewIn(database(), member, visitId, review)
  return {}
}

/** As {@link saveReview}, for a visit that is known to be there. */
export async function saveReviewIn(tx: Reader, member: StaffMember, visitId: string, review: ReviewDto): Promise<void> {
  const { worked, change, why, shared } = review
  const set = { worked, change, why, shared, at: new Date() }
  await tx
    .insert(visitReview)
    .values({ salonId: member.salonId, visitId, staffId: member.id, ...set })
    .onConflictDoUpdate({ target: [visitReview.salonId, visitReview.visitId, visitReview.staffId], set })
}
