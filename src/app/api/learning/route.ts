import { LearningChoiceDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { chooseLearning } from '@/server/visits'

export const POST = signedIn(async (member, request) =>
  chooseLearning(member, await readEntry(request, LearningChoiceDto)),
)
