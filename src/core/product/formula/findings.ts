import { underlyingPigment } from '../../hair/colour'
import { isColour, isLightener, type StageKind, type ToneHue } from '../../model'
import { colourLift, depositOn } from './deposit'
import { labOfSurface, type Surface } from './surface'
import type { Recipe } from './recipe'
import {
  STRONGEST_VOL,
  STRONGEST_LIGHTENER_ON_SCALP_VOL,
  STRONGEST_GLOSS_VOL,
  COVERS_WHITE_TO_LEVEL,
  COVERING_VOL,
  COVERING_BASE,
  WHITE_MATTERS,
  ASH_NEEDS_LEVEL,
  YELLOW_FROM_LEVEL,
  BARE_FROM_LEVEL,
  DARKER_WITHOUT_WARMTH,
  DARKER_NEEDS_FILLER,
  SHOWS,
  NO_LONGER_WARM,
  MUTED_TO,
} from './constants'

/** Something that a formula's own figures, its label or the hair it goes on speak against. */
export interface Finding {
  id: string
  /** `stop`: outside what the product allows. `caution`: it will not come out as wished. `note`: worth knowing. */
  severity: 'stop' | 'caution' | 'note'
  text: string
  /** Surface it is about, where it is about one. */
  surface?: string | undefined
}

/** What a formula is for. */
export interface FormulaUse {
  stageKind: StageKind
  onScalp: boolean
  heat: boolean
  damp: boolean
}

type LabelRule = (recipe: Recipe, use: FormulaUse) => Finding[]
type SurfaceRule = (recipe: Recipe, use: FormulaUse, surface: Surface) => Omit<Finding, 'surface'>[]

const COOL_HUES = new Set<ToneHue>(['ash', 'green', 'violet', 'pearl', 'silver'])
const WARM_HUES = new Set<ToneHue>(['gold', 'copper', 'red', 'beige'])

/** Hues opposite each other on the painters' circle, near enough (colour theory). */
const OPPOSED: readonly (readonly [ToneHue, ToneHue])[] = [
  ['ash', 'copper'],
  ['ash', 'red'],
  ['green', 'red'],
  ['green', 'copper'],
  ['violet', 'gold'],
  ['silver', 'gold'],
]

/** Strength of some hues in the toned part of a mix, 0…1. */
export const strengthOf = ({ mixed }: Recipe, hues: ReadonlySet<ToneHue>): number =>
  mixed?.tones.reduce((sum, { hue, strength }) => (hues.has(hue) ? sum + strength : sum), 0) ?? 0
const levelOf = ({ mixed }: Recipe): number | undefined => mixed?.level
const leadsCool = (recipe: Recipe) => strengthOf(recipe, COOL_HUES) > Math.max(SHOWS, strengthOf(recipe, WARM_HUES))

