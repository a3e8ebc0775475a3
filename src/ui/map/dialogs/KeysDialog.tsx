'use client'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableRow from '@mui/material/TableRow'

const KEYS: [string, string][] = [
  ['← → ↑ ↓ on the map', 'to the next or previous zone in working order'],
  ['1 2 3 …', 'first, second, third formula for all rows of the zone'],
  ['0', 'leave the zone alone'],
  ['Alt + ↑ ↓ in the order list', 'work the zone earlier or later'],
  ['← → on the comb', 'stitch or gap half a millimetre narrower or wider'],
  ['Ctrl + Z, Ctrl + Shift + Z', 'undo, redo'],
  ['Shift or Ctrl + press', 'one more zone along with the others; Ctrl + A for all'],
  ['+ −', 'nearer, further; a wheel or two fingers do the same'],
  ['Z, F', 'zoom to the selected zones, the whole head'],
  ['Shift + ← → ↑ ↓', 'move a map that is zoomed in'],
  ['C, Shift + C', 'copy the selected zones, or all of the stage'],
  ['V', 'paste into the selected zones, here or in another plan'],
  [
    '← → ↑ ↓ and Enter on the map, with a tool',
    'move the pen, begin and end a line, choose what to merge; finer with Shift',
  ],
  ['← → ↑ ↓ on a corner, a dot or a parting', 'move it, with Move in hand'],
  ['?', 'this list'],
  ['Esc', 'close what is open'],
]

export function KeysDialog({ onClose }: { onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} maxWidth="sm" aria-labelledby="keys-title">
      <DialogTitle id="keys-title">Keys</DialogTitle>
      <DialogContent>
        <Table size="small">
          <TableBody>
            {KEYS.map(([keys, what]) => (
              <TableRow key={keys}>
                <TableCell component="th" scope="row" sx={{ fontWeight: 600 }}>
                  {keys}
                </TableCell>
                <TableCell>{what}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </DialogContent>
      <DialogActions>
        <Button variant="contained" onClick={onClose} autoFocus>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  )
}
