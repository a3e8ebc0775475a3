export { NotForYou } from './NotForYou'
export { Shell } from './Shell'
