import { spawn, type ChildProcess } from 'node:child_process'
import { once } from 'node:events'
import { chmodSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { freePort } from './ports'

export interface Installation {
  /** Its data folder. */
  home: string
  /** What it has said so far. */
  said: () => string
  /** Waits until it says so. @throws Error with its words when it ends before */
  says: (words: RegExp) => Promise<RegExpExecArray>
  /** Texts of the mail it has laid down, the oldest first. */
  mail: () => string[]
  stop: () => Promise<void>
}

/** A Falto of its own on an empty data folder, started as somebody does who has just fetched it. */
export async function startInstallation(...words: string[]): Promise<Installation> {
  const home = mkdtempSync(join('/tmp', 'falto-installation-'))
  // The database's own user has to get into it.
  chmodSync(home, 0o755)
  const env = {
    ...process.env,
    FALTO_DATA: join(home, 'data'),
    FALTO_PORT: String(await freePort()),
    FALTO_DB_PORT: String(await freePort()),
  }
  // What the test's own server is told is not for this one.
  for (const name of ['DATABASE_URL', 'BETTER_AUTH_URL', 'BETTER_AUTH_SECRET', 'FALTO_DEMO_PASSWORD', 'FALTO_MAIL_DIR'])
    Reflect.deleteProperty(env, name)
  const falto: ChildProcess = spawn('./falto', ['start', ...words], { env, stdio: ['ignore', 'pipe', 'pipe'] })
  let said = ''
  const ended = once(falto, 'exit')
  for (const stream of [falto.stdout!, falto.stderr!]) stream.on('data', (part) => (said += String(part)))
  const mailFolder = join(home, 'data', 'mail')
  return {
    home,
    said: () => said,
    says: (words) =>
      new Promise((resolve, reject) => {
        const look = () => {
          const found = words.exec(said)
          if (found) resolve(found)
        }
        for (const stream of [falto.stdout!, falto.stderr!]) stream.on('data', look)
        void ended.then(() => reject(new Error(`It ended: ${said}`)))
        look()
      }),
    mail: () =>
      readdirSync(mailFolder)
        .sort()
        .map((file) => readFileSync(join(mailFolder, file), 'utf8')),
    async stop() {
      if (falto.exitCode === null) falto.kill('SIGTERM')
      await ended
      rmSync(home, { recursive: true, force: true })
    },
  }
}
