import { database } from '@/db'
import { seedDemo } from '@/server/demo'

/**
 * Fills an empty database with the demo salon. Needs DATABASE_URL, the BETTER_AUTH variables and FALTO_DEMO_PASSWORD.
 */
const password = process.env['FALTO_DEMO_PASSWORD']
if (!password) throw new Error('FALTO_DEMO_PASSWORD is not set.')
console.log(await seedDemo(password))
await database().$client.end()
