/** What a batch in the simulated kitchen writes down as it goes: events and readings, by one clock. */
import type { Noise } from '../base/noise'
import type { BatchEvent, Channel, Happened, Series } from '../book/record'
import { dropsOut } from '../plant/instruments'

export interface Log {
  nowS: number
  events: BatchEvent[]
  readings: Series[]
  noise: Noise
}

export const startLog = (noise: Noise): Log => ({ nowS: 0, events: [], readings: [], noise })

/** The simulated cook. */
export const COOK_ID = 'simulated-cook'

export function happen(log: Log, what: Happened): void {
  log.events.push({ id: `e${log.events.length + 1}`, atS: Math.round(log.nowS * 10) / 10, actorId: COOK_ID, ...what })
}

/** A reading, unless it is lost on its way. */
export function read(log: Log, deviceId: string, channel: Channel, value: number): void {
  let series = log.readings.find(s => s.deviceId === deviceId && s.channel === channel)
  if (!series) log.readings.push((series = { deviceId, channel, timeS: [], values: [] }))
  if (dropsOut(log.noise)) return
  series.timeS.push(Math.round(log.nowS * 10) / 10)
  series.values.push(value)
}
