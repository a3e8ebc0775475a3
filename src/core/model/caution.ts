/**
 * Something a person has to look at. `caution`: to be acknowledged by name before work begins; `note`: worth knowing.
 */
export interface Caution {
  id: string
  severity: 'caution' | 'note'
  /** What it is about, plainly. */
  text: string
  /** What to do about it. */
  remedy: string
  zoneIds: string[]
}
