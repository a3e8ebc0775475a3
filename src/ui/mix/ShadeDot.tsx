import { hexFromLab, labOfHair } from '@/core/hair/colour'
import type { Product, ProductShade } from '@/core/model'
import { INK } from '../theme'

/** A shade as it was measured, or else as its level and tone are expected to look. */
export const hexOfShade = ({ swatch, level, hue, strength }: ProductShade): string =>
  hexFromLab(swatch ?? labOfHair(level, hue, strength))

interface Props {
  product: Pick<Product, 'shade' | 'kind'>
  /** px */
  size?: number
}

/** A swatch beside a product's name. */
export function ShadeDot({ product: { shade, kind }, size = 26 }: Props) {
  return (
    <svg width={size} height={size} aria-hidden style={{ flex: 'none' }}>
      <rect
        x={1}
        y={1}
        width={size - 2}
        height={size - 2}
        rx={3}
        fill={shade ? hexOfShade(shade) : 'transparent'}
        stroke={INK.faint}
        strokeDasharray={kind === 'clear' ? '3 2' : undefined}
      />
    </svg>
  )
}
