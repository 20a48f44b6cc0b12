/** The Book as it travels between browser and server: plain data. */
import type { Outcome } from '#core/book/outcome'
import type { BatchEvent, BatchRecord, DeviceKind, Series } from '#core/book/record'
import type { Beside } from '#core/learn/beside'
import type { SimulatedKitchen } from '#core/simulate/alongside'

/** What a batch keeps as it began. */
export type Frozen = Pick<BatchRecord, 'componentId' | 'formula' | 'occasion' | 'kitchen' | 'parameters' | 'devices'>
/** The kitchen behind the instruments of a demonstration. */
export type Simulation = SimulatedKitchen

/** What the Book lists of a batch. */
export interface BatchShown {
  asMeant: boolean | null
  /** The outcome that holds. */
  outcome: Outcome | null
  beside: Beside[]
}

export interface BatchItem {
  id: string
  formulaId: string
  versionId: string
  name: string
  startedAt: string
  simulated: boolean
  isDone: boolean
  by: string
  shown: BatchShown | null
  faults: string[]
  lots: string[]
}
export interface BookPage {
  items: BatchItem[]
  next: string | null
  total: number | null
  /** Who makes batches here; with the first page. */
  cooks: { id: string, name: string }[] | null
}

/** The clock of a batch: `nowS` as the answer left. */
export interface BatchClock {
  nowS: number
  speed: number
}
export interface TextRecord { id: string, text: string | null }
/** A batch, whole. */
export interface BatchWhole {
  record: BatchRecord
  formulaId: string
  versionId: string
  by: string
  /** Who wrote what happened, by their actors' ids. */
  names: Record<string, string>
  isDone: boolean
  head: number
  clock: BatchClock
  texts: TextRecord[]
  /** What the simulated scale shows of each line, g. */
  weights: Record<string, number> | null
  /** How the flame of the demonstration stands, times what was set. */
  power: number
  shown: BatchShown | null
}
/** Of each channel (`device/channel`) the last second that a listener has. */
export type Have = Record<string, number>
export const channelKey = ({ deviceId, channel }: Pick<Series, 'deviceId' | 'channel'>): string => `${deviceId}/${channel}`
/** What is new since a client last heard: said by the line (server-sent events), and by any write. */
export interface BatchNews {
  events: BatchEvent[]
  head: number
  series: Series[]
  clock: BatchClock
  texts: TextRecord[]
  names: Record<string, string>
}

/** What an instrument can be held against: ice and boiling water, buffers, a sugar solution, a weight. */
export const CHECKED_AGAINST = ['ice', 'boil', 'buffer4', 'buffer7', 'sugar', 'weight'] as const
/** How an instrument was held against something known: what it showed, what was true, in its own unit. */
export interface DeviceCheck {
  at: string
  against: (typeof CHECKED_AGAINST)[number]
  shown: number
  truth: number
}
export interface DeviceFigures {
  simulated: boolean
  /** Newest first. */
  checks: DeviceCheck[]
}
export interface DeviceRecord extends DeviceFigures {
  id: string
  kind: DeviceKind
  name: string
}

/** Work that goes on beside requests. */
export const WORK_KINDS = ['diagnose', 'learn', 'export'] as const
export type WorkKind = (typeof WORK_KINDS)[number]
/** What came of writing a kitchen's file. */
export interface ExportResult { at: string, lines: number, bytes: number }
export type WorkState = 'waiting' | 'going' | 'done' | 'failed' | 'cancelled'
export interface WorkRecord<T = unknown> {
  id: string
  kind: WorkKind
  targetId: string
  state: WorkState
  /** 0–1. */
  progress: number
  /** What it was worked out from is not all there is any more. */
  isStale: boolean
  result: T | null
}

/** A set of learned figures as it is listed. */
export interface LearnedItem {
  id: string
  number: number
  createdAt: string
  calibrationId: string
  theta: Record<string, number>
}
export interface LearnedList {
  items: LearnedItem[]
  /** The one that counts; null: what is stated. */
  goesBy: string | null
}

/** Days after which an instrument should be held against something known again (common practice). */
export const CHECK_DAYS: Readonly<Record<DeviceKind, number>> = {
  probe: 30, scale: 90, pHMeter: 7, refractometer: 90, logger: 180,
}
/** What each kind is held against. */
export const CHECKS_OF: Readonly<Record<DeviceKind, readonly DeviceCheck['against'][]>> = {
  probe: ['ice', 'boil'], scale: ['weight'], pHMeter: ['buffer4', 'buffer7'], refractometer: ['sugar'], logger: ['ice'],
}
/**
 * How far a probe errs by its last checks in ice and in boiling water, K; null: it was never held against either.
 * @example probeBias([]) // null
 */
export function probeBias(devices: readonly DeviceRecord[]): number | null {
  const probe = devices.find(d => d.kind === 'probe' && d.checks.length > 0)
  if (!probe) return null
  const last = CHECKS_OF.probe.flatMap(against => probe.checks.filter(c => c.against === against).slice(0, 1))
  return last.length === 0 ? null : last.reduce((s, c) => s + c.shown - c.truth, 0) / last.length
}
