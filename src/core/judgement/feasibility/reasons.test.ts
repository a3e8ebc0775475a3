import type { Band, Goal, HairState } from '../../model'
import { band, canvasWith, GOAL } from '../../../../tests/support/canvas'
import { MEDIUM_HAIR } from '../../../../tests/support/plan'
import { assess, type Reason } from '.'

type Wished = [bands: Band[], goal: Partial<Goal>, hair?: Partial<HairState>, white?: number]
const to = (level: number, hue: Goal['targets'][number]['hue'] = 'beige'): Partial<Goal> => ({
  targets: [{ region: 'all', level, hue, strength: 0.5 }],
})
const dyed = (...kinds: Band['treatments'][number]['kind'][]): Partial<Band> => ({
  treatments: kinds.map((kind) => ({ kind })),
})

/** What clients come with. */
const wishes = {
  worn: [[band(0, 6), band(6, 30, { level: 7, integrity: 'worn', porosity: 'high', ...dyed('lightened') })], to(10)],
  breaking: [[band(0, 30, { integrity: 'breaking' })], to(9)],
  box: [[band(0, 4), band(4, 30, { level: 3, ...dyed('boxDye') })], to(9)],
  perm: [[band(0, 30, { level: 4 })], { ...to(9), means: 'permanentOnly' }],
  deposit: [[band(0, 30, { level: 4 })], { ...to(9), means: 'depositOnly' }],
  filler: [[band(0, 30, { level: 10, ...dyed('lightened') })], to(6)],
  irritated: [[band(0, 30)], to(8), { scalp: 'irritated' }],
  blend: [[band(0, 30)], { ...to(8), white: 'blend' }, {}, 0.35],
  cover: [[band(0, 30)], { ...to(7), white: 'cover' }, {}, 0.35],
  stain: [[band(0, 30)], { ...to(9), white: 'cover' }, {}, 0.35],
  upkeep: [[band(0, 30)], { ...to(8), upkeepWeeks: 30, root: 'toScalp' }, { washesPerWeek: 4 }],
  cool: [[band(0, 30)], { ...to(9, 'ash'), upkeepWeeks: 12, lighterInMonths: 4 }],
  ashDeep: [[band(0, 30)], { ...to(7, 'ash'), warmth: 'none' }],
  ashBeyond: [[band(0, 30, { level: 4, ...dyed('henna') })], { ...to(8, 'silver'), warmth: 'none' }],
  salts: [[band(0, 30, dyed('metallic'))], to(8)],
} satisfies Record<string, Wished>

function reasonOf([bands, goal, hair, white = 0]: Wished, id: string): Reason {
  const { reasons } = assess({
    hair: { ...MEDIUM_HAIR, ...hair },
    canvas: canvasWith(bands),
    goal: { ...GOAL, ...goal },
    meanWhite: white,
  })
  return reasons.find((one) => one.id === id)!
}

