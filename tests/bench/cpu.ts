import { readFileSync } from 'node:fs'
import { database } from '@/db'
import { agent, KINDS } from './kinds'
import { row } from './row'

/** What a request costs the server's processor, all of its threads. FALTO_BENCH_SERVER is the server's process. */
const server = Number(process.env['FALTO_BENCH_SERVER'])
const COUNT = 60
const ROUNDS = 5
/** A tick of the kernel's clock, ms (`getconf CLK_TCK` is 100 on Linux). */
const TICK_MS = 10

/** Processor time that the server has used so far, its own threads included, ms. */
function used(): number {
  const fields = readFileSync(`/proc/${server}/stat`, 'utf8').split(') ')[1]!.split(' ')
  return (Number(fields[11]) + Number(fields[12])) * TICK_MS
}

for (const [name, ask] of Object.entries(KINDS)) {
  const round = async (user: number) => {
    for (let i = 0; i < COUNT; i++) if ((await ask(user)) !== 200) throw new Error(`${name} failed`)
  }
  await round(0)
  const costs: number[] = []
  for (let i = 1; i <= ROUNDS; i++) {
    const before = used()
    await round(i)
    costs.push((used() - before) / COUNT)
  }
  row('cpu', `${name}: processor time of a request, rounds of sixty`, costs)
}
agent.destroy()
await database().$client.end()
