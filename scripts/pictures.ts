import { database, salon } from '@/db'
import { AppError } from '@/server/errors'
import { bringBack, checkStored, countPictures, letGo, moveOut } from '@/server/pictures'
import { runScript, say } from './runScript'

/** `./falto pictures [move | back | check]`: where the bytes of pictures lie, and from one place to the other. */
const ACTS: Record<string, () => Promise<string>> = {
  move: async () => `${await moveOut()} went into the store, ${await letGo()} that were erased left it.`,
  back: async () => `${await bringBack()} came back into the database.`,
  check: async () => {
    const lost: string[] = []
    let good = 0
    for (const { id } of await database().select({ id: salon.id }).from(salon)) {
      const found = await checkStored(id)
      good += found.good
      lost.push(...found.lost)
    }
    if (lost.length > 0)
      throw new AppError(503, 'pictures-lost', `${lost.length} are not in the store as they were:\n${lost.join('\n')}`)
    return `${good} are in the store as they were.`
  },
}

async function main([what]: string[]): Promise<void> {
  const act = what === undefined ? undefined : ACTS[what]
  if (what !== undefined && !act)
    throw new AppError(422, 'invalid', `there is no "${what}"; say one of ${Object.keys(ACTS).join(', ')}, or nothing.`)
  if (act) say(await act())
  const { here, away, leaving } = await countPictures()
  say(`files of pictures: ${here} in the database, ${away} in the store, ${leaving} still to leave it.`)
}

await runScript('falto', main)