/** Each read through as a client would hear it; a change here is a change of what she is told. */
describe('what is said of a wish, with its figures', () => {
  it.each<[string, string, Wished, Reason['severity'], string, string[]]>([
    [
      'worn lengths',
      'levels',
      wishes.worn,
      'fact',
      'The band at 0–6 cm decides: from level 5 (red-orange beneath) to a canvas at 10 (pale yellow), 5 levels.',
      [
        'Level now: 5',
        'Canvas wanted: 10, pale yellow; violet cancels it',
        'Speed against virgin hair: × 1',
        'Lift in a visit of 40–50 min: 3.1–5.1 levels',
        'Visits: 1–2',
      ],
    ],
    [
      'worn lengths',
      'fragile',
      wishes.worn,
      'caution',
      'The band at 6–30 cm is worn: it stands about 4.5 levels more. Low strength, bond additive, minutes only; stretch a wet strand before and during.',
      [
        'Budget, worn: 0.5 of a sound strand’s 0.9',
        'Porosity high, medium fibre, low and slow: 4.5 levels',
        'Levels asked for: 3',
      ],
    ],
    [
      'hair that breaks',
      'levels',
      wishes.breaking,
      'fact',
      'The band at 0–30 cm decides: from level 5 (red-orange beneath) to a canvas at 9 (yellow), 4 levels.',
      [
        'Level now: 5',
        'Canvas wanted: 9, yellow; violet cancels it',
        'Speed against virgin hair: × 1',
        'Lift in a visit of 40–50 min: 3.1–5.1 levels',
      ],
    ],
    [
      'hair that breaks',
      'fragile',
      wishes.breaking,
      'stop',
      'The band at 0–30 cm is breaking: it stands about 0 levels more, 4 are asked for. Low strength, bond additive, minutes only; stretch a wet strand before and during.',
      [
        'Budget, breaking: 0 of a sound strand’s 0.9',
        'Porosity normal, medium fibre, low and slow: 0 levels',
        'Levels asked for: 4',
      ],
    ],
    [
      'box dye below the root',
      'levels',
      wishes.box,
      'fact',
      'The band at 4–30 cm decides: from level 3 (red-brown beneath) to a canvas at 9 (yellow), 6 levels.',
      [
        'Level now: 3',
        'Canvas wanted: 9, yellow; violet cancels it',
        'Speed against virgin hair: × 0.5',
        'Lift in a visit of 40–50 min: 1.6–2.6 levels',
        'Visits: 2–3',
      ],
    ],
    [
      'box dye below the root',
      'strand-test',
      wishes.box,
      'caution',
      'Nobody can say beforehand what lightener does at 4–30 cm. Test a hidden strand first and promise nothing before it has dried.',
      ['4–30 cm: box dye'],
    ],
    [
      'box dye below the root',
      'lightest',
      wishes.box,
      'caution',
      'Over this history lightener cannot be trusted to go as far as is wished at 4–30 cm.',
      ['4–30 cm: up to level 8.5, 9 wanted'],
    ],
    [
      'box dye below the root',
      'artificial-pigment',
      wishes.box,
      'fact',
      'There is artificial pigment at 4–30 cm. Permanent colour does not lift it; only lightener or a remover does, more slowly and less evenly than on virgin hair.',
      ['4–30 cm: × 0.5 of virgin speed: 1.6–2.6 levels a visit'],
    ],
    [
      'box dye below the root',
      'remover',
      wishes.box,
      'fact',
      'A remover at 4–30 cm before lightening spares the hair part of the way. Keep it off the scalp.',
      ['Gains: 1–2 levels', 'Time for it: 30 min each time'],
    ],
    [
      'permanent colour only',
      'means',
      wishes.perm,
      'stop',
      'Permanent colour lifts natural hair by up to 3–4 levels and artificial pigment not at all. Allow lightener, or choose a deeper level.',
      ['0–30 cm: reaches 7.5, 9 wanted'],
    ],
    [
      'deposit only',
      'means',
      wishes.deposit,
      'stop',
      'Deposit never lightens. Allow lightener, or choose a level no lighter than the hair.',
      ['0–30 cm: reaches 4, 9 wanted'],
    ],
    [
      'darker from very light',
      'levels',
      wishes.filler,
      'fact',
      'No band has to be lifted: the hair is at 10 or lighter where level 6 is wanted.',
      [
        'Level now: 10',
        'Canvas wanted: 7, orange; blue cancels it',
        'Speed against virgin hair: × 1.1',
        'Lift in a visit of 40–50 min: 3.3–5.4 levels',
        'Visits: 1',
      ],
    ],
    [
      'darker from very light',
      'filler',
      wishes.filler,
      'fact',
      'Very light, even hair at 0–30 cm needs warm pigment put back before it goes darker, or it turns muddy or green.',
      ['0–30 cm: 10 → 6'],
    ],
    [
      'darker from very light',
      'contrast',
      wishes.filler,
      'fact',
      'Level 6 beside natural 5 is 1 level; subtle contrast usually means 2–3.',
      ['Light against natural: 1 level'],
    ],
    [
      'darker from very light',
      'fade',
      wishes.filler,
      'fact',
      'Half the beige has gone after 2.8–5.6 weeks; it fades to pale yellow at level 10.',
      ['Washes until half is gone: 12', 'Washes a week: 3', 'Upkeep wished: 8 weeks'],
    ],
    [
      'irritated scalp',
      'scalp',
      wishes.irritated,
      'stop',
      'The scalp is irritated: no colour service on broken or irritated skin. Wait until it has healed; with any doubt, a doctor decides.',
      ['Scalp, as recorded: irritated'],
    ],
    [
      'white to blend',
      'white-blend',
      wishes.blend,
      'fact',
      'To blend, copy her own white: about 35 % light strands in fine weaves, placed where the white is; never the whole head to match its whitest place.',
      ['White on the whole head: 35 %', 'Light pieces wanted: 30 %'],
    ],
    [
      'white to cover',
      'white-cover',
      wishes.cover,
      'fact',
      'Level 7 covers white with a natural base, 20 vol, full saturation and 3 mm partings.',
      ['White on the whole head: 35 %', 'Light pieces wanted: 30 %', 'Covers up to level: 7–8'],
    ],
    [
      'white under light colour',
      'white-cover',
      wishes.stain,
      'caution',
      'Level 9 stains white hair and does not cover it. Cover at level 7 or deeper, or blend.',
      ['White on the whole head: 35 %', 'Light pieces wanted: 30 %', 'Covers up to level: 7–8'],
    ],
    [
      'white under light colour',
      'contrast',
      wishes.stain,
      'fact',
      'Level 9 beside natural 5 is 4 levels; subtle contrast usually means 2–3.',
      ['Light against natural: 4 levels'],
    ],
    [
      'to the scalp for thirty weeks',
      'upkeep',
      wishes.upkeep,
      'caution',
      'After 30 weeks there are 8.6 cm of regrowth; a design to the scalp usually carries 3–4 weeks. Plan a softer root or an earlier visit.',
      ['Regrowth by then: 8.6 cm', 'Carries: 3–4 weeks'],
    ],
    [
      'to the scalp for thirty weeks',
      'fade',
      wishes.upkeep,
      'fact',
      'Half the beige has gone after 2.1–4.2 weeks; it fades to yellow-orange at level 8.',
      ['Washes until half is gone: 12', 'Washes a week: 4', 'Upkeep wished: 30 weeks'],
    ],
    [
      'ash, lighter in four months',
      'fade',
      wishes.cool,
      'caution',
      'Half the ash has gone after 1.7–3.4 weeks; it fades to yellow at level 9. Cool tones leave first: offer a gloss between visits.',
      ['Washes until half is gone: 7.2', 'Washes a week: 3', 'Upkeep wished: 12 weeks'],
    ],
    [
      'ash, lighter in four months',
      'later',
      wishes.cool,
      'fact',
      'Lighter hair is planned in 4 months: put no lasting dark pigment where it is to be light; demi before permanent.',
      ['Growth until then: 5 cm'],
    ],
    [
      'ash on level 7',
      'tone-canvas',
      wishes.ashDeep,
      'fact',
      'Ash at level 7 reads only on a canvas at 8, so the hair is lifted past its warmth and toned down.',
      [
        'Canvas for ash: level 8',
        'Warmth accepted: none: − 0',
        'Exposed there: yellow-orange',
        'Looks like level: 6.5',
      ],
    ],
    [
      'silver over henna',
      'tone-canvas',
      wishes.ashBeyond,
      'caution',
      'Silver at level 8 reads only on a canvas at 10, which this hair does not reach: it would turn warm or muddy.',
      [
        'Canvas for silver: level 10',
        'Warmth accepted: none: − 0',
        'Exposed there: pale yellow',
        'Looks like level: 7.75',
      ],
    ],
    [
      'metallic salts',
      'metallic',
      wishes.salts,
      'stop',
      'Metallic salts at 0–30 cm: no lightener and no oxidative colour over them. Let them grow out and be cut off; until then work on the regrowth only, as the products’ instructions allow.',
      ['To be cut: 0–30 cm'],
    ],
  ])('%s: %s', (_who, id, wished, severity, text, figures) => {
    const reason = reasonOf(wished, id)
    expect(reason).toMatchObject({ severity, text })
    expect(reason.figures.map(({ label, value }) => `${label}: ${value}`)).toEqual(figures)
  })
})
