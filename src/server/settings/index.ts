/** What an installation is told by its environment: one table, from which docs/operation.md is checked. */

interface Setting {
  /** What it is for, as docs/operation.md says it. */
  says: string
  /** Taken where nothing is set; without it, it may stay unset. */
  otherwise?: string
  needed?: true
  /** What is wrong with a value, in words that follow its name. */
  wrong?: (value: string) => string | undefined
}

const startsWith =
  (...schemes: string[]) =>
  (value: string): string | undefined =>
    schemes.some((scheme) => value.startsWith(`${scheme}://`)) && URL.canParse(value)
      ? undefined
      : `is no address that begins with ${schemes.map((scheme) => `${scheme}://`).join(' or ')}`

const oneOf =
  (...words: string[]) =>
  (value: string): string | undefined =>
    words.includes(value) ? undefined : `is none of ${words.join(', ')}`

const counted =
  (least: number, most: number) =>
  (value: string): string | undefined =>
    /^\d+$/.test(value) && Number(value) >= least && Number(value) <= most
      ? undefined
      : `is no whole number from ${least} to ${most}`

const isBucket = ({ username, password, pathname }: URL): boolean =>
  Boolean(username && password && pathname.length > 1)

/** Shortest secret that sessions are signed with, characters. Common practice: 128 bits and more. */
const SHORTEST_SECRET = 32

export const SETTINGS = {
  DATABASE_URL: {
    says: 'PostgreSQL, directly or through a pooler in transaction mode',
    needed: true,
    wrong: startsWith('postgres', 'postgresql'),
  },
  DATABASE_LISTEN_URL: {
    says: 'PostgreSQL without a pooler, for the one connection a process listens on; unset: DATABASE_URL',
    wrong: startsWith('postgres', 'postgresql'),
  },
  DATABASE_CONNECTIONS: { says: 'most connections of a process', otherwise: '20', wrong: counted(2, 200) },
  BETTER_AUTH_URL: {
    says: 'the address people open Falto at',
    otherwise: 'http://127.0.0.1:4310',
    wrong: startsWith('http', 'https'),
  },
  BETTER_AUTH_SECRET: {
    says: 'signs sessions; the same for all processes, and kept with the backups',
    needed: true,
    wrong: (value) => (value.length < SHORTEST_SECRET ? `has fewer than ${SHORTEST_SECRET} characters` : undefined),
  },
  FALTO_LAN_ORIGINS: { says: 'further addresses it is opened at, with spaces between' },
  FALTO_SETUP_KEY: { says: 'while set and no salon is kept, whoever has it may set the first one up at /set-up?key=…' },
  FALTO_DEMO_PASSWORD: { says: 'set by ./falto start where the invented salon is shown, and nowhere else' },
  FALTO_SMTP_URL: {
    says: 'where mail is handed over; unset: it is laid into FALTO_MAIL_DIR',
    wrong: startsWith('smtp', 'smtps'),
  },
  FALTO_MAIL_DIR: { says: 'folder for mail that is not sent', otherwise: 'mail' },
  FALTO_MAIL_FROM: { says: 'who mail comes from', otherwise: 'Falto <falto@localhost>' },
  FALTO_PICTURES_URL: {
    says: 'a bucket for pictures (S3), http(s)://KEY:SECRET@host/bucket?region=…; unset: they stay in the database',
    wrong: (value) =>
      startsWith('http', 'https')(value) ?? (isBucket(new URL(value)) ? undefined : 'names no key, secret and bucket'),
  },
  FALTO_METRICS_TOKEN: { says: 'whoever bears it may read /metrics; unset: only this machine may' },
  FALTO_LOG: {
    says: 'least that is logged',
    otherwise: 'warn',
    wrong: oneOf('trace', 'debug', 'info', 'warn', 'error', 'fatal', 'silent'),
  },
} as const satisfies Record<string, Setting>

type Name = keyof typeof SETTINGS

/** A setting as it stands now, with its stand-in. */
export function setting(name: Name): string | undefined {
  const { otherwise } = SETTINGS[name] as Setting
  return process.env[name] || otherwise
}

/** What is wrong with the environment, a sentence each; empty where Falto can start. */
export const settingProblems = (): string[] =>
  Object.entries<Setting>(SETTINGS).flatMap(([name, { needed, wrong, says }]) => {
    const value = process.env[name]
    if (!value) return needed ? [`${name} is not set: ${says}.`] : []
    const why = wrong?.(value)
    return why === undefined ? [] : [`${name} ${why}.`]
  })
