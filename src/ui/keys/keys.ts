/**
 * Every shortcut there is, once: what is pressed, how it reads in the list of keys, what it does. Pages listen by name
 * ({@link useKeys}); keys that belong to one focused thing (arrows on a zone, on the comb) are listed here too, and the
 * thing itself listens. In the order of the list.
 */
export const KEYS = {
  mapArrows: { reads: '← → ↑ ↓ on the map', does: 'to the next or previous zone in working order' },
  mapDigits: { reads: '1 2 3 …', does: 'first, second, third formula for all rows of the zone' },
  mapNought: { reads: '0', does: 'leave the zone alone' },
  turnArrows: { reads: 'Alt + ↑ ↓ in the order list', does: 'work the zone earlier or later' },
  combArrows: { reads: '← → on the comb', does: 'stitch or gap half a millimetre narrower or wider' },
  undo: { keys: 'mod~z', reads: 'Ctrl + Z', does: 'undo' },
  redo: { keys: 'mod~shift~z', reads: 'Ctrl + Shift + Z', does: 'redo' },
  oneMore: { reads: 'Shift or Ctrl + press', does: 'one more zone along with the others' },
  allZones: { keys: 'mod~a', reads: 'Ctrl + A', does: 'all zones of the stage' },
  nearer: { keys: ['+', 'shift~+', '='], reads: '+', does: 'nearer; a wheel or two fingers do the same' },
  further: { keys: '-', reads: '−', does: 'further' },
  toZones: { keys: 'z', reads: 'Z', does: 'zoom to the selected zones' },
  toHead: { keys: 'f', reads: 'F', does: 'the whole head' },
  moveMap: {
    keys: ['shift~ArrowLeft', 'shift~ArrowRight', 'shift~ArrowUp', 'shift~ArrowDown'],
    reads: 'Shift + ← → ↑ ↓',
    does: 'move a map that is zoomed in',
  },
  toMap: { keys: 'm', reads: 'M', does: 'the flat map' },
  toHeadView: { keys: 'h', reads: 'H', does: 'the head' },
  toLook: { keys: 'l', reads: 'L', does: 'the look' },
  copy: { keys: 'c', reads: 'C', does: 'copy the selected zones' },
  copyAll: { keys: 'shift~c', reads: 'Shift + C', does: 'copy all of the stage' },
  paste: { keys: 'v', reads: 'V', does: 'paste into the selected zones, here or in another plan' },
  pen: {
    reads: '← → ↑ ↓ and Enter on the map, with a tool',
    does: 'move the pen, begin and end a line, choose what to merge; finer with Shift',
  },
  corners: { reads: '← → ↑ ↓ on a corner, a dot or a parting', does: 'move it, with Move in hand' },
  bands: {
    keys: ['1', '2', '3', '4', '5', '6', '7', '8', '9'],
    reads: '1 … 9 at the consultation',
    does: 'to that band',
  },
  list: { keys: ['?', 'shift~?'], reads: '?', does: 'this list' },
  escape: { keys: 'Escape', reads: 'Esc', does: 'close what is open' },
} as const satisfies Record<string, Key>

interface Key {
  /** As the package reads them, with ~ between; left out where what has the focus listens itself. */
  keys?: string | readonly string[]
  reads: string
  does: string
}

type KeyName = keyof typeof KEYS
/** Names of the keys that a page can listen for. */
export type PageKey = { [name in KeyName]: (typeof KEYS)[name] extends { keys: unknown } ? name : never }[KeyName]
