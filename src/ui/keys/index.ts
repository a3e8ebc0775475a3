/** Shortcuts: one list, which pages listen by and which the list of keys shows. */
export { KEYS } from './keys'
export { useKeys } from './useKeys'
export { useUndoKeys } from './useUndoKeys'
