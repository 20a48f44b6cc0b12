/**
 * How a batch cooled, against what the kitchen's code asks: one judgement for the live cook, the record and the
 * rescues.
 */
import { CODES, coolingStages } from '../physics/safety/keeping'
import { timeBelow } from '../physics/thermal/conduction'
import { type BatchRecord, eventsOf } from './record'

export interface CoolingStage {
  toC: number
  withinS: number
  /** By the batch's clock, s: when it must be there. */
  dueS: number
  /** How long it took, s; null: it was not seen there. */
  takesS: number | null
  /**
   * Reached in time; too late, or not reached while it was watched; still to come (or opened before it was due); nobody
   * measured whether it was.
   */
  state: 'met' | 'missed' | 'due' | 'unmeasured'
}
/** A course foretold, s from the cold's start and °C. */
interface Foretold { timeS: readonly number[], tempC: readonly number[] }

/** The middle as a logger read it, by the batch's clock. */
function middleOf({ readings }: BatchRecord): Foretold | null {
  const s = readings.find(x => x.deviceId === 'logger' && x.channel === 'core')
  const known = s?.timeS.flatMap((t, i) => (s.values[i] == null ? [] : [{ t, c: s.values[i] }])) ?? []
  return known.length < 2 ? null : { timeS: known.map(x => x.t), tempC: known.map(x => x.c) }
}

/**
 * Stages of the code for a batch at a moment; none before it went into the cold.
 * @param nowS by the batch's clock
 * @param foretold by which the clock of the code begins where nobody measures
 * @example coolingOf({ ...record, events: [], readings: [] }, 0).length // 0
 */
export function coolingOf(record: BatchRecord, nowS: number, foretold: Foretold | null = null): CoolingStage[] {
  const startS = eventsOf(record.events, 'movedTo')[0]?.atS
  if (startS === undefined) return []
  const code = CODES[record.kitchen.foodCode]
  const middle = middleOf(record)
  const endS = Math.min(nowS, eventsOf(record.events, 'opened')[0]?.atS ?? nowS)
  if (!middle) {
    const countsS = startS + (foretold ? timeBelow(foretold.timeS, foretold.tempC, code.fromC) ?? 0 : 0)
    return code.stages.map(({ toC, withinS }) =>
      ({ toC, withinS, dueS: countsS + withinS, takesS: null, state: endS > countsS + withinS ? 'unmeasured' : 'due' }))
  }
  // As long as it is hotter than that the code's clock stands still.
  const countsS = timeBelow(middle.timeS, middle.tempC, code.fromC) ?? endS
  const lastS = middle.timeS.at(-1)!
  return coolingStages(code, c => timeBelow(middle.timeS, middle.tempC, c)).map(({ toC, withinS, takesS, passes }) => {
    const dueS = countsS + withinS
    const late = takesS !== null || lastS >= dueS
    return { toC, withinS, dueS, takesS, state: passes ? 'met' : late ? 'missed' : endS > dueS ? 'unmeasured' : 'due' }
  })
}

/**
 * Whether the middle cooled as fast as the code asks until it was opened, by the logger; what nobody saw through counts
 * as not. null: nobody watched.
 * @example cooledAsAsked({ ...record, readings: [] }) // null
 */
export function cooledAsAsked(record: BatchRecord): boolean | null {
  const middle = middleOf(record)
  if (!middle) return null
  const untilS = eventsOf(record.events, 'opened')[0]?.atS ?? middle.timeS.at(-1)!
  return coolingOf(record, untilS).every(s => s.state === 'met' || s.state === 'due')
}
