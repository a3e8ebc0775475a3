import { readFileSync, writeFileSync } from 'node:fs'
import { isMainThread } from 'node:worker_threads'

/**
 * Comes before a server that is measured (`node --import`): how long the thread that takes requests was busy in one go,
 * by the kernel's count of that thread's own time, so that what others took of the processor does not count. On SIGUSR2
 * the longest since the last time is written, ms, into the file that FALTO_BLOCKED names.
 */
const file = process.env['FALTO_BLOCKED']
/** A look at the loop every so many ms. */
const EVERY_MS = 5

const spentMs = () => Number(readFileSync(`/proc/self/task/${process.pid}/schedstat`, 'utf8').split(' ')[0]) / 1e6

if (file && isMainThread) {
  let [last, longest] = [spentMs(), 0]
  setInterval(() => {
    const now = spentMs()
    longest = Math.max(longest, now - last)
    last = now
  }, EVERY_MS).unref()
  process.on('SIGUSR2', () => {
    writeFileSync(file, longest.toFixed(0))
    longest = 0
  })
}
