import { and, asc, desc, eq, isNotNull, isNull, sql } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import { LIMITS, type LearnedFactor } from '@/core/model'
import { learnFactors, type Job, type Learned } from '@/core/record/learning'
import { database, learningChoice, staff, visit } from '@/db'
import type { StaffMember } from '../auth'
import type { LearningChoiceDto } from '@/dto'
import { catchUpWholly } from './summary'

const aboutFactor = ({ of, context }: Pick<Job, 'of' | 'context'>): string => `${of} ${context}`

/** Newest visits of a salon that are learned from. Our choice: a year or two of a busy one; hands change. */
const LEARNED_FROM = 1000

export async function learningOf(member: StaffMember): Promise<Learned> {
  await catchUpWholly(member)
  const [jobs, choices, people] = await Promise.all([
    database()
      .select({ jobs: sql<Job[]>`${visit.summary}->'jobs'`, createdAt: visit.createdAt })
      .from(visit)
      .where(and(eq(visit.salonId, member.salonId), isNotNull(visit.summary), isNull(visit.withdrawnAt)))
      .orderBy(desc(visit.on), desc(visit.id))
      .limit(LEARNED_FROM),
    database()
      .select()
      .from(learningChoice)
      .where(eq(learningChoice.salonId, member.salonId))
      .orderBy(asc(learningChoice.at), asc(learningChoice.id)),
    database().select({ id: staff.id, name: staff.name }).from(staff).where(eq(staff.salonId, member.salonId)),
  ])
  const resets = new Map<string, Date>()
  const out = new Set<string>()
  for (const { kind, about, staffId, at } of choices) {
    const key = `${staffId} ${about}`
    if (kind === 'reset') resets.set(key, at)
    else if (kind === 'exclude') out.add(key)
    else out.delete(key)
  }
  const known = jobs.flatMap(({ jobs: own, createdAt }) => own.map((job) => ({ job, createdAt })))
  const since = known.filter(({ job, createdAt }) => {
    const reset = resets.get(`${job.who} ${aboutFactor(job)}`)
    return !reset || createdAt > reset
  })
  const isOut = ({ who, id }: Job) => out.has(`${who} ${id}`)
  return {
    factors: learnFactors(since.flatMap(({ job }) => (isOut(job) ? [] : [job]))),
    excluded: since.flatMap(({ job }) => (isOut(job) && job.who === member.id ? [job] : [])),
    people,
    me: member.id,
  }
}

/** Jobs from which on a figure of one's own is reckoned with. Our estimate: fewer say little. */
const ENOUGH_JOBS = 3

/** What plans of somebody can be made with, as it is now. */
export async function ownFactors(member: StaffMember): Promise<LearnedFactor[]> {
  const { factors } = await learningOf(member)
  const within = (value: number) => Math.min(LIMITS.learnedFactor.max, Math.max(LIMITS.learnedFactor.min, value))
  return factors.flatMap(({ who, of, context, mean, low, high, jobs }) =>
    who === member.id && (of === 'load' || of === 'pace') && jobs.length >= ENOUGH_JOBS
      ? [
          {
            of,
            context: context as LearnedFactor['context'],
            ...{ mean: within(mean), low: within(low), high: within(high) },
            jobs: jobs.length,
          },
        ]
      : [],
  )
}

/** Somebody decides about her own figures. */
export async function chooseLearning(member: StaffMember, { kind, about }: LearningChoiceDto): Promise<object> {
  await database()
    .insert(learningChoice)
    .values({ salonId: member.salonId, staffId: member.id, id: newId(), kind, about })
  return {}
}
