import Box from '@mui/material/Box'
import type { ReactNode } from 'react'
import { LINE } from '../theme'

/** Figures in rows: the first cell says what they are of. */
export function Facts({ head, rows }: { head: readonly string[]; rows: readonly (readonly ReactNode[])[] }) {
  return (
    <Box component="table" sx={TABLE}>
      {head.some((words) => words !== '') && (
        <thead>
          <tr>
            {head.map((words, i) => (
              <th key={i} scope="col">
                {words}
              </th>
            ))}
          </tr>
        </thead>
      )}
      <tbody>
        {rows.map((cells, i) => (
          <tr key={i}>
            {cells.map((cell, k) => (
              <td key={k}>{cell}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </Box>
  )
}

const TABLE = {
  width: '100%',
  borderCollapse: 'collapse',
  fontSize: '0.92rem',
  '& td, & th': { textAlign: 'left', py: 0.5, pr: 1, fontVariantNumeric: 'tabular-nums', verticalAlign: 'top' },
  '& th': { fontWeight: 500, color: 'text.secondary' },
  '& td + td, & th + th': { textAlign: 'right', pr: 0, pl: 1 },
  '& tbody tr': { borderTop: LINE },
} as const
