export const NOTICE_CLASS = 'falto-notices'

/** The page's own type, and clear of the rail that a phone has below. */
export const NOTICE_SX = {
  [`.${NOTICE_CLASS}`]: { fontFamily: 'inherit' },
  [`.${NOTICE_CLASS} .notistack-MuiContent`]: { fontFamily: 'inherit', fontSize: '0.95rem' },
  '@media (max-width: 599px)': { [`.${NOTICE_CLASS}`]: { bottom: '64px !important' } },
} as const
