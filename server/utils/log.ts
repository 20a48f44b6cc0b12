/**
 * Lines of the log, one JSON object each: what route, how it ended, how long it took, under a request's id. No
 * addresses, names, bodies or ids of anybody; a fault by its kind and place.
 */
import { pino } from 'pino'

/** Quiet unless asked: `LUMBIK_LOG_LEVEL=info` writes a line a request. */
export const log = pino({ level: process.env.LUMBIK_LOG_LEVEL ?? 'warn', base: { app: 'lumbik' } })
