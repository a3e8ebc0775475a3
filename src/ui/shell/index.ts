export { Guarded } from './Guarded'
export { NotForYou } from './NotForYou'
export { Shell } from './Shell'
