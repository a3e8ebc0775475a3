import type { KeptRunEvent, OpenRun, RunEvent } from '@/core/model'
import type { RunScript } from '@/core/time/run'
import { fakeBrowser } from '../../../tests/support/browser'
import { worksFor } from '../hooks/own'
import { createRunFollower } from './follower'

/** The device's own store, which outlives a page. */
const device = new Map<string, unknown>()
jest.mock('idb-keyval', () => ({
  get: async (key: string) => device.get(key),
  getMany: async (keys: string[]) => keys.map((key) => device.get(key)),
  keys: async () => [...device.keys()],
  update: async (key: string, change: (before: unknown) => unknown) => void device.set(key, change(device.get(key))),
}))

/** The stream of the server, one a page. */
class Stream {
  static readonly CLOSED = 2
  readyState = 1
  static open: Stream[] = []
  onopen?: () => void
  onerror?: () => void
  closed = false
  heard = new Map<string, (event: { data: string }) => void>()
  constructor(readonly url: string) {
    Stream.open.push(this)
  }
  addEventListener(name: string, listener: (event: { data: string }) => void) {
    this.heard.set(name, listener)
  }
  close() {
    this.closed = true
    this.readyState = Stream.CLOSED
  }
}

const open = (events: KeptRunEvent[] = []): OpenRun<RunScript> =>
  ({ id: 'run', events, now: Date.now() + 60_000 }) as unknown as OpenRun<RunScript>

/** Follows, tells, and goes. */
function followed(work: (follower: ReturnType<typeof createRunFollower>) => void): () => void {
  const follower = createRunFollower(open())
  const leave = follower.follow()
  work(follower)
  return leave
}

/** Lets everything that waits for nothing but promises happen. */
const settled = () => jest.advanceTimersByTimeAsync(0)

