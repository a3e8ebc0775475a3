import { deviceOf, newClient, type Device } from '../support/server'
import { clean } from './axe'
import { fill, press, url, windows } from './browser'

const { open } = windows()
let oriel: Device
beforeAll(async () => {
  oriel = await deviceOf('oriel')
})

it('a client goes only after it was said what goes with her, and comes back from the list of those removed', async () => {
  const name = `Going ${Date.now()}`
  const id = await newClient(oriel, name)
  await oriel.call('POST', `/api/clients/${id}/plans`, { name: 'Hers', template: 'fourQuadrants' })
  const page = await open(oriel)
  await page.goto(url(`/people/${id}`))
  await press(page, 'Remove client…')
  await page.waitForSelector('[role="dialog"] ::-p-text(1 plan)')
  await clean(page)
  await press(page, 'Keep')
  await page.waitForSelector('[role="dialog"]', { hidden: true })
  expect((await oriel.call('GET', `/api/clients/${id}`)).status).toBe(200)
  await press(page, 'Remove client…')
  await press(page, 'Remove')
  await page.waitForSelector('::-p-text(Removed clients)')
  await page.waitForSelector(`::-p-text(${name})`)
  expect((await oriel.call('GET', `/api/clients/${id}`)).status).toBe(404)
  await page.goto(url(`/people?removed&search=${encodeURIComponent(name)}`))
  await press(page, 'Bring back')
  await page.waitForSelector('::-p-text(Hers)')
  expect((await oriel.call('GET', `/api/clients/${id}`)).status).toBe(200)
})

it('a note is kept though the page is left at once', async () => {
  const id = await newClient(oriel, 'Noted')
  const page = await open(oriel)
  await page.goto(url(`/people/${id}`))
  const field = await page.waitForSelector('::-p-named(textbox Note)')
  await field!.type('fringe takes colour slowly')
  await page.goto(url('/people'))
  await page.waitForSelector('[role="grid"]')
  await page.goto(url(`/people/${id}`))
  await page.waitForSelector('::-p-text(fringe takes colour slowly)')
})

it('a number is taken whole or not at all, and nothing is saved beside one that is wrong', async () => {
  const page = await open(oriel)
  await page.goto(url('/people'))
  await press(page, 'New client')
  const name = `Typed ${Date.now()}`
  await fill(page, 'Name', name)
  await fill(page, 'Length at the crown, stretched', '500')
  await page.waitForSelector('[role="dialog"] [role="alert"]')
  await press(page, 'Add client')
  await page.waitForSelector('::-p-text(Mend the marked field first)')
  const listed = async () =>
    ((await oriel.call('GET', `/api/clients?search=${encodeURIComponent(name)}`)).body['clients'] as object[]).length
  expect(await listed()).toBe(0)
  await fill(page, 'Length at the crown, stretched', '48')
  await press(page, 'Add client')
  await page.waitForSelector('::-p-text(Name and head)')
  expect(await listed()).toBe(1)
  const { clients } = (await oriel.call('GET', `/api/clients?search=${encodeURIComponent(name)}`)).body as {
    clients: { hair: { lengthCm: number } }[]
  }
  expect(clients[0]!.hair.lengthCm).toBe(48)
})

it('whoever goes by keyboard sees where she is, on every stop of a page', async () => {
  const page = await open(oriel)
  await page.goto(url('/people'))
  await page.waitForSelector('[role="grid"] a')
  const unseen: string[] = []
  for (let stop = 0; stop < 12; stop++) {
    await page.keyboard.press('Tab')
    const problem = await page.evaluate(() => {
      const focused = document.activeElement!
      const rings = [focused, focused.parentElement!].map((element) => getComputedStyle(element))
      const seen = rings.some(
        ({ outlineStyle, outlineWidth, boxShadow }) =>
          (outlineStyle !== 'none' && parseFloat(outlineWidth) >= 1) || boxShadow !== 'none',
      )
      const isField = focused instanceof HTMLInputElement
      return seen || isField ? undefined : focused.outerHTML.slice(0, 120)
    })
    if (problem) unseen.push(problem)
  }
  expect(unseen).toEqual([])
})
