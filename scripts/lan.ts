import { X509Certificate } from 'node:crypto'
import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:https'
import { networkInterfaces } from 'node:os'
import { join } from 'node:path'
import { createProxyServer } from 'httpxy'
import { generate } from 'selfsigned'

/**
 * HTTPS for the tablets of a salon: they may open a visit without a network, stay awake and vibrate only on secure
 * pages. `origins` prints the addresses, one a line; `serve` answers there and passes everything on to Falto on this
 * machine.
 *
 *   tsx scripts/lan.ts origins PORT
 *   tsx scripts/lan.ts serve PORT FOLDER TARGET
 */
const [, , what, port = '', folder = '', target = ''] = process.argv

/** Addresses of this machine in its local networks; FALTO_LAN_ADDRESS names one. */
const addresses = process.env['FALTO_LAN_ADDRESS']
  ? [process.env['FALTO_LAN_ADDRESS']]
  : Object.values(networkInterfaces()).flatMap((own = []) =>
      own.flatMap(({ family, internal, address }) => (family === 'IPv4' && !internal ? [address] : [])),
    )

interface Secrets {
  key: string
  cert: string
}

const DAY = 86_400_000
/** A tablet trusts the authority once; what it signs is made anew as often as browsers want it. days */
const AUTHORITY_DAYS = 3650
const VALID_DAYS = 397
const RENEW_DAYS = 30

/** A key with its certificate from the folder, made where there is none that still serves. */
async function keptAs(
  name: string,
  serves: (cert: X509Certificate) => boolean,
  make: () => Promise<{ private: string; cert: string }>,
): Promise<Secrets> {
  const [keyFile, certFile] = [join(folder, `${name}.key`), join(folder, `${name}.crt`)]
  if (existsSync(keyFile) && existsSync(certFile)) {
    const cert = readFileSync(certFile, 'utf8')
    const read = new X509Certificate(cert)
    if (new Date(read.validTo).getTime() - Date.now() > RENEW_DAYS * DAY && serves(read))
      return { key: readFileSync(keyFile, 'utf8'), cert }
  }
  const made = await make()
  for (const [file, text] of [
    [keyFile, made.private],
    [certFile, made.cert],
  ] as const) {
    writeFileSync(`${file}.new`, text, { mode: 0o600 })
    renameSync(`${file}.new`, file)
  }
  return { key: made.private, cert: made.cert }
}

const until = (days: number) => new Date(Date.now() + days * DAY)

/** This installation's own authority. */
const authority = () =>
  keptAs(
    'lan-authority',
    () => true,
    () =>
      generate([{ name: 'commonName', value: 'Falto in this salon' }], {
        keyType: 'ec',
        algorithm: 'sha256',
        notAfterDate: until(AUTHORITY_DAYS),
        extensions: [
          { name: 'basicConstraints', cA: true, critical: true },
          { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
        ],
      }),
  )

/** The certificate of this machine's addresses, made anew when they change. */
const certificate = (ca: Secrets) =>
  keptAs(
    'lan',
    (cert) =>
      cert.verify(new X509Certificate(ca.cert).publicKey) && addresses.every((address) => cert.checkIP(address)),
    () =>
      generate([{ name: 'commonName', value: 'Falto' }], {
        keyType: 'ec',
        algorithm: 'sha256',
        ca,
        notAfterDate: until(VALID_DAYS),
        extensions: [
          { name: 'basicConstraints', cA: false, critical: true },
          { name: 'keyUsage', digitalSignature: true, critical: true },
          { name: 'extKeyUsage', serverAuth: true },
          { name: 'subjectAltName', altNames: addresses.map((ip) => ({ type: 7 as const, ip })) },
        ],
      }),
  )

async function serve(): Promise<void> {
  const ca = await authority()
  const secrets = await certificate(ca)
  const proxy = createProxyServer({ target, xfwd: true })
  for (const address of addresses) {
    createServer(secrets, (request, response) => {
      // The authority, to be opened once on a tablet.
      if (request.url === '/falto.crt')
        return response.writeHead(200, { 'content-type': 'application/x-x509-ca-cert' }).end(ca.cert)
      proxy.web(request, response).catch(() => {
        if (!response.headersSent) response.writeHead(502)
        response.end()
      })
    }).listen(Number(port), address, () => console.log(`answering at https://${address}:${port}`))
  }
}

if (addresses.length === 0) {
  console.error(
    'This machine is in no local network, so tablets cannot reach it. Connect it, or name an address in FALTO_LAN_ADDRESS.',
  )
  process.exit(1)
}
if (what === 'origins') for (const address of addresses) console.log(`https://${address}:${port}`)
else await serve()
