import { USUAL_SKILLS, type Skill } from '../../model'
import type { Person, Resource } from './problem'

/** Who and what there is for a visit. */
export interface Crew {
  people: Person[]
  resources: Record<Resource, number>
}

const COLOURIST: Person = { id: 'colourist', name: 'Colourist', skills: USUAL_SKILLS.colourist }
export const ASSISTANT: Person = { id: 'assistant', name: 'Assistant', skills: USUAL_SKILLS.assistant }
export const SECOND_COLOURIST: Person = { ...COLOURIST, id: 'second', name: 'Second colourist' }
export const ALONE: Crew = { people: [COLOURIST], resources: { basin: 1, dryer: 1 } }
/** Who can help, by what a person is asked for. */
export const HELPERS = { assistant: ASSISTANT, second: SECOND_COLOURIST }
export type Helper = keyof typeof HELPERS
/** When the assistant can be had, min from the start of the visit, and what of her work is trusted to her. */
export interface Assisting {
  from?: number | undefined
  to?: number | undefined
  may?: readonly Skill[] | undefined
}

/** Those who help. */
export const helpersFor = (
  helping: readonly Helper[],
  { from = 0, to = Infinity, may = ASSISTANT.skills }: Assisting = {},
): Person[] =>
  helping.map((one) =>
    one === 'assistant'
      ? { ...ASSISTANT, skills: may, from: 60 * from, ...(to < Infinity && { to: 60 * to }) }
      : HELPERS[one],
  )
/** The colourist with others. */
export const withHelp = (people: readonly Person[], crew = ALONE): Crew => ({
  ...crew,
  people: [...crew.people, ...people],
})
