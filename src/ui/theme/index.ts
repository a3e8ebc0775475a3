export { AppTheme } from './AppTheme'
