import type { ShelfItem } from '@/core/model'

/** Expiring within this is worth a look, days. Our estimate. */
const SOON_DAYS = 60

const expiresSoon = ({ lots }: ShelfItem): boolean => {
  const until = new Date(Date.now() + SOON_DAYS * 86_400_000).toISOString().slice(0, 10)
  return lots.some(({ expiresOn }) => expiresOn !== null && expiresOn <= until)
}
/** To be ordered: below the salon's own mark, or below what the week asks for. */
export const isShort = ({ grams, item, weekG }: ShelfItem): boolean => grams < item.reorderG || grams < weekG

/** Ways to look at a shelf: what each shows, and what it says where it shows nothing. */
export const VIEWS = {
  all: { words: 'everything', shows: () => true, empty: '' },
  short: { words: 'to order', shows: isShort, empty: 'Nothing has to be ordered.' },
  today: {
    words: 'needed today',
    shows: ({ todayG }) => todayG > 0,
    empty: 'No plan is booked for today. Book one on its Mix page, and what it needs stands here.',
  },
  week: {
    words: 'needed this week',
    shows: ({ weekG }) => weekG > 0,
    empty: 'No plan is booked this week. Book one on its Mix page, and what it needs stands here.',
  },
  expiring: { words: 'expires soon', shows: expiresSoon, empty: 'No lot expires within two months.' },
} satisfies Record<string, { words: string; shows: (item: ShelfItem) => boolean; empty: string }>

export type View = keyof typeof VIEWS
