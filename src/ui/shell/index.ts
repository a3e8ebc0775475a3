export { Shell } from './Shell'
export { SignIn } from './SignIn'
