'use client'
import Box from '@mui/material/Box'
import { LAYOUT_TEMPLATES } from '@/core/model'
import type { Sitter } from '@/workers/gallery.worker'
import { WORDS } from '../words'
import { SmallMap } from './Small'
import { useThumbnails } from './useThumbnails'

/** The layouts there are, each small on the head of whom it is for. */
export function useLayoutOptions({ head, hair }: Pick<Sitter, 'head' | 'hair'>) {
  const whom = JSON.stringify([head, hair])
  const drawn = useThumbnails(
    LAYOUT_TEMPLATES.map((template) => ({
      name: template,
      key: template + whom,
      of: () => ({ template, of: { head, hair } }),
    })),
  )
  return LAYOUT_TEMPLATES.map((value) => ({
    value,
    name: WORDS.template[value],
    label: (
      <Box sx={{ display: 'grid', justifyItems: 'center', width: 72 }}>
        <SmallMap thumbnail={drawn.get(value)} />
        {WORDS.template[value]}
      </Box>
    ),
  }))
}
