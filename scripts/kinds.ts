import { SERVICES } from '@/core/plan/serviceKinds'

/** `./falto kinds`: every kind of service, as JSON. */
const kinds = SERVICES.map(({ id, name, help }) => ({ id, name, help }))
process.stdout.write(`${JSON.stringify(kinds, null, 2)}\n`)
