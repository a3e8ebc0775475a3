import ICAL from 'ical.js'
import { deviceOf, newClient, type Device } from '../support/server'

/** P10: the file is read back by an independent reader of RFC 5545. */
let oriel: Device
let juno: Device
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
    const refused = async (query: string, device = oriel) =>
      await device.call('GET', `/api/plans/${id}/calendar${query}`)
    for (const query of ['', '?at=25:00', '?at=9', '?at=09:30:00']) expect((await refused(query)).status).toBe(422)
    const { status, body } = await refused('?at=09:30')
    expect(status).toBe(422)
    expect(JSON.stringify(body)).toContain('not booked')
    expect((await refused('?at=09:30', juno)).status).toBe(422)
  })
})
