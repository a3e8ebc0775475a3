import type { ViewName } from '@/core/appearance/picture'
import type { Wear } from '@/core/appearance/strands'
import type { WishCheck } from '@/core/appearance/look'

export const WEAR_WORDS: Record<Wear, string> = {
  natural: 'As it dries',
  straight: 'Straight',
  waved: 'Waved',
  low: 'Tied low',
  high: 'Tied high',
  halfUp: 'Half up',
}

export const VIEW_WORDS: Record<ViewName, string> = {
  front: 'Front',
  left: 'Left',
  right: 'Right',
  back: 'Back',
  top: 'Top',
}

export const WISH_WORDS: Record<WishCheck['what'], { name: string; unit: string; less: string; more: string }> = {
  level: {
    name: 'Level of the light',
    unit: '',
    less: 'Raise the lift goal of the lightener, or plan another visit.',
    more: 'Lower the lift goal, or tone deeper.',
  },
  light: {
    name: 'Light that is seen',
    unit: '%',
    less: 'Narrow the gaps between rows where it is seen: top, part and face.',
    more: 'Leave out the foils that show least; they stand below.',
  },
  contrast: {
    name: 'Contrast',
    unit: 'levels',
    less: 'Lift further, or put lowlights between.',
    more: 'Lift less, or soften with a tone between the two.',
  },
  faceFrame: {
    name: 'Face frame',
    unit: 'levels',
    less: 'Set the rows at the face closer, or take thicker stitches there.',
    more: 'Open the rows at the face, or begin them further from the scalp.',
  },
  root: {
    name: 'Root',
    unit: 'cm',
    less: 'Begin further from the scalp, or put a shadow on the root.',
    more: 'Begin nearer to the scalp.',
  },
}
