/** Sign-in, and who may do what. */
export { countTry, forgetTries } from './attempts'
export { auth } from './auth'
export { refuseEasyPassword } from './easyPassword'
export { may, requirePermission, type Permission } from './permissions'
export { forget } from './remembered'
export { OPEN_ROUTES, routeOf, ROUTES, type Route, type RouteRule } from './routes'
export { TABLET_COOKIE, tabletOf, type Tablet } from './tablet'
export { demoIsOpen, staffFrom, type StaffMember } from './staff'
