/**
 * Back-timing one dessert: when to start for a time of service, and what the plan must become for it. ISO dates
 * without zone, the kitchen's own clock.
 */
import { addSeconds, differenceInMilliseconds, formatISO, isValid, parseISO, subSeconds } from 'date-fns'
import { InputError } from '../base/errors'
import type { Bench } from '../formula/bench'
import { type Assessment, pouredAfterS } from '../pipeline/assessment'
import { temperTime } from './order'
import type { WhenRow } from './when'

const wall = (d: Date) => formatISO(d).slice(0, 16)
/**
 * A wall-clock time some seconds after another.
 * @example after('2026-11-28T09:00', 3600) // '2026-11-28T10:00'
 */
export const after = (at: string, seconds: number): string => wall(addSeconds(parseISO(at), seconds))
/** Starts are given on whole five minutes, the earlier one. */
const STEP_S = 300
const SLACK_S = 2

export interface ServicePlan {
  startAt: string
  /** The last leg so that it stands until service, s. */
  lastLegS: number
  /** It must be lengthened for the set, by this, s; 0: the plan's own cold is enough. */
  lengthenedS: number
  /** On the table before it is eaten, to be as warm as wanted, s. */
  temperS: number
  /** Latest start that is ready at the slow end; null: it never sets in a day. */
  latestStartAt: string | null
  doc: Bench
}

/**
 * The plan that serves at a time: the legs as they are, the last one longer if the slow end of the set asks for it, the
 * start rounded down to five minutes; what is to be eaten warmer leaves the cold so much before. A plan that was made
 * so stays as it is.
 * @param when rows of `whenOf` @throws {InputError} at `serve.serveAt`
 */
export function timedBack(doc: Bench, a: Assessment, when: readonly WhenRow[], at: string): ServicePlan {
  const eaten = parseISO(at)
  if (!isValid(eaten) || at.length < 16) throw new InputError('notANumber', 'serve.serveAt')
  const temperS = doc.serve.temperC === null ? 0 : (temperTime(a, doc.serve.temperC) ?? 0)
  const target = subSeconds(eaten, temperS)
  const untilPouredS = pouredAfterS(a)
  const slowS = when.find(r => r.what === 'serve')?.slowS ?? null
  const lastLeg = doc.chill[doc.chill.length - 1]!
  const lengthenedS = slowS === null ? 0 : Math.max(0, Math.ceil((slowS - a.chill.servedS) / STEP_S) * STEP_S)
  const exact = addSeconds(target, -(untilPouredS + a.chill.servedS + lengthenedS))
  // A second under five full minutes is those minutes: rounding is done once.
  const near = addSeconds(exact, SLACK_S)
  const start = addSeconds(
    near,
    -(((near.getMinutes() * 60 + near.getSeconds()) % STEP_S) + near.getMilliseconds() / 1000),
  )
  const earlierS = Math.max(0, Math.ceil(differenceInMilliseconds(exact, start) / 1000))
  const lastLegS = lastLeg.timeS + lengthenedS + earlierS
  const startAt = wall(start)
  return {
    startAt,
    lastLegS,
    lengthenedS,
    latestStartAt: slowS === null ? null : after(at, -(temperS + untilPouredS + slowS)),
    temperS,
    doc: {
      ...doc,
      chill: doc.chill.map((l, i) => (i === doc.chill.length - 1 ? { ...l, timeS: lastLegS } : l)),
      serve: { ...doc.serve, startAt, serveAt: at },
    },
  }
}
