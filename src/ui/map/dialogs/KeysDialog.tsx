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
  ['C', 'copy the zone’s placement'],
  ['V', 'paste it into the zone on which the focus is'],
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
