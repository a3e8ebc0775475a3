/** Tablets that several people share: each takes one over by her PIN, and it locks itself. */
export { hasPin, removePin, setPin } from './pins'
export { shareTablet, sharedTablets, stopSharing } from './sharing'
export { peopleOf, takeOver } from './takeOver'
