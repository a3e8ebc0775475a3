/** Sign-in, and who may do what. */
export { auth } from './auth'
export { isKnownHost } from './hosts'
export { demoIsOpen, may, require, staffFrom, type Permission, type StaffMember } from './staff'
export { forgetSalon } from './remembered'
