/** Pages for who is not signed in yet. */
export { EntryNote } from './EntryNote'
export { Join } from './Join'
export { Forgotten, NewPassword } from './Passwords'
export { PinEntry } from './PinEntry'
export { SetUp } from './SetUp'
export { SignIn } from './SignIn'
