/** Who works in a salon: who is asked to join, and as what. */
export { atHandOn, changeMember, changeSalon, teamOf } from './members'
export { closeInvitation, invitationOf, invite, join } from './invitations'
export { endOtherSessions, endSession, ownAccount, sessionsOf } from './sessions'
export { firstStepsOf } from './steps'
