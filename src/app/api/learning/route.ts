import { LearningChoiceDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { chooseLearning, learningOf } from '@/server/visits'

/** Everybody's figures, and the jobs behind one's own. */
export const GET = signedIn((member) => learningOf(member))

export const POST = signedIn(async (member, request) =>
  chooseLearning(member, await readEntry(request, LearningChoiceDto)),
)