describe('a run that is followed', () => {
  let log: KeptRunEvent[]
  let browser: ReturnType<typeof fakeBrowser>

  beforeEach(() => {
    jest.useFakeTimers()
    device.clear()
    Stream.open = []
    log = []
    browser = fakeBrowser()
    Object.assign(globalThis, { EventSource: Stream })
    // A server that keeps what it is sent, each event once.
    browser.network.answer = (_url, body) => {
      const { events, after } = body as { events: RunEvent[]; after: number }
      for (const event of events)
        if (!log.some(({ id }) => id === event.id)) log.push({ ...event, runSeq: log.length + 1 } as KeptRunEvent)
      return Response.json({ events: log.filter(({ runSeq }) => runSeq > after), now: Date.now() + 60_000 })
    }
  })
  afterEach(() => jest.useRealTimers())

  it('sends what is told, in order and once, and then keeps nothing back', async () => {
    const follower = createRunFollower(open())
    follower.follow()
    follower.tell({ kind: 'begun', stepId: 'a' })
    follower.tell({ kind: 'done', stepId: 'a' })
    await settled()
    expect(log.map(({ kind, deviceSeq }) => [kind, deviceSeq])).toEqual([
      ['begun', 0],
      ['done', 1],
    ])
    expect(follower.getState()).toMatchObject({ queue: [], refused: undefined })
    expect(follower.getState().events).toHaveLength(2)
    expect(device.get('falto-run/run@')).toMatchObject({ queue: [] })
  })

  it('keeps what cannot be sent, through a page that goes, and sends it when the network is back', async () => {
    browser.network.online = false
    const gone = createRunFollower(open())
    const leave = gone.follow()
    gone.tell({ kind: 'begun', stepId: 'a' })
    await settled()
    expect(gone.getState().queue).toHaveLength(1)
    leave()
    expect(Stream.open[0]!.closed).toBe(true)

    browser.network.online = true
    const next = createRunFollower(open())
    next.follow()
    await settled()
    expect(log.map(({ kind }) => kind)).toEqual(['begun'])
    expect(next.getState().queue).toEqual([])
  })

  it('sends nothing under another name, unless she takes it over', async () => {
    worksFor('anna')
    browser.network.online = false
    const leave = followed((anna) => anna.tell({ kind: 'begun', stepId: 'a' }))
    await settled()
    leave()

    worksFor('bea')
    browser.network.online = true
    const bea = createRunFollower(open())
    bea.follow()
    await settled()
    expect(log).toEqual([])
    expect(bea.getState()).toMatchObject({ queue: [], left: [{ kind: 'begun', stepId: 'a' }] })
    bea.tell({ kind: 'done', stepId: 'a' })
    await settled()
    expect(log.map(({ kind }) => kind)).toEqual(['done'])
    await bea.takeOverLeft()
    expect(log.map(({ kind }) => kind)).toEqual(['done', 'begun'])
    expect(bea.getState()).toMatchObject({ queue: [], left: [] })

    worksFor('anna')
    const back = createRunFollower(open())
    back.follow()
    await settled()
    expect(log).toHaveLength(2)
    expect(back.getState()).toMatchObject({ queue: [], left: [] })
    worksFor('')
  })

  it('tells again what the server has lost since it kept it', async () => {
    const follower = createRunFollower(open())
    follower.follow()
    for (const kind of ['begun', 'done'] as const) follower.tell({ kind, stepId: 'a' })
    await settled()
    const [, lost] = log.splice(0)
    log.push({ ...lost!, id: 'from another device', runSeq: 1 })
    const stream = Stream.open.at(-1)!
    stream.heard.get('behind')!({ data: '0' })
    await settled()
    expect(log.map(({ id, kind, runSeq }) => [id === 'from another device', kind, runSeq])).toEqual([
      [true, 'done', 1],
      [false, 'begun', 2],
      [false, 'done', 3],
    ])
    expect(follower.getState().events.map(({ runSeq }) => runSeq)).toEqual([1, 2, 3])
    expect(follower.getState().queue).toEqual([])
  })

  it('asks from where its own copy of the log ends, when that goes further than what the server gave', async () => {
    const kept = [1, 2, 3].map((runSeq) => ({ id: `e${runSeq}`, kind: 'begun', runSeq }))
    device.set('falto-run/run@', { events: kept, queue: [], offsetMs: 0 })
    const leave = createRunFollower(open()).follow()
    await settled()
    expect(Stream.open.map(({ url, closed }) => [url.split('after=')[1], closed])).toEqual([
      ['0', true],
      ['3', false],
    ])
    leave()
    expect(Stream.open[1]!.closed).toBe(true)
  })

  it('tries again by itself, and at once when the device says that it is online', async () => {
    browser.network.online = false
    const follower = createRunFollower(open())
    follower.follow()
    follower.tell({ kind: 'begun', stepId: 'a' })
    await settled()
    browser.network.online = true
    browser.happens('online')
    await settled()
    expect(log).toHaveLength(1)
    browser.network.online = false
    follower.tell({ kind: 'done', stepId: 'a' })
    await settled()
    browser.network.online = true
    await jest.advanceTimersByTimeAsync(2000)
    expect(log).toHaveLength(2)
  })

  it('says what the server refuses, keeps it, and goes on once it is taken', async () => {
    const taken = browser.network.answer
    browser.network.answer = () => Response.json({ error: 'invalid', message: 'No such step.' }, { status: 422 })
    const follower = createRunFollower(open())
    follower.follow()
    follower.tell({ kind: 'begun', stepId: 'lost' })
    await settled()
    expect(follower.getState()).toMatchObject({ refused: 'No such step.' })
    expect(follower.getState().queue).toHaveLength(1)
    browser.network.answer = taken
    await jest.advanceTimersByTimeAsync(10_000)
    expect(follower.getState()).toMatchObject({ refused: undefined, queue: [] })
  })

  it('takes in what others tell, in order and never twice', () => {
    const follower = createRunFollower(open())
    follower.follow()
    const [stream] = Stream.open
    const heard = (runSeq: number) =>
      stream!.heard.get('message')!({ data: JSON.stringify({ id: `e${runSeq}`, kind: 'begun', runSeq }) })
    for (const seq of [1, 2, 2, 1, 3]) heard(seq)
    expect(follower.getState().events.map(({ runSeq }) => runSeq)).toEqual([1, 2, 3])
    expect(stream!.url).toBe('/api/runs/run/stream?after=0')
  })

  it('says that it hears nothing until it hears again, and asks anew where the browser does not', () => {
    const follower = createRunFollower(open())
    const leave = follower.follow()
    const apart = () => follower.getState().apart
    const fails = (stream: Stream, readyState: number) => {
      Object.assign(stream, { readyState }).onerror!()
      jest.advanceTimersByTime(60_000)
    }
    expect(apart()).toBe(false)
    fails(Stream.open[0]!, 0)
    expect([apart(), Stream.open.length]).toEqual([true, 1])
    Object.assign(Stream.open[0]!, { readyState: 1 }).onopen!()
    expect([apart(), Stream.open.length]).toEqual([false, 1])
    fails(Stream.open[0]!, Stream.CLOSED)
    expect([apart(), Stream.open.length]).toEqual([true, 2])
    Stream.open[1]!.onopen!()
    expect(apart()).toBe(false)

    Object.assign(Stream.open[1]!, { readyState: Stream.CLOSED }).onerror!()
    leave()
    jest.advanceTimersByTime(60_000)
    expect(Stream.open).toHaveLength(2)
  })

  it('goes by the server’s clock, which the stream sets right', () => {
    const follower = createRunFollower(open())
    follower.follow()
    expect(follower.serverTime()).toBe(Date.now() + 60_000)
    Stream.open[0]!.heard.get('clock')!({ data: String(Date.now() - 5000) })
    expect(follower.serverTime()).toBe(Date.now() - 5000)
    jest.advanceTimersByTime(1000)
    expect(follower.serverTime()).toBe(Date.now() - 5000)
  })
})
