/**
 * Whose work this page keeps on the device. Several people may use one tablet in turn: what one of them has not sent
 * yet waits for her and goes out under nobody else's name.
 */
let who = ''

/** Says who is signed in, before anything on the page takes up what it kept. */
export const worksFor = (staffId: string): void => {
  who = staffId
}

/** Under which name something of hers is kept. */
export const ownKey = (name: string): string => `${name}@${who}`

/** Whether a key is somebody else's of the same name. */
export const isAnothers = (key: unknown, name: string): key is string =>
  typeof key === 'string' && key.startsWith(`${name}@`) && key !== ownKey(name)
