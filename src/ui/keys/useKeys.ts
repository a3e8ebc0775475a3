import { useHotkeys, type HotkeyCallback } from 'react-hotkeys-hook'
import { KEYS, type PageKey } from './keys'

/** Where keys mean something of their own: whatever is typed into, chosen from or lies over the page. */
const OWN_KEYS =
  'input, textarea, [contenteditable], [role="dialog"], [role="menu"], [role="listbox"], [role="combobox"]'

const belongsElsewhere = ({ target }: KeyboardEvent): boolean =>
  (target instanceof Element && target.closest(OWN_KEYS) !== null) ||
  document.querySelector('[role="listbox"], [role="menu"]') !== null

/** Listens for some of the keys of the list while a page is open; those without work are left alone. */
export function useKeys(work: Partial<Record<PageKey, HotkeyCallback | undefined>>): void {
  const wanted = (Object.keys(work) as PageKey[]).filter((name) => work[name])
  const named = new Map(wanted.flatMap((name) => keysOf(name).map((keys) => [keys.toLowerCase(), name] as const)))
  useHotkeys(
    [...named.keys()],
    (event, hotkey) => work[named.get(hotkey.hotkey)!]?.(event, hotkey),
    { preventDefault: true, useKey: true, splitKey: '~', ignoreEventWhen: belongsElsewhere },
    [work],
  )
}

const keysOf = (name: PageKey): string[] => [KEYS[name].keys].flat() as string[]
