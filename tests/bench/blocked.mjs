import { subscribe } from 'node:diagnostics_channel'
import { readFileSync, writeFileSync } from 'node:fs'
import { isMainThread } from 'node:worker_threads'

/**
 * Comes before a server that is measured (`node --import`): how long the thread that takes requests was busy in one go,
 * by the kernel's count of that thread's own time, so that what others took of the processor does not count. On SIGUSR2
 * the longest since the last time is written into the file that FALTO_BLOCKED names: ms, and what was being answered.
 */
const file = process.env['FALTO_BLOCKED']
/** A look at the loop every so many ms. */
const EVERY_MS = 5
/** Of so many requests it is said what they were. */
const NAMED = 8

const spentMs = () => Number(readFileSync(`/proc/self/task/${process.pid}/schedstat`, 'utf8').split(' ')[0]) / 1e6
const nameOf = ({ method, url }) => `${method} ${url.split('?')[0].replace(/[0-9a-f-]{36}/g, '…')}`

if (file && isMainThread) {
  const answering = new Set()
  subscribe('http.server.request.start', ({ request, response }) => {
    answering.add(request)
    response.once('close', () => answering.delete(request))
  })
  let [last, longest, meanwhile] = [spentMs(), 0, '']
  setInterval(() => {
    const now = spentMs()
    if (now - last > longest) {
      longest = now - last
      meanwhile = [...new Set(Array.from(answering, nameOf))].slice(0, NAMED).join(', ')
    }
    last = now
  }, EVERY_MS).unref()
  process.on('SIGUSR2', () => {
    writeFileSync(file, `${longest.toFixed(0)} ms (${meanwhile || 'nothing was being answered any more'})`)
    longest = 0
  })
}
