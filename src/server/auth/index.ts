/** Sign-in, and who may do what. */
export { auth } from './auth'
export { demoIsOpen, may, requirePermission, staffFrom, type Permission, type StaffMember } from './staff'
export { forgetSalon } from './remembered'
