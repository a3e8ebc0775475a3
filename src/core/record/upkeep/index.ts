/** What follows from a visit: when the client is due again, what is written to her, and what she does at home. */
export type { RootDesign } from './constants'
export {
  MESSAGE_KINDS,
  MESSAGE_LETTERS,
  messageFrom,
  STARTING_TEMPLATES,
  unknownWords,
  type MessageKind,
} from './messages'
export { upkeepOf, type Days, type Upkeep } from './upkeep'