const LABEL_RULES: readonly LabelRule[] = [
  ({ leading: { name, rules }, formula: { ratio } }) =>
    rules && !rules.ratios.includes(ratio) && !(rules.ratios.length === 0 && ratio === 0)
      ? [
          {
            id: 'ratio',
            severity: 'stop',
            text: `${name} is mixed ${rules.ratios.length > 0 ? rules.ratios.map((parts) => `1 : ${parts}`).join(' or ') : 'with nothing'}, not 1 : ${ratio}.`,
          },
        ]
      : [],
  ({ leading: { name, rules }, formula: { developerVol, ratio } }) =>
    rules && ratio > 0 && (developerVol < rules.developerMinVol || developerVol > rules.developerMaxVol)
      ? [
          {
            id: 'developer',
            severity: 'stop',
            text: `${name} takes ${rules.developerMinVol}–${rules.developerMaxVol} vol, not ${developerVol}.`,
          },
        ]
      : [],
  ({ formula: { developerVol } }) =>
    developerVol > STRONGEST_VOL
      ? [{ id: 'peroxide', severity: 'stop', text: `No developer above ${STRONGEST_VOL} vol (12 %).` }]
      : [],
  ({ leading, formula: { developerVol } }, { onScalp }) =>
    onScalp && isLightener(leading.kind) && developerVol > STRONGEST_LIGHTENER_ON_SCALP_VOL
      ? [
          {
            id: 'scalp-strength',
            severity: 'stop',
            text: `Lightener on the scalp takes ${STRONGEST_LIGHTENER_ON_SCALP_VOL} vol at most, or what its label says, if less.`,
          },
        ]
      : [],
  ({ products }, { onScalp }) => off(products, onScalp, 'onScalp', 'scalp', 'is not for the scalp'),
  ({ products }, { heat }) => off(products, heat, 'heat', 'heat', 'takes no heat'),
  ({ products }, { damp }) => off(products, damp, 'damp', 'damp', 'goes on dry hair'),
  ({ leading: { kind, name }, formula: { developerVol } }) =>
    kind === 'gloss' && developerVol > STRONGEST_GLOSS_VOL
      ? [
          {
            id: 'gloss-strength',
            severity: 'caution',
            text: `${name} is a gloss: above ${STRONGEST_GLOSS_VOL} vol it begins to lift the root.`,
          },
        ]
      : [],
  ({ blendProblem }) => (blendProblem ? [{ id: 'blend', severity: 'stop', text: blendProblem }] : []),
  ({ products }) => {
    const lines = new Set(products.flatMap(({ product: { line } }) => (line ? [line] : [])))
    return lines.size > 1
      ? [
          {
            id: 'lines',
            severity: 'caution',
            text: `${[...lines].join(' and ')} are mixed in one bowl; their labels speak of one line only.`,
          },
        ]
      : []
  },
  ({ products }) => {
    const kinds = new Set(products.map(({ product: { kind } }) => kind).filter((kind) => kind !== 'clear'))
    return kinds.size > 1
      ? [{ id: 'kinds', severity: 'stop', text: 'Products of different kinds do not go into one bowl.' }]
      : []
  },
  ({ additives }) =>
    additives.flatMap(({ product: { name, additive }, percent }) =>
      additive && percent > additive.maximumPercent
        ? [
            {
              id: 'additive-dose',
              severity: 'stop' as const,
              text: `${name}: ${additive.maximumPercent} % at most, not ${percent} %.`,
            },
          ]
        : [],
    ),
  ({ additives }) =>
    additives.flatMap(({ product: { name, additive } }) =>
      additive && additive.liftFactor < 1
        ? [
            {
              id: 'additive-slows',
              severity: 'note' as const,
              text: `${name} slows the lift to about ${Math.round(100 * additive.liftFactor)} %: allow × ${additive.timeFactor} of the time, or a stronger developer where the label allows it.`,
            },
          ]
        : [],
    ),
  (recipe) =>
    OPPOSED.flatMap(([cool, warm]) =>
      strengthOf(recipe, new Set([cool])) > SHOWS / 3 && strengthOf(recipe, new Set([warm])) > SHOWS / 3
        ? [
            {
              id: 'opposed',
              severity: 'caution' as const,
              text: `${cool} and ${warm} in one bowl cancel each other: what is left is brown.`,
            },
          ]
        : [],
    ),
  ({ mixed, baseShare }, { stageKind }) =>
    stageKind === 'shadowRoot' && mixed?.level !== undefined && baseShare < 0.3
      ? [
          {
            id: 'shadow-base',
            severity: 'caution',
            text: 'A shadow of tone alone covers weakly. Put a natural or beige shade in.',
          },
        ]
      : [],
]

function off(
  products: Recipe['products'],
  used: boolean,
  rule: 'onScalp' | 'heat' | 'damp',
  id: string,
  words: string,
): Finding[] {
  return used
    ? products.flatMap(({ product: { name, rules } }) =>
        rules && !rules[rule] ? [{ id, severity: 'stop' as const, text: `${name} ${words}, by its label.` }] : [],
      )
    : []
}

