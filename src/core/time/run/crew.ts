import { ALONE, HELPERS, needsOf, type Person, type TaskKind } from '../schedule'

const CREW = [...ALONE.people, ...Object.values(HELPERS)]

/** Somebody of a visit; what she may do is missing where it was pinned before that was kept. */
export type RunPerson = Pick<Person, 'id' | 'name'> & Partial<Pick<Person, 'skills'>>

/** Somebody of a visit, with what she, or such a person, can do. */
export const personOf = ({ id, name, skills }: RunPerson): Person => ({
  ...(CREW.find((one) => one.id === id) ?? ALONE.people[0]!),
  id,
  name,
  ...(skills && { skills }),
})

/** Whether somebody can be given a step. */
export const mayDo = (person: RunPerson, kind: TaskKind): boolean =>
  personOf(person).skills.includes(needsOf(kind).skill)
