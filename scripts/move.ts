import { existsSync } from 'node:fs'
import { eq } from 'drizzle-orm'
import { database, salon } from '@/db'
import { AppError } from '@/server/errors'
import { packInto, unpackSalon } from '@/server/moving'
import { askPassword } from './askPassword'
import { runScript, say } from './runScript'

/** `pack FILE [SALON]`: one salon as one file. `unpack FILE`: takes a salon in from such a file. */
async function main([what, file = '', name]: string[]): Promise<void> {
  if (what === 'pack') {
    if (existsSync(file)) throw new AppError(409, 'taken', `${file} is there already. Nothing was written.`)
    const { id, name: called } = await chosen(name)
    await packInto(file, id)
    return say(
      `packed the salon “${called}” into ${file}. ./falto unpack takes it in elsewhere; keep the file to yourself.`,
    )
  }
  const { name: called, rows, owner } = await unpackSalon(file, await askPassword())
  const count = Object.values(rows).reduce((sum, one) => sum + one, 0)
  say(
    `took the salon “${called}” in: ${count} rows of ${Object.keys(rows).length} tables, read back and as they were. ${owner.name} signs in with ${owner.email} and the password just given; everybody else chooses one by “Password forgotten”.`,
  )
}

/** @throws AppError where it is not clear which salon is meant */
async function chosen(name: string | undefined): Promise<{ id: string; name: string }> {
  const found = await database()
    .select({ id: salon.id, name: salon.name })
    .from(salon)
    .where(name === undefined ? undefined : eq(salon.name, name))
    .limit(20)
  const [only] = found
  if (only && found.length === 1) return only
  const words =
    found.length === 0
      ? 'There is no such salon here.'
      : `Say which one: ${found.map((one) => `“${one.name}”`).join(', ')}.`
  throw new AppError(422, 'invalid', words)
}

await runScript('falto', main)