const SURFACE_RULES: readonly SurfaceRule[] = [
  ({ leading }, _use, { metallic }) =>
    metallic && (isLightener(leading.kind) || leading.kind === 'permanentColour')
      ? [{ id: 'metallic', severity: 'stop', text: 'Metallic salts: no lightener and no oxidative colour over them.' }]
      : [],
  (recipe, _use, { state, level }) =>
    state === 'lightened' &&
    level < ASH_NEEDS_LEVEL &&
    leadsCool(recipe) &&
    strengthOf(recipe, new Set<ToneHue>(['ash', 'silver', 'pearl'])) > SHOWS &&
    (levelOf(recipe) ?? 0) > level - 0.5
      ? [
          {
            id: 'ash-canvas',
            severity: 'caution',
            text: `Ash reads from a canvas of level ${ASH_NEEDS_LEVEL} on; at ${level} the ${underlyingPigment(level).name} is only muted. Lift further, or accept warmth.`,
          },
        ]
      : [],
  (recipe, _use, { state, level }) => {
    const blue = strengthOf(recipe, new Set<ToneHue>(['ash', 'green']))
    return state !== 'natural' &&
      level >= YELLOW_FROM_LEVEL &&
      blue > SHOWS &&
      blue > strengthOf(recipe, new Set<ToneHue>(['violet', 'pearl', 'silver', ...WARM_HUES]))
      ? [
          {
            id: 'blue-on-yellow',
            severity: 'caution',
            text: 'Blue on yellow turns green. Calm yellow with violet and a natural shade.',
          },
        ]
      : []
  },
  (recipe, _use, { state, level }) => {
    const mix = levelOf(recipe)
    return state !== 'natural' &&
      level >= BARE_FROM_LEVEL &&
      mix !== undefined &&
      level - mix >= DARKER_WITHOUT_WARMTH &&
      strengthOf(recipe, WARM_HUES) < SHOWS
      ? [
          {
            id: 'no-warmth',
            severity: 'caution',
            text: 'Going darker on very light hair without warm pigment turns to mud or green. Keep gold or copper in the mix.',
          },
        ]
      : []
  },
  (recipe, _use, { white }) => {
    const level = levelOf(recipe)
    if (white < WHITE_MATTERS || level === undefined) return []
    const reasons = [
      ...(level > COVERS_WHITE_TO_LEVEL ? [`level ${round(level)} is lighter than ${COVERS_WHITE_TO_LEVEL}`] : []),
      ...(recipe.baseShare < COVERING_BASE ? ['less than half of it has a natural base'] : []),
      ...(recipe.leading.kind !== 'permanentColour'
        ? ['it is not permanent']
        : recipe.formula.developerVol < COVERING_VOL
          ? [`${COVERING_VOL} vol covers, ${recipe.formula.developerVol} hardly`]
          : []),
    ]
    return reasons.length > 0
      ? [{ id: 'white', severity: 'caution', text: `White is stained, not covered: ${reasons.join(', ')}.` }]
      : []
  },
  (recipe, _use, { porosity, state }) =>
    porosity === 'high' && state !== 'natural' && leadsCool(recipe)
      ? [
          {
            id: 'porous',
            severity: 'note',
            text: 'Porous hair takes deeper and cooler: these parts last, sheerer, and look every five minutes.',
          },
        ]
      : [],
  (recipe, _use, { state, level }) => {
    const mix = levelOf(recipe)
    return state === 'dyed' && recipe.leading.kind === 'permanentColour' && mix !== undefined && mix > level + 0.5
      ? [
          {
            id: 'lifts-dye',
            severity: 'caution',
            text: `Colour does not lift colour: level ${round(mix)} on dyed level ${level} only brightens the new growth. Lightener or a remover does.`,
          },
        ]
      : []
  },
  (recipe, _use, { state, level }) => {
    const mix = levelOf(recipe)
    if (mix === undefined || state !== 'natural' || recipe.leading.kind === 'permanentColour' || mix <= level + 0.5)
      return []
    return [
      {
        id: 'no-lift',
        severity: 'caution',
        text: `A deposit does not lighten: level ${round(mix)} on natural level ${level} shows tone at most.`,
      },
    ]
  },
  (recipe, _use, { state, level }) => {
    const mix = levelOf(recipe)
    if (recipe.leading.kind !== 'permanentColour' || state !== 'natural' || mix === undefined) return []
    const reach = level + colourLift(recipe.formula.developerVol)
    return mix > reach + 0.75
      ? [
          {
            id: 'reach',
            severity: 'caution',
            text: `${recipe.formula.developerVol} vol takes natural level ${level} to about ${round(reach)}, not to ${round(mix)}.`,
          },
        ]
      : []
  },
  (recipe, _use, { state, level, porosity }) => {
    const mix = levelOf(recipe)
    return state === 'lightened' &&
      porosity === 'high' &&
      mix !== undefined &&
      level - mix >= 2 &&
      (recipe.leading.kind === 'gloss' || recipe.formula.developerVol < 10)
      ? [
          {
            id: 'slips',
            severity: 'note',
            text: 'Old lightened hair lets dark shades slip: a fuller base or 13–20 vol permanent, brushed through, full saturation.',
          },
        ]
      : []
  },
  (recipe, _use, { state, level, hue, strength }) => {
    const mix = levelOf(recipe)
    return mix !== undefined && fillerNeeded({ state, level, hue, strength }, mix)
      ? [
          {
            id: 'filler',
            severity: 'caution',
            text: `From level ${level} to ${round(mix)}: put warm pigment back with a filler first.`,
          },
        ]
      : []
  },
]

