/** Letters to people who sign in. */
import { mkdir, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { createTransport } from 'nodemailer'
import { v7 as newId } from 'uuid'
import { setting } from '../settings'

export interface Letter {
  to: string
  subject: string
  /** Paragraphs. */
  text: string[]
}

/**
 * Hands a letter over to FALTO_SMTP_URL; where none is set it is laid into FALTO_MAIL_DIR as a file (RFC 5322), which
 * only the server's own user may read: it may hold a link that lets somebody in.
 */
export async function sendMail({ to, subject, text }: Letter): Promise<void> {
  const letter = { from: setting('FALTO_MAIL_FROM'), to, subject, text: `${text.join('\n\n')}\n` }
  const server = setting('FALTO_SMTP_URL')
  if (server) {
    await createTransport(server).sendMail(letter)
    return
  }
  const { message } = await createTransport({ streamTransport: true, buffer: true }).sendMail(letter)
  const folder = setting('FALTO_MAIL_DIR')!
  await mkdir(folder, { recursive: true, mode: 0o700 })
  await writeFile(join(folder, `${newId()}.eml`), message as Buffer, { mode: 0o600 })
}
