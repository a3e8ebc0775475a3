import type { StaffRole } from '@/core/model'

export { momentInWords } from '../words'

export const ROLE_WORDS: Record<StaffRole, string> = {
  owner: 'Owner',
  colourist: 'Colourist',
  assistant: 'Assistant',
  apprentice: 'Apprentice',
}

/** What each role is let do, as whoever gives it has to know. */
export const ROLE_HELP: Record<StaffRole, string> = {
  owner: 'Everything: people, prices, who did what.',
  colourist: 'Plans, clients, visits and the catalogue.',
  assistant: 'Mixes, carries out visits, counts the shelf; reads plans and health notes.',
  apprentice: 'Looks at plans and visits; no health notes, no prices.',
}
