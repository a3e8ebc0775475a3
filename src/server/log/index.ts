/** What the server writes of itself: lines of JSON. */
import pino from 'pino'
import { setting } from '../settings'

/** Lines that wait to be written are kept up to so much, bytes; on a full disk what comes then is dropped. */
const MOST_WAITING = 1_000_000

// Not written synchronously: with a disk that is full, that would retry for ever and nothing else would run.
const destination = pino.destination({ dest: 1, sync: false, maxLength: MOST_WAITING })
destination.on('error', () => {})

export const log = pino({ level: setting('FALTO_LOG')!, serializers: { error: pino.stdSerializers.err } }, destination)
