import type { Picture } from '@/core/appearance/picture'

/** A picture of the core as a canvas takes it. */
export const imageOf = ({ width, height, rgba }: Picture): ImageData =>
  new ImageData(rgba as Uint8ClampedArray<ArrayBuffer>, width, height)
