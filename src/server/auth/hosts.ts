/** Names that a browser on this machine calls it by. */
const THIS_MACHINE = ['127.0.0.1', 'localhost', '[::1]']

/** This machine's own addresses, as a server sees who asks. */
const OWN_ADDRESSES = ['127.0.0.1', '::1', '::ffff:127.0.0.1']

const nameOf = (host: string): string => host.replace(/:\d+$/, '')

/** Hosts, with their ports, that a salon's tablets or its own proxy use. */
const namedHosts = (): string[] =>
  [process.env['BETTER_AUTH_URL'], ...(process.env['FALTO_LAN_ORIGINS']?.split(/\s+/) ?? [])]
    .filter((origin): origin is string => Boolean(origin))
    .map((origin) => new URL(origin).host)

/**
 * Whether a request is meant for this installation. A page of somebody else's may point a name of its own at this
 * machine, and would then be answered as if it were ours.
 */
export const isKnownHost = (host: string | null): boolean =>
  host !== null && (THIS_MACHINE.includes(nameOf(host)) || namedHosts().includes(host))

/**
 * Whether a request was made on this machine, and not passed on to it by a proxy. The server notes who asked in
 * `x-forwarded-for`; a proxy, the one of `--lan` too, adds whom it asks for, so that more than one address stands
 * there, or another one.
 */
export function isOnThisMachine(headers: Headers): boolean {
  const asked = headers.get('x-forwarded-for') ?? OWN_ADDRESSES[0]!
  return THIS_MACHINE.includes(nameOf(headers.get('host') ?? '')) && OWN_ADDRESSES.includes(asked)
}
