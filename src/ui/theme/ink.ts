/** The theme's colours for drawings: CSS variables, so that they follow a change between light and dark. */
export const INK = {
  strong: 'var(--mui-palette-text-primary)',
  faint: 'var(--mui-palette-text-secondary)',
  paper: 'var(--mui-palette-background-paper)',
  selected: 'var(--mui-palette-action-selected)',
} as const

/** A hairline between parts of the interface. */
export const LINE = '1px solid var(--mui-palette-divider)'
