export { AppTheme, useNonce } from './AppTheme'
export { INK, LINE } from './ink'
