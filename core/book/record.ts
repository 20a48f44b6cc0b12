/**
 * A batch: a formula made once, as it happened. The version, the occasion, the kitchen and the parameters are frozen as
 * it begins; from then on it is a list of events that only grows, and series of readings. Times are seconds from its
 * start. Nothing is changed: a correction is an event that names the one before it and says what holds instead.
 */
import type { ParameterId } from '../base/parameters'
import { InputError } from '../base/errors'
import type { FormulaDocument } from '../formula/document'
import type { Occasion } from '../formula/occasion'
import type { Kitchen } from '../kitchen/kitchen'
import type { Outcome } from './outcome'

export const BATCH_FORMAT = 'lumbik-batch'
export const BATCH_VERSION = 1

export const DEVICE_KINDS = ['probe', 'scale', 'pHMeter', 'refractometer', 'logger'] as const
export type DeviceKind = (typeof DEVICE_KINDS)[number]
export interface Device {
  id: string
  kind: DeviceKind
  name: string
}

/** Where a reading is taken, and in what: temperatures in °C, weights in g. */
export const CHANNELS = ['pot', 'core', 'air', 'oven', 'weight', 'pH', 'brix'] as const
export type Channel = (typeof CHANNELS)[number]
/** Readings of one channel of a device over time; null: it said nothing. */
export interface Series {
  deviceId: string
  channel: Channel
  timeS: number[]
  values: (number | null)[]
}

/** The same said of each of several kinds. */
type Each<K extends string, T = object> = K extends string ? { kind: K } & T : never
/** What happened; figures as the instruments showed them. */
export type Happened =
  | { kind: 'started' }
  /** Put in by weight, or by count or spoon with no scale (null). */
  | { kind: 'added', lineId: string, shownG: number | null }
  | Each<'stepDone' | 'stepSkipped' | 'stepReopened', { stepKey: string }>
  | Each<'heatOn' | 'heatOff' | 'ovenIn' | 'ovenOut'>
  /** The pan with what is in it. */
  | { kind: 'panWeighed', shownG: number, tareG: number }
  /** What stayed behind. */
  | { kind: 'leftBehind', where: 'pan' | 'sieve', shownG: number }
  /** By the scale, or by eye (null). */
  | { kind: 'poured', vessel: number, shownG: number | null }
  | { kind: 'movedTo', legId: string }
  /** Of a line before it goes in, or of the mix. */
  | { kind: 'measured', what: 'pH' | 'brix' | 'overrun', lineId: string | null, value: number }
  /** Tilted or touched, and found to have set. */
  | { kind: 'foundSet' }
  /** Cut, turned out or spooned for the first time. */
  | { kind: 'opened' }
  | { kind: 'outcome', outcome: Outcome }
  /** Free text and pictures stand elsewhere, so that they can be taken back. */
  | { kind: 'note', textId: string }
  | { kind: 'photo', photoId: string }
  /** What holds in place of an event, or null: it did not happen. */
  | { kind: 'corrected', eventId: string, whyId: string | null, instead: Happened | null }

export type BatchEvent = { id: string, atS: number, actorId: string } & Happened

export interface BatchRecord {
  format: typeof BATCH_FORMAT
  version: typeof BATCH_VERSION
  id: string
  /** The component that is made; the formula's filling as a rule. */
  componentId: string
  formula: FormulaDocument
  occasion: Occasion
  /** As stated, at that time. */
  kitchen: Kitchen
  /** What it was predicted with: engine, the set's short name, and what in it is not the table's. */
  parameters: { engine: string, set: string, changed: Partial<Record<ParameterId, number>> }
  /** ISO instant of its start. */
  startedAt: string
  /** Made in the simulated kitchen. */
  simulated: boolean
  devices: Device[]
  events: BatchEvent[]
  readings: Series[]
}

/**
 * What holds of a batch's events: each as it was, or as the last correction of it has it; in the order of their time.
 * A correction of a correction counts for what that one corrected.
 * @throws {InputError} for a correction of an event that is not there
 * @example holding([]).length // 0
 */
export function holding(events: readonly BatchEvent[]): BatchEvent[] {
  const held = new Map<string, BatchEvent | null>()
  /** The event that a correction, or a correction of one, is about. */
  const about = new Map<string, string>()
  for (const [i, e] of events.entries()) {
    if (e.kind !== 'corrected') {
      held.set(e.id, e)
      about.set(e.id, e.id)
      continue
    }
    const of = about.get(e.eventId)
    if (of === undefined) throw new InputError('unknownValue', `events.${i}.eventId`, { id: e.eventId })
    about.set(e.id, of)
    const { atS, actorId } = events.find(x => x.id === of)!
    held.set(of, e.instead === null ? null : { ...e.instead, id: of, atS, actorId } as BatchEvent)
  }
  return [...held.values()].filter(e => e !== null).sort((a, b) => a.atS - b.atS)
}

/** Events of one kind. */
export type Of<K extends Happened['kind']> = Extract<BatchEvent, { kind: K }>
/** Those of a kind that hold. @example eventsOf([], 'opened').length // 0 */
export const eventsOf = <K extends Happened['kind']>(events: readonly BatchEvent[], kind: K): Of<K>[] =>
  holding(events).filter((e): e is Of<K> => e.kind === kind)
/**
 * A channel's readings in the order of their time, whichever instruments they came from; null: there are none.
 * @example seriesOf({ readings: [] }, 'pot') // null
 */
export function seriesOf({ readings }: Pick<BatchRecord, 'readings'>, channel: Channel): Series | null {
  const [first, ...others] = readings.filter(s => s.channel === channel)
  if (!first || others.length === 0) return first ?? null
  const all = [first, ...others].flatMap(s => s.timeS.map((t, i) => ({ t, v: s.values[i]! }))).sort((a, b) => a.t - b.t)
  return { ...first, timeS: all.map(x => x.t), values: all.map(x => x.v) }
}
