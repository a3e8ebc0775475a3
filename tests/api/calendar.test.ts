import ICAL from 'ical.js'
import { day } from '../support/days'
import { call, deviceOf, newClient, newPlan, type Device } from '../support/server'
import { closeDatabase, newSalon } from '../support/salon'

jest.setTimeout(60_000)

/** P10: the file is read back by an independent reader of RFC 5545. */
let oriel: Device
let juno: Device
afterAll(closeDatabase)
beforeAll(async () => {
  ;[oriel, juno] = (await Promise.all(['oriel', 'juno'].map(deviceOf))) as [Device, Device]
})

async function plan(service: string): Promise<string> {
  const client = await newClient(oriel, 'Calendar, "comma"; semicolon')
  return String(
    (
      await oriel.call('POST', `/api/clients/${client}/plans`, {
        name: 'Light, with notes',
        template: 'fourQuadrants',
        service,
      })
    ).body['id'],
  )
}

describe('the calendar file of a visit', () => {
  it('holds the appointment at its time, as long as its clock says, and the day of the next visit', async () => {
    const id = await plan('topAndSides')
    await oriel.call('PUT', `/api/plans/${id}/booking`, { on: '2026-12-30' })
    const { status, body, headers } = await oriel.call('GET', `/api/plans/${id}/calendar?at=09:30`)
    expect(status).toBe(200)
    expect(headers.get('content-type')).toContain('text/calendar')
    const events = new ICAL.Component(ICAL.parse(String(body['text'])))
      .getAllSubcomponents('vevent')
      .map((one) => new ICAL.Event(one))
    const [visit, next] = events
    expect(events).toHaveLength(2)
    expect(visit!.summary).toBe('Calendar, "comma"; semicolon: Light, with notes')
    expect(visit!.startDate.toString()).toBe('2026-12-30T09:30:00')
    expect(visit!.startDate.zone.tzid).toBe('floating')
    const minutes = visit!.duration.toSeconds() / 60
    expect(minutes % 5).toBe(0)
    expect(minutes).toBeGreaterThan(75)
    expect(minutes).toBeLessThan(180)
    expect(next!.startDate.isDate).toBe(true)
    expect(next!.startDate.compare(visit!.startDate)).toBeGreaterThan(0)
    expect(new Set(events.map(({ uid }) => uid)).size).toBe(2)
  })

  it('is refused without a time or a day, with what to do', async () => {
    const id = await plan('topAndSides')
    const half = { on: day(-1), arrives: 570.5 }
    expect((await oriel.call('PUT', `/api/plans/${id}/booking`, half)).body).toMatchObject({
      problems: [{ path: 'arrives' }],
    })
    const refused = async (query: string, device = oriel) =>
      await device.call('GET', `/api/plans/${id}/calendar${query}`)
    for (const query of ['', '?at=25:00', '?at=9', '?at=09:30:00']) expect((await refused(query)).status).toBe(422)
    const { status, body } = await refused('?at=09:30')
    expect(status).toBe(422)
    expect(JSON.stringify(body)).toContain('not booked')
    expect((await refused('?at=09:30', juno)).status).toBe(422)
  })
})

describe('a calendar that follows somebody’s bookings', () => {
  const eventsOf = (text: string) =>
    new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((one) => new ICAL.Event(one))

  it('holds her own bookings, for who has the link and nobody else, until it is closed', async () => {
    const salon = await newSalon()
    const { owner, colourist } = salon.devices
    const feed = (path: string) => call('GET', path)
    const booked = async (device: Device, name: string, booking: object) => {
      const id = await newPlan(device, await newClient(device, name), { service: 'topAndSides' })
      expect((await device.call('PUT', `/api/plans/${id}/booking`, booking)).status).toBe(200)
      return id
    }
    const [soon, later, past] = [day(-2), day(-3), day(40)]
    const timed = await booked(colourist, 'With a time', { on: soon, arrives: 570 })
    await booked(colourist, 'Without one', { on: later })
    await booked(colourist, 'Long ago', { on: past, arrives: 600 })
    await booked(owner, 'Somebody else’s', { on: soon, arrives: 600 })

    expect((await colourist.call('GET', '/api/account/calendar')).body).toEqual({ since: null })
    const { link } = (await colourist.call('POST', '/api/account/calendar')).body as { link: string }
    const { pathname } = new URL(link)
    const answer = await feed(pathname)
    expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'text/calendar; charset=utf-8'])
    const [visit, whole, ...more] = eventsOf(String(answer.body['text']))
    expect(more).toEqual([])
    expect([visit!.uid, visit!.summary, visit!.startDate.toString()]).toEqual([
      `${timed}@falto`,
      'With a time: Test plan',
      `${soon}T09:30:00`,
    ])
    expect(visit!.duration.toSeconds() / 60).toBeGreaterThan(75)
    expect([whole!.summary, whole!.startDate.isDate, whole!.startDate.toString()]).toEqual([
      'Without one: Test plan',
      true,
      later,
    ])

    const again = (await colourist.call('POST', '/api/account/calendar')).body as { link: string }
    expect((await feed(pathname)).status).toBe(404)
    const second = new URL(again.link).pathname
    expect((await feed(second)).status).toBe(200)
    expect((await feed(`${second}x`)).status).toBe(404)
    expect((await feed('/api/calendar/made-up')).status).toBe(404)
    expect((await colourist.call('DELETE', '/api/account/calendar')).status).toBe(200)
    expect((await feed(second)).status).toBe(404)

    const last = (await colourist.call('POST', '/api/account/calendar')).body as { link: string }
    const { members } = (await owner.call('GET', '/api/team')).body as { members: { id: string; role: string }[] }
    const { id } = members.find(({ role }) => role === 'colourist')!
    await owner.call('PUT', `/api/team/${id}`, { name: 'Gone', role: 'colourist', active: false })
    expect((await feed(new URL(last.link).pathname)).status).toBe(404)
  })
})