/**
 * Very light hair without warmth that is to go three levels or more darker. Hair that is still warm or has depth in it
 * does without.
 */
export const fillerNeeded = (
  { state, level, hue, strength }: Pick<Surface, 'state' | 'level' | 'hue' | 'strength'>,
  to: number,
): boolean =>
  state !== 'natural' &&
  level >= BARE_FROM_LEVEL &&
  level - to >= DARKER_NEEDS_FILLER &&
  !(WARM_HUES.has(hue) && strength >= 0.3)

const round = (level: number): string => String(Math.round(level * 4) / 4)

/** What speaks against a formula: by its own label first, then surface by surface. */
export function findingsOf(recipe: Recipe, use: FormulaUse, surfaces: readonly Surface[]): Finding[] {
  return [
    ...LABEL_RULES.flatMap((rule) => rule(recipe, use)),
    ...surfaces.flatMap((surface) =>
      SURFACE_RULES.flatMap((rule) =>
        rule(recipe, use, surface).map((finding) => ({ ...finding, surface: surface.name })),
      ),
    ),
  ]
}

/** How much of a surface's warmth a mix takes away. */
export interface Neutralised {
  /** The warmth, and what cancels it. */
  pigment: ReturnType<typeof underlyingPigment>
  /** `cancels`: hardly any warmth is left; `mutes`: less of it; `keeps`: as it was or more. */
  verdict: 'cancels' | 'mutes' | 'keeps'
  /** Of the chroma, what stays, 0…. */
  left: number
}

/** Whether a mix cancels or only mutes the warmth that lies bare; undefined where none does. */
export function neutralisedBy({ leading, dye }: Recipe, surface: Surface): Neutralised | undefined {
  if (!dye || !isColour(leading.kind) || surface.state !== 'lightened') return undefined
  const before = labOfSurface(surface)
  const { lab } = depositOn(surface, dye)
  const chroma = Math.hypot(lab.a, lab.b)
  const left = chroma / Math.hypot(before.a, before.b)
  return {
    pigment: underlyingPigment(surface.level),
    verdict: chroma < NO_LONGER_WARM ? 'cancels' : left < MUTED_TO ? 'mutes' : 'keeps',
    left,
  }
}
