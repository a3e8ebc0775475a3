import { dayAfter } from '@/core/hair/hairRecord'
import { CONSENT_TEXT } from '@/core/judgement/care'
import type { CareCheck, Consent } from '@/core/model'

/** A day so many days before another. @param today `YYYY-MM-DD` */
export const daysBefore = (today: string, days: number): string => dayAfter(today, -days)

interface DemoCheck extends Pick<CareCheck, 'kind' | 'result' | 'product' | 'note'> {
  daysAgo: number
}

const asked = (daysAgo: number): DemoCheck[] => [
  { kind: 'age', result: 'clear', product: '', note: '', daysAgo },
  { kind: 'metallicHenna', result: 'clear', product: '', note: 'never', daysAgo },
  { kind: 'reactions', result: 'clear', product: '', note: 'none known', daysAgo },
]

/** What was checked in the demo, by client; clients who are not named have no checks yet. */
export const DEMO_CHECKS: Record<string, DemoCheck[]> = {
  'maren-hale-abara': [
    ...asked(77),
    {
      kind: 'allergyAlert',
      result: 'clear',
      product: 'Fathom permanent cream',
      note: 'inner elbow, nothing to see',
      daysAgo: 3,
    },
    {
      kind: 'strandTest',
      result: 'clear',
      product: 'Marl powder lightener',
      note: 'level 8 after 40 min, stretches and comes back',
      daysAgo: 3,
    },
  ],
  'tamsin-quill': [
    ...asked(63),
    { kind: 'allergyAlert', result: 'clear', product: 'Lull liquid gloss', note: '', daysAgo: 65 },
  ],
  'ysolde-marchbanks': [
    ...asked(84),
    { kind: 'allergyAlert', result: 'clear', product: 'Marl powder lightener', note: '', daysAgo: 1 },
  ],
  'garrick-thole': [
    { kind: 'metallicHenna', result: 'concern', product: '', note: 'restoring lotion every morning', daysAgo: 28 },
  ],
  'odalys-brandt': [
    {
      kind: 'strandTest',
      result: 'concern',
      product: 'Marl powder lightener',
      note: 'red-brown only, strand swells',
      daysAgo: 5,
    },
  ],
}

/** Clients of the demo who have signed, and how many days ago. */
export const DEMO_CONSENTS: Record<string, number> = {
  'maren-hale-abara': 77,
  'tamsin-quill': 63,
  'ysolde-marchbanks': 84,
}

/** A made-up signature: a wave and a line under it. */
export const demoSignature = (): Pick<Consent, 'textVersion' | 'strokes'> => ({
  textVersion: CONSENT_TEXT.version,
  strokes: [
    Array.from({ length: 41 }, (_, i) => [0.15 + 0.016 * i, 0.5 + (0.28 - 0.006 * i) * Math.sin(i / 2)]).flat(),
    [0.2, 0.78, 0.8, 0.72],
  ],
})
