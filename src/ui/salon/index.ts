/** What its owner looks after, and what concerns only oneself. */
export { AccountPage } from './AccountPage'
export { AuditPage } from './AuditPage'
export { SalonPage } from './SalonPage'
