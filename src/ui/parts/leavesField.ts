import type { FocusEvent } from 'react'

/** A field of several parts (day, month, year) is left when none of them has the focus any more. */
export const leavesField = ({ currentTarget, relatedTarget }: FocusEvent<HTMLElement>): boolean =>
  !currentTarget.contains(relatedTarget)

/** Begins what is said of an entry that is not whole. */
export const HALF_TYPED = 'Enter a whole'
