/** The Book at the wire: starting a batch, what happens, what is read, the demonstration's clock. */
import * as yup from 'yup'
import { CHANNELS, DEVICE_KINDS, type Happened } from '#core/book/record'
import { CHECKED_AGAINST, type Have } from '../book'
import { AILMENTS } from '#core/plant/instruments'
import { happenedSchema, seriesOfAtMost } from './batch'
import { InputError } from '#core/base/errors'

const uuid = () => yup.string().strict().uuid().required()
const exactly = <T extends yup.ObjectShape>(shape: T) => yup.object(shape).noUnknown().strict().required()
/** Whatever a batch lasts, s: a year. */
const MOST_S = 3.2e7

export const startBatchSchema = exactly({
  id: uuid(),
  formulaId: uuid(),
  componentId: yup.string().strict().min(1).max(80).required(),
  document: yup.mixed().required(),
  /** In the simulated kitchen, by its own hidden truths; `truth` says some of them (docs/truth.schema.json). */
  simulated: yup.boolean().strict().required(),
  truth: yup.mixed().optional(),
  /** What ails its probe. */
  probe: yup.string().strict().oneOf([...AILMENTS]).nullable().optional(),
})

/** An event as a client sends it: text that may be taken back goes beside it. */
export interface SentEvent {
  id: string
  atS: number
  happened: Happened
  text: { id: string, text: string } | null
}
const textSchema = yup
  .object({ id: uuid(), text: yup.string().strict().trim().min(1).max(4000).required() })
  .noUnknown()
  .strict()
  .nullable()
  .defined()
export const eventsSchema = exactly({
  events: yup
    .array(exactly({
      id: uuid(),
      atS: yup.number().strict().min(0).max(MOST_S).required(),
      happened: happenedSchema as never as yup.Schema<Happened>,
      text: textSchema,
    }))
    .strict()
    .min(1)
    .max(200)
    .required(),
})

/** So many readings of a channel at a time: a request has a size. */
export const READINGS_AT_ONCE = 1000
export const readingsSchema = exactly({
  series: yup.array(seriesOfAtMost(READINGS_AT_ONCE)).strict().min(1).max(20).required(),
})

/** A line of an instrument: `2026-11-28T08:12:03.5Z probe pot 64.2`, a dash for what was not read. */
export interface InstrumentLine {
  at: Date
  deviceId: string
  channel: (typeof CHANNELS)[number]
  value: number | null
}
const LINE = /^(\S+) ([\w.-]{1,80}) (\w+) (-|[+-]?\d{1,7}(?:\.\d{1,4})?)$/
/**
 * Reads a line of an instrument.
 * @throws {InputError} unknownValue, naming which
 */
export function readLine(line: string, at: number): InstrumentLine {
  const m = LINE.exec(line.trim())
  const date = new Date(m?.[1] ?? '')
  if (!m || Number.isNaN(date.getTime()) || !(CHANNELS as readonly string[]).includes(m[3]!))
    throw new InputError('unknownValue', `lines.${at}`, { line: line.slice(0, 60) })
  return { at: date, deviceId: m[2]!, channel: m[3] as InstrumentLine['channel'], value: m[4] === '-' ? null : Number(m[4]) }
}
export const linesSchema = exactly({
  lines: yup.array(yup.string().strict().min(1).max(200).required()).strict().min(1).max(1000).required(),
})

export const clockSchema = exactly({
  speed: yup.number().strict().min(1).max(60).optional(),
  power: yup.number().strict().min(0).max(2).optional(),
  skipS: yup.number().strict().min(1).max(48 * 3600).optional(),
})
export const learnedSchema = exactly({
  calibrationId: yup.string().strict().uuid().optional(),
  goesBy: yup.string().strict().uuid().nullable().optional(),
})

export const deviceSchema = exactly({
  kind: yup.string().strict().oneOf([...DEVICE_KINDS]).required(),
  name: yup.string().strict().trim().min(1).max(80).required(),
  simulated: yup.boolean().strict().required(),
})
export const checkSchema = exactly({
  against: yup.string().strict().oneOf([...CHECKED_AGAINST]).required(),
  shown: yup.number().strict().min(-50).max(20_000).required(),
  truth: yup.number().strict().min(-50).max(20_000).required(),
})

/** Readings a listener of the line has already, as its address says them; null: not readable. */
export function readHave(said: unknown): Have | null {
  if (said === undefined || said === '') return {}
  try {
    const have = JSON.parse(String(said)) as Have
    const isPlain = typeof have === 'object' && have !== null && !Array.isArray(have)
    return isPlain && Object.values(have).every(s => typeof s === 'number' && Number.isFinite(s)) ? { ...have } : null
  } catch {
    return null
  }
}
