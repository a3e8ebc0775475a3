import { database, salon } from '@/db'
import { AppError } from '@/server/errors'
import { bringBack, checkStored, countPictures, letGo, moveOut, type Found } from '@/server/pictures'
import { runScript, say } from './runScript'

/** `./falto pictures [move | back | check]`: where the bytes of pictures lie, and from one place to the other. */
const ACTS: Record<string, () => Promise<string>> = {
  move: async () => `${await moveOut()} went into the store, ${await letGo()} that were erased left it.`,
  back: async () => `${await everySalon(bringBack)} came back into the database.`,
  check: async () => `${await everySalon(checkStored)} are in the store as they were.`,
}

/** @returns how many were as they should be @throws AppError naming those that were not */
async function everySalon(act: (salonId: string) => Promise<Found>): Promise<number> {
  const salons = await database().select({ id: salon.id }).from(salon)
  let good = 0
  const lost: string[] = []
  for (const { id } of salons) {
    const found = await act(id)
    good += found.good
    lost.push(...found.lost)
  }
  if (lost.length === 0) return good
  const words = `${good} were as they should be; ${lost.length} are not in the store as they were:`
  throw new AppError(503, 'pictures-lost', [words, ...lost].join('\n'))
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
