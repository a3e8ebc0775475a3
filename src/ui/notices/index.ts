/** Short notices at the foot of the page. */
export { Notices } from './Notices'
export { useNotice } from './useNotice'
