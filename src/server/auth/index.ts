/** Sign-in, and who may do what. */
export { auth } from './auth'
export { may, require, staffFrom, type Permission, type StaffMember } from './staff'
