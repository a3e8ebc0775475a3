import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { mkdtempSync, rmSync } from 'node:fs'
import { request } from 'node:https'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort } from '../support/ports'
import { BASE_URL } from '../support/server'

jest.setTimeout(60_000)

const folder = mkdtempSync(join(tmpdir(), 'falto-lan-'))
const started: { kill: () => unknown }[] = []
afterAll(() => {
  started.forEach((one) => one.kill())
  rmSync(folder, { recursive: true, force: true })
})

/** An answer over HTTPS. @param ca what the asking tablet trusts; left out: anything, once */
function get(port: number, path: string, ca?: string): Promise<{ status: number | undefined; text: string }> {
  return new Promise((resolve, reject) => {
    request(
      { host: '127.0.0.1', port, path, agent: false, ...(ca ? { ca } : { rejectUnauthorized: false }) },
      (response) => {
        let text = ''
        response.on('data', (part) => (text += String(part)))
        response.on('end', () => resolve({ status: response.statusCode, text }))
      },
    )
      .on('error', reject)
      .end()
  })
}

async function serve(): Promise<{ port: number; stop: () => Promise<void> }> {
  const port = await freePort()
  // Only loopback in a test: the address stands in for the one in a salon's network.
  const server = spawn(
    process.execPath,
    ['scripts/run.mjs', 'scripts/lan.ts', 'serve', String(port), folder, BASE_URL],
    { env: { ...process.env, FALTO_LAN_ADDRESS: '127.0.0.1' }, stdio: ['ignore', 'pipe', 'inherit'] },
  )
  started.push(server)
  await once(server.stdout, 'data')
  const stop = async () => {
    server.kill()
    await once(server, 'exit')
  }
  return { port, stop }
}

it('answers tablets over HTTPS with what Falto answers, and a tablet that trusts the authority once trusts it after a restart', async () => {
  const first = await serve()
  const { text: authority } = await get(first.port, '/falto.crt')
  expect(authority).toContain('BEGIN CERTIFICATE')
  const page = await get(first.port, '/sign-in', authority)
  expect(page.status).toBe(200)
  expect(page.text).toContain('Falto')
  expect((await get(first.port, '/api/me', authority)).status).toBe(401)
  await first.stop()
  const second = await serve()
  expect((await get(second.port, '/falto.crt', authority)).text).toBe(authority)
  await second.stop()
})

it('is not trusted by a device that was not told to', async () => {
  const { port, stop } = await serve()
  await expect(
    get(port, '/sign-in', '-----BEGIN CERTIFICATE-----\nMA==\n-----END CERTIFICATE-----\n'),
  ).rejects.toThrow()
  await stop()
})
