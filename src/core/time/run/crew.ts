import { ALONE, HELPERS, needsOf, type Person, type TaskKind } from '../schedule'

const CREW = [...ALONE.people, ...Object.values(HELPERS)]

/** Somebody of a visit, with what such a person can do. */
export const personOf = ({ id, name }: { id: string; name: string }): Person => ({
  ...(CREW.find((one) => one.id === id) ?? ALONE.people[0]!),
  id,
  name,
})

/** Whether somebody can be given a step. */
export const mayDo = (person: { id: string; name: string }, kind: TaskKind): boolean =>
  personOf(person).skills.includes(needsOf(kind).skill)
