import { CONTRASTS, type Contrast, type FaceFrame, type Goal, type RootWish } from '../../model'
import type { LookFigures } from '../figures'
import type { Wear } from '../strands'
import { CONTRAST_FROM, FACE_FRAME, LEVEL_OFF, LIGHT_OFF, ROOT_CM } from './constants'

export type WishVerdict = 'met' | 'near' | 'missed'

/** A part of the wish against what is seen of the plan. */
export interface WishCheck {
  what: 'level' | 'light' | 'contrast' | 'faceFrame' | 'root'
  /** What was wished for and what is counted: levels, percent, a word, levels, cm. */
  wished: number | string
  seen: number
  verdict: WishVerdict
  /** Which way it is off. */
  off: 'less' | 'more' | 'none'
}

/** What is seen in one wear, and how much of her week she wears it. */
export interface WornFigures {
  wear: Wear
  share: number
  figures: LookFigures
}

/** How a client wears her hair: shares of the week that come to 1. Nothing said: straight. */
export function wearsOf({ straight, waved, tiedLow, tiedHigh }: Goal['wear']): { wear: Wear; share: number }[] {
  const sum = straight + waved + tiedLow + tiedHigh
  if (sum <= 0) return [{ wear: 'straight', share: 1 }]
  const all = { straight, waved, low: tiedLow, high: tiedHigh }
  return Object.entries(all)
    .filter(([, share]) => share > 0)
    .map(([wear, share]) => ({ wear: wear as Wear, share: share / sum }))
}

/** Holds a wish against what is seen, worn as she wears it. */
export function checkWish(goal: Goal, worn: readonly WornFigures[]): WishCheck[] {
  const mean = (of: (figures: LookFigures) => number) =>
    worn.reduce((sum, { share, figures }) => sum + share * of(figures), 0)
  const contrast = mean(({ views }) => Math.max(...Object.values(views).map(({ contrastLevels }) => contrastLevels)))
  const light = mean(lightLevel)
  const target = goal.targets.find(({ region }) => region === 'all') ?? goal.targets[0]
  return [
    ...(target ? [within('level', target.level, light, LEVEL_OFF)] : []),
    within('light', goal.lightPercent, 100 * mean(({ lighter }) => lighter), LIGHT_OFF),
    contrastCheck(goal.contrast, contrast),
    banded(
      'faceFrame',
      goal.faceFrame,
      FACE_FRAME[goal.faceFrame],
      mean(({ faceLevels }) => faceLevels ?? 0),
    ),
    banded(
      'root',
      goal.root,
      ROOT_CM[goal.root],
      mean(({ rootSoftnessCm }) => rootSoftnessCm ?? 0),
    ),
  ]
}

/** Mean level of what got lighter, over the views that show some; the whole where nothing did. */
function lightLevel({ views, meanLevel }: LookFigures): number {
  const levels = Object.values(views).flatMap((view) => view.lightLevel ?? [])
  return levels.length > 0 ? levels.reduce((sum, level) => sum + level, 0) / levels.length : meanLevel
}

interface Off {
  met: number
  near: number
}

function within(what: 'level' | 'light', wished: number, seen: number, { met, near }: Off): WishCheck {
  const away = Math.abs(seen - wished)
  const verdict = away <= met ? 'met' : away <= near ? 'near' : 'missed'
  return { what, wished, seen, verdict, off: verdict === 'met' ? 'none' : seen < wished ? 'less' : 'more' }
}

/** A word's own range of contrast is met, the one beside it is near. */
function contrastCheck(wished: Contrast, seen: number): WishCheck {
  const word = CONTRASTS.findLast((contrast) => seen >= CONTRAST_FROM[contrast])
  const away = (word ? CONTRASTS.indexOf(word) : -1) - CONTRASTS.indexOf(wished)
  const verdict = away === 0 ? 'met' : Math.abs(away) === 1 ? 'near' : 'missed'
  return { what: 'contrast', wished, seen, verdict, off: away === 0 ? 'none' : away < 0 ? 'less' : 'more' }
}

function banded(
  what: 'faceFrame' | 'root',
  wished: FaceFrame | RootWish,
  { from, to, slack }: { from: number; to: number; slack: number },
  seen: number,
): WishCheck {
  const away = seen < from ? from - seen : seen > to ? seen - to : 0
  const verdict = away === 0 ? 'met' : away <= slack ? 'near' : 'missed'
  return { what, wished, seen, verdict, off: away === 0 ? 'none' : seen < from ? 'less' : 'more' }
}
