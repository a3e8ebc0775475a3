import { writeFileSync } from 'node:fs'
import { statfs, writeFile, rm } from 'node:fs/promises'
import { setTimeout as rest } from 'node:timers/promises'
import { chance } from '@/core/numeric'
import { BASE_URL } from '../support/server'
import { createDatabase, createServer } from './processes'
import { createRelay } from './relay'
import { lastingDevice, lost } from './told'
import { createWriters } from './writers'

/**
 * Rounds of faults while six people write: the server killed, PostgreSQL killed, both, the disk full, the server’s
 * clock wrong by days, the network cut between chair and server. After every round all of them must be at work again by
 * themselves, and at the end everything that was acknowledged must be there exactly once.
 *
 * FALTO_DRILL_DIR holds the cluster in `faults/data`; FALTO_DRILL_SERVER is where the server listens, FALTO_TEST_URL
 * where the writers believe it is: a relay of ours lies between, which can be cut.
 */
const ROUNDS = Number(process.argv[2] ?? 100)
const DIR = process.env['FALTO_DRILL_DIR']!
const SERVER_URL = process.env['FALTO_DRILL_SERVER']!
const DISK = `${DIR}/faults`
const BALLAST = `${DISK}/ballast`
const CLOCK = `${DIR}/clock`
/** Days by which the server's clock is wrong. */
const CLOCK_DAYS = 2

const { even } = chance(29)
const between = (least: number, most: number): Promise<void> => rest(least + even() * (most - least))

const postgres = createDatabase(`${DISK}/data`, process.env['PG_PORT']!)
const server = createServer(SERVER_URL, {
  LD_PRELOAD: process.env['FALTO_DRILL_FAKETIME']!,
  FAKETIME_TIMESTAMP_FILE: CLOCK,
  FAKETIME_CACHE_DURATION: '1',
  FAKETIME_DONT_FAKE_MONOTONIC: '1',
})

/** The network between chair and server. */
const network = createRelay(() => Number(new URL(SERVER_URL).port))

const setClock = (days: number) => writeFileSync(CLOCK, `${days >= 0 ? '+' : ''}${days}d`)

const FAULTS: Record<string, () => Promise<void>> = {
  async 'server killed'() {
    await server.kill()
    await server.start()
  },
  async 'PostgreSQL killed'() {
    postgres.kill()
    await between(0, 500)
    await postgres.start()
  },
  async 'both killed'() {
    postgres.kill()
    await server.kill()
    await postgres.start()
    await server.start()
  },
  async 'disk full'() {
    const { bavail, bsize } = await statfs(DISK)
    await writeFile(BALLAST, Buffer.alloc(bavail * bsize)).catch(() => undefined)
    await between(1000, 3000)
    await rm(BALLAST)
    if (!postgres.isRunning()) await postgres.start()
  },
  async 'clock wrong'() {
    for (const days of [CLOCK_DAYS, -CLOCK_DAYS, 0]) {
      setClock(days)
      // Long enough for sessions to be looked up again while it is wrong.
      await between(4000, 6000)
    }
  },
  async 'network cut'() {
    for (let cuts = 0; cuts < 5; cuts++) {
      network.cut()
      await between(50, 400)
      network.mend()
      await between(50, 200)
    }
  },
}
const names = Object.keys(FAULTS)

setClock(0)
await network.listen(Number(new URL(BASE_URL).port))
await server.start()
const writers = await createWriters(await lastingDevice('oriel'))
writers.start()
await writers.goingOn()

const told = new Map<string, { rounds: number; longestMs: number; unanswered: number }>()
for (let round = 0; round < ROUNDS; round++) {
  const name = names[round % names.length]!
  await between(100, 900)
  const [before, since] = [lost.unanswered, performance.now()]
  await FAULTS[name]!()
  await writers.goingOn()
  const own = told.get(name) ?? { rounds: 0, longestMs: 0, unanswered: 0 }
  told.set(name, {
    rounds: own.rounds + 1,
    longestMs: Math.max(own.longestMs, Math.round(performance.now() - since)),
    unanswered: own.unanswered + lost.unanswered - before,
  })
}
await writers.stop()
const amiss = await writers.amiss()

console.table(Object.fromEntries(told))
console.log(
  `${ROUNDS} rounds, ${writers.acknowledged()} writes acknowledged, ${lost.unanswered} not answered at first, ${lost.sessions} sessions ended.`,
)
console.log(amiss.length === 0 ? 'None is lost, none is doubled.' : amiss.join('\n'))
await server.kill()
process.exit(amiss.length === 0 ? 0 : 1)
