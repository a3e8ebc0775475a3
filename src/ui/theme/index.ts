export { AppTheme } from './AppTheme'
export { INK, LINE } from './ink'
