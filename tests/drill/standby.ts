import { rmSync } from 'node:fs'
import { setTimeout as rest } from 'node:timers/promises'
import { chance } from '@/core/numeric'
import { deviceOf, BASE_URL } from '../support/server'
import { createDatabase, createServer, shell } from './processes'
import { createRelay } from './relay'
import { lost } from './told'
import { createWriters } from './writers'

/**
 * The first database killed (SIGKILL) and its synchronous standby promoted, while six people write; what was the first
 * is made anew as the standby of what is now the first, and so on. The server knows one address, behind which a relay
 * of ours leads to whichever is the first, as a load balancer before two databases does.
 *
 * FALTO_DRILL_DIR holds the two clusters (`first/data` is there already, on PG_PORT), DATABASE_URL is the relay's.
 */
const ROUNDS = Number(process.argv[2] ?? 10)
const DIR = process.env['FALTO_DRILL_DIR']!
const RELAY_PORT = Number(new URL(process.env['DATABASE_URL']!).port)
const { even } = chance(31)
const SIDES = {
  first: { folder: `${DIR}/first/data`, port: process.env['PG_PORT']! },
  second: { folder: `${DIR}/second/data`, port: process.env['FALTO_DRILL_STANDBY_PORT']! },
}
const database = ({ folder, port }: (typeof SIDES)['first']) => createDatabase(folder, port)

let [primary, standby] = [SIDES.first, SIDES.second]

const relay = createRelay(() => Number(primary.port))

/** Makes the standby anew from what is the first, and waits until commits are held up by it and by nothing else. */
async function makeStandby(): Promise<void> {
  // Names of PostgreSQL's own: a commit waits until one standby, whichever, has it on its disk.
  await asked("alter system set synchronous_standby_names = '*'")
  await asked('select pg_reload_conf()')
  rmSync(standby.folder, { recursive: true, force: true })
  await shell(
    'PGPASSWORD=$FALTO_DB_PASSWORD as_pg "$PG_BIN/pg_basebackup" -d "host=127.0.0.1 port=$1 user=postgres password=$FALTO_DB_PASSWORD" -D "$2" -R -X stream -c fast',
    primary.port,
    standby.folder,
  )
  await shell(
    'touch "$1.log"; if is_root; then chown postgres "$1.log"; fi; as_pg "$PG_BIN/pg_ctl" -D "$1" -l "$1.log" -w -t 60 -o "-p $2 -c listen_addresses=127.0.0.1 -c unix_socket_directories=\'\'" start >/dev/null',
    standby.folder,
    standby.port,
  )
  while ((await asked('select sync_state from pg_stat_replication')) !== 'sync') await rest(50)
}

/** What the first database answers. */
async function asked(statement: string): Promise<string> {
  const line = 'PGPASSWORD=$FALTO_DB_PASSWORD "$PG_BIN/psql" -h 127.0.0.1 -p "$1" -U postgres -Atqc "$2"'
  return (await shell(line, primary.port, statement)).trim()
}

/** What was the standby becomes the first, and whoever was connected has to connect anew. */
async function promote(): Promise<void> {
  await shell('as_pg "$PG_BIN/pg_ctl" -D "$1" -w promote >/dev/null', standby.folder)
  ;[primary, standby] = [standby, primary]
  relay.cut()
  relay.mend()
}

await relay.listen(RELAY_PORT)
await makeStandby()
const server = createServer(BASE_URL)
await server.start()
const writers = await createWriters(await deviceOf('oriel'))
writers.start()
await writers.goingOn()

const out: number[] = []
for (let round = 0; round < ROUNDS; round++) {
  await rest(500 + even() * 2000)
  const since = performance.now()
  database(primary).kill()
  while (database(primary).isRunning()) await rest(20)
  await promote()
  await makeStandby()
  await writers.goingOn()
  out.push(Math.round(performance.now() - since))
}
await writers.stop()
const amiss = await writers.amiss()

console.log(`${ROUNDS} times the standby was promoted; at work again after ${out.sort((a, b) => a - b).join(', ')} ms.`)
console.log(`${writers.acknowledged()} writes acknowledged, ${lost.unanswered} not answered at first.`)
console.log(amiss.length === 0 ? 'None is lost, none is doubled.' : amiss.join('\n'))
await server.kill()
process.exit(amiss.length === 0 ? 0 : 1)
