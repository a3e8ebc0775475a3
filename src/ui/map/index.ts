export { Workspace } from './Workspace'
