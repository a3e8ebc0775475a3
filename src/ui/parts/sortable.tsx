'use client'
import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  MeasuringStrategy,
  MouseSensor,
  TouchSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
  type UniqueIdentifier,
} from '@dnd-kit/core'
import {
  rectSortingStrategy,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import IconButton from '@mui/material/IconButton'
import { useId, type CSSProperties, type ReactNode } from 'react'
import { Drag } from './icons'

const STRATEGIES = {
  column: verticalListSortingStrategy,
  wrapped: rectSortingStrategy,
} as const

/** How far a press may stray before it drags, px. Our choice. */
const DRAG_FROM_PX = 6
/** How long a finger rests before it drags and does not scroll, ms. Our choice. */
const FINGER_RESTS_MS = 180

/** Space takes hold; Enter stays a press on what is held. */
const KEYS = { start: ['Space'], cancel: ['Escape'], end: ['Space', 'Enter'] }

/** Where the items are is known before one is taken: an arrow pressed right after Space is not lost. */
const MEASURING = { droppable: { strategy: MeasuringStrategy.Always } }

interface Props {
  ids: readonly string[]
  nameOf: (id: string) => string
  layout?: keyof typeof STRATEGIES
  /** A hand put the first where the second is. */
  onMove: (id: string, to: string) => void
  children: ReactNode
}

/** A list whose items can be put elsewhere by mouse, finger or keys; what happens is also said. */
export function SortableList({ ids, nameOf, layout = 'column', onMove, children }: Props) {
  const id = useId()
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: DRAG_FROM_PX } }),
    useSensor(TouchSensor, { activationConstraint: { delay: FINGER_RESTS_MS, tolerance: DRAG_FROM_PX } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates, keyboardCodes: KEYS }),
  )
  function dropped({ active, over }: DragEndEvent) {
    if (over && over.id !== active.id) onMove(String(active.id), String(over.id))
  }
  return (
    <DndContext
      id={id}
      sensors={sensors}
      collisionDetection={closestCenter}
      measuring={MEASURING}
      onDragEnd={dropped}
      accessibility={{
        announcements: announcementsFor(ids, nameOf),
        screenReaderInstructions: {
          draggable: 'Space takes it, the arrows move it, Space puts it down, Escape leaves it.',
        },
      }}
    >
      <SortableContext items={[...ids]} strategy={STRATEGIES[layout]}>
        {children}
      </SortableContext>
    </DndContext>
  )
}

function announcementsFor(ids: readonly string[], nameOf: Props['nameOf']): Announcements {
  const name = (id: UniqueIdentifier) => nameOf(String(id))
  const place = (id: UniqueIdentifier) => `${ids.indexOf(String(id)) + 1} of ${ids.length}`
  return {
    onDragStart: ({ active }) => `${name(active.id)} taken, ${place(active.id)}.`,
    // Over its own place as it is taken, which was just said.
    onDragOver: ({ active, over }) =>
      over && over.id !== active.id ? `${name(active.id)} at ${place(over.id)}.` : undefined,
    onDragEnd: ({ active, over }) =>
      over ? `${name(active.id)} put at ${place(over.id)}.` : `${name(active.id)} left where it was.`,
    onDragCancel: ({ active }) => `${name(active.id)} left where it was.`,
  }
}

/** One item of a {@link SortableList}: where it is drawn, and what takes hold of it. */
export function useSortableItem(id: string, disabled = false) {
  const { setNodeRef, setActivatorNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({
    id,
    disabled,
  })
  const style: CSSProperties = {
    transform: CSS.Translate.toString(transform),
    transition,
    ...(isDragging && { position: 'relative', zIndex: 2, opacity: 0.85 }),
  }
  return {
    ref: setNodeRef,
    style,
    /** For the element that takes hold: a handle, or the whole item. */
    grip: { ref: setActivatorNodeRef, ...attributes, ...listeners },
    isDragging,
  }
}

/** Something to take hold of. */
export function Grip({ grip, name }: { grip: ReturnType<typeof useSortableItem>['grip']; name: string }) {
  return (
    <IconButton
      {...grip}
      className="screen-only"
      size="small"
      aria-label={`Move ${name}`}
      sx={{ width: 28, height: 44, borderRadius: 1, cursor: 'grab', touchAction: 'none', color: 'text.secondary' }}
    >
      <Drag fontSize="small" />
    </IconButton>
  )
}
