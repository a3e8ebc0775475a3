/** Words that stand on screen and on paper alike. */
import type { Incident, StrandSpot } from '@/core/model'
import type { TaskKind } from '@/core/time/schedule'

/** What is done, in words. */
const DOING: Record<TaskKind, string> = {
  setUp: 'Set up',
  mix: 'Mix',
  apply: 'Put in',
  reapply: 'Fresh product on',
  takeOut: 'Take out',
  rinse: 'Rinse',
  dry: 'Dry',
  cut: 'Cut',
  wash: 'Wash',
  wipe: 'Wipe the skin',
  style: 'Style',
  finish: 'Dry and style',
}

export const taskWords = ({ kind, about }: { kind: TaskKind; about: string }): string =>
  about && about !== DOING[kind] ? `${DOING[kind]} ${about}` : DOING[kind]

/** What can go wrong at the chair, with what is usually done (common practice). */
export const INCIDENT_WORDS: Record<Incident, { name: string; mend: string }> = {
  bleed: { name: 'Bleed mark', mend: 'Before toning: a small demi at the root’s level, a little cool, on the spot.' },
  brass: {
    name: 'Brass between the foils',
    mend: 'Pick more pieces, gloss with the complement, or accept the warmth.',
  },
  slipped: { name: 'Foil slipped', mend: 'Wipe, look how far it got, put it back closer or leave it out.' },
  burning: {
    name: 'Burning or stinging',
    mend: 'Rinse it off now with plenty of cool water. Do not apply again. Follow the product’s instructions; see a doctor if it lasts.',
  },
  breakage: { name: 'Hair breaks or stretches', mend: 'Rinse that area now. No more lightener there. Record it.' },
  other: { name: 'Something else', mend: 'Write down what happened.' },
}

/** Where along a strand something is seen. */
export const SPOT_WORDS: Record<StrandSpot, string> = { scalpEnd: 'root', middle: 'middle', ends: 'ends' }

/** Said wherever a picture of the Look is shown. */
export const SIMULATION = 'A simulation to judge placement by. Hair, light and chair make the result.'
