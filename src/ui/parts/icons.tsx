import { createSvgIcon } from '@mui/material/utils'
import {
  mdiAccountMultipleOutline,
  mdiAccountPlusOutline,
  mdiArchiveOutline,
  mdiCalendarToday,
  mdiCheckCircle,
  mdiChevronDown,
  mdiClockOutline,
  mdiClose,
  mdiDotsHorizontal,
  mdiDragHorizontalVariant,
  mdiEye,
  mdiEyeOff,
  mdiFlaskOutline,
  mdiGrid,
  mdiHistory,
  mdiLockOutline,
  mdiMagnifyMinusOutline,
  mdiMagnifyPlusOutline,
  mdiMenuDown,
  mdiMinus,
  mdiPlus,
  mdiRadioboxBlank,
} from '@mdi/js'

/** An outline of a 24 × 24 field as an icon of the interface. */
const icon = (outline: string, name: string) => createSvgIcon(<path d={outline} />, name)

/** Every icon there is; words stand beside them, or name the button they are on. */
export const Add = icon(mdiPlus, 'Add')
export const AddPerson = icon(mdiAccountPlusOutline, 'AddPerson')
export const Calendar = icon(mdiCalendarToday, 'Calendar')
export const Clock = icon(mdiClockOutline, 'Clock')
export const Close = icon(mdiClose, 'Close')
export const Done = icon(mdiCheckCircle, 'Done')
export const Down = icon(mdiMenuDown, 'Down')
export const Drag = icon(mdiDragHorizontalVariant, 'Drag')
export const Flask = icon(mdiFlaskOutline, 'Flask')
export const Grid = icon(mdiGrid, 'Grid')
export const Hide = icon(mdiEyeOff, 'Hide')
export const History = icon(mdiHistory, 'History')
export const Lock = icon(mdiLockOutline, 'Lock')
export const More = icon(mdiDotsHorizontal, 'More')
export const NotDone = icon(mdiRadioboxBlank, 'NotDone')
export const People = icon(mdiAccountMultipleOutline, 'People')
export const Remove = icon(mdiMinus, 'Remove')
export const Shelf = icon(mdiArchiveOutline, 'Shelf')
export const Show = icon(mdiEye, 'Show')
export const Unfold = icon(mdiChevronDown, 'Unfold')
export const ZoomIn = icon(mdiMagnifyPlusOutline, 'ZoomIn')
export const ZoomOut = icon(mdiMagnifyMinusOutline, 'ZoomOut')
