import pino from 'pino'

export const log = pino({ level: process.env['FALTO_LOG'] ?? 'warn' })
