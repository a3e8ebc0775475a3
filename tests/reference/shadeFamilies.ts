import type { ToneHue } from '@/core/model'

/**
 * Twenty pairs of canvas and goal with the family of shades a colourist would reach for, and why. Written down before
 * the search was; common practice, no source. `families` names the hues that should lead the toned part of the mix;
 * `neutral` alone means that no toned shade should lead.
 */
export interface FamilyCase {
  name: string
  canvas: {
    level: number
    kind: 'lightened' | 'natural' | 'dyed'
    hue?: ToneHue
    strength?: number
    white?: number
    porous?: boolean
  }
  goal: { level: number; hue: ToneHue; strength: number }
  means: 'gloss' | 'permanent'
  families: readonly ToneHue[]
  why: string
}

export const FAMILY_CASES: readonly FamilyCase[] = [
  {
    name: 'yellow to neutral blonde',
    canvas: { level: 9.5, kind: 'lightened' },
    goal: { level: 9, hue: 'neutral', strength: 0 },
    means: 'gloss',
    families: ['violet', 'pearl'],
    why: 'violet cancels yellow',
  },
  {
    name: 'palest yellow to silver',
    canvas: { level: 10, kind: 'lightened' },
    goal: { level: 10, hue: 'silver', strength: 0.8 },
    means: 'gloss',
    families: ['silver', 'violet', 'pearl'],
    why: 'silver is made on palest yellow, with violet in it',
  },
  {
    name: 'yellow-orange to cool dark blonde',
    canvas: { level: 8, kind: 'lightened' },
    goal: { level: 7, hue: 'ash', strength: 0.5 },
    means: 'gloss',
    families: ['ash'],
    why: 'an ash result on a canvas of level 8',
  },
  {
    name: 'orange to neutral light brown',
    canvas: { level: 7, kind: 'lightened' },
    goal: { level: 6, hue: 'neutral', strength: 0 },
    means: 'gloss',
    families: ['ash'],
    why: 'blue cancels orange',
  },
  {
    name: 'red-orange to cool brown',
    canvas: { level: 6, kind: 'lightened' },
    goal: { level: 5, hue: 'ash', strength: 0.3 },
    means: 'gloss',
    families: ['ash', 'green'],
    why: 'blue to blue-green cancels orange to red-orange',
  },
  {
    name: 'yellow to beige',
    canvas: { level: 9, kind: 'lightened' },
    goal: { level: 9, hue: 'beige', strength: 0.4 },
    means: 'gloss',
    families: ['beige', 'pearl', 'violet'],
    why: 'beige keeps some warmth; the yellow is only muted',
  },
  {
    name: 'yellow-orange to gold',
    canvas: { level: 8, kind: 'lightened' },
    goal: { level: 8, hue: 'gold', strength: 0.5 },
    means: 'gloss',
    families: ['gold'],
    why: 'golden results may start at 7 to 8',
  },
  {
    name: 'orange to copper',
    canvas: { level: 7, kind: 'lightened' },
    goal: { level: 7, hue: 'copper', strength: 0.7 },
    means: 'gloss',
    families: ['copper'],
    why: 'the exposed orange is kept and fed',
  },
  {
    name: 'red-orange to red',
    canvas: { level: 5, kind: 'lightened' },
    goal: { level: 5, hue: 'red', strength: 0.7 },
    means: 'gloss',
    families: ['red'],
    why: 'the exposed red is kept and fed',
  },
  {
    name: 'glaring yellow to soft gold',
    canvas: { level: 9.5, kind: 'lightened' },
    goal: { level: 9, hue: 'gold', strength: 0.3 },
    means: 'gloss',
    families: ['gold', 'beige'],
    why: 'gold mutes the glare and keeps the warmth',
  },
  {
    name: 'half white, to be covered',
    canvas: { level: 6, kind: 'natural', white: 0.5 },
    goal: { level: 6, hue: 'neutral', strength: 0 },
    means: 'permanent',
    families: ['neutral'],
    why: 'white is covered by a natural base',
  },
  {
    name: 'natural brown to beige brown',
    canvas: { level: 5, kind: 'natural' },
    goal: { level: 5, hue: 'beige', strength: 0.4 },
    means: 'permanent',
    families: ['beige', 'neutral'],
    why: 'a soft tone on its own level',
  },
  {
    name: 'icy blonde back to light brown',
    canvas: { level: 10, kind: 'dyed', hue: 'violet', strength: 0.5, porous: true },
    goal: { level: 6, hue: 'neutral', strength: 0 },
    means: 'gloss',
    families: ['gold', 'beige', 'copper'],
    why: 'warm pigment has to come back or it turns to mud',
  },
  {
    name: 'lowlights in pale yellow',
    canvas: { level: 9.5, kind: 'lightened' },
    goal: { level: 7, hue: 'beige', strength: 0.4 },
    means: 'gloss',
    families: ['gold', 'beige'],
    why: 'a lowlight on lightened hair keeps a warm shade in the mix',
  },
  {
    name: 'shadow root over yellow',
    canvas: { level: 9, kind: 'lightened' },
    goal: { level: 7, hue: 'neutral', strength: 0 },
    means: 'gloss',
    families: ['violet', 'neutral'],
    why: 'a yellow root is calmed with violet and a natural shade, not with ash',
  },
  {
    name: 'yellow to cool blonde',
    canvas: { level: 9, kind: 'lightened' },
    goal: { level: 9, hue: 'ash', strength: 0.3 },
    means: 'gloss',
    families: ['violet', 'pearl', 'silver'],
    why: 'blue on yellow turns green; violet does not',
  },
  {
    name: 'palest yellow to pearl',
    canvas: { level: 10, kind: 'lightened' },
    goal: { level: 10, hue: 'pearl', strength: 0.5 },
    means: 'gloss',
    families: ['pearl', 'violet'],
    why: 'violet with a touch of red',
  },
  {
    name: 'red dye to neutral brown',
    canvas: { level: 6, kind: 'dyed', hue: 'red', strength: 0.6 },
    goal: { level: 6, hue: 'neutral', strength: 0 },
    means: 'gloss',
    families: ['green'],
    why: 'green cancels red',
  },
  {
    name: 'yellow-orange to neutral brunette',
    canvas: { level: 8, kind: 'lightened' },
    goal: { level: 7, hue: 'neutral', strength: 0 },
    means: 'gloss',
    families: ['ash'],
    why: 'blue to blue-violet cancels yellow-orange',
  },
  {
    name: 'natural dark brown to copper brown',
    canvas: { level: 4, kind: 'natural' },
    goal: { level: 5, hue: 'copper', strength: 0.6 },
    means: 'permanent',
    families: ['copper'],
    why: 'lifting brown exposes the warmth that copper feeds on',
  },
]
