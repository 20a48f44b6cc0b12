/**
 * Back-timing one dessert: when to start for a time of service, and what the plan must become for it. ISO dates
 * without zone, the kitchen's own clock.
 */
import {
  addSeconds, differenceInMilliseconds, differenceInSeconds, formatISO, isValid, parseISO, setHours, startOfDay,
  subDays, subSeconds,
} from 'date-fns'
import { InputError } from '../base/errors'
import type { Bench } from '../formula/bench'
import { type Assessment, pouredAfterS } from '../pipeline/assessment'
import type { Kitchen } from '../kitchen/kitchen'
import { work } from '../pipeline/assess'
import { placed } from '../pipeline/stack'
import { orderOfWork, spanOf } from './order'
import { whenOf, type WhenRow } from './when'
import type { WorkStep } from './work'

const wall = (d: Date) => formatISO(d).slice(0, 16)
/**
 * A wall-clock time some seconds after another.
 * @example after('2026-11-28T09:00', 3600) // '2026-11-28T10:00'
 */
export const after = (at: string, seconds: number): string => wall(addSeconds(parseISO(at), seconds))
/** Starts are given on whole five minutes, the earlier one. */
const STEP_S = 300
const SLACK_S = 2
/** A plan that lies so near to the one worked out is that one, s. */
const NEAR_S = 2 * STEP_S
/** Nobody begins between these hours: then it is made the evening before (judgement). */
const NIGHT = { fromH: 22, toH: 6 }
/** Two plans that begin within this of one another are one. */
const SAME_S = 1800

export interface ServicePlan {
  /** When the heat goes on; when work begins (shell, weighing); when it leaves the cold for the plate. */
  startAt: string
  beginsAt: string
  outAt: string
  /** The last leg so that it stands until service, s. */
  lastLegS: number
  /** It must be lengthened for the set, by this, s; 0: the plan's own cold is enough. */
  lengthenedS: number
  /** From the cold to the table, s: out of its mould, cut, as warm as wanted. */
  platingS: number
  doc: Bench
}

/** The two ways to be ready: as late as is sensible, and with the plan's own cold where that begins clearly earlier. */
export interface ServicePlans {
  /** As late as holds at the slow end of the set; null: it never sets in a day. */
  latest: ServicePlan | null
  asPlanned: ServicePlan | null
  /** The latest start would be at night, and is moved to the evening before. */
  fromNight: boolean
}

/** A start rounded down to five minutes. */
function floored(exact: Date): Date {
  // A second under five full minutes is those minutes: rounding is done once.
  const near = addSeconds(exact, SLACK_S)
  const overS = ((near.getMinutes() * 60 + near.getSeconds()) % STEP_S) + near.getMilliseconds() / 1000
  return addSeconds(near, -overS)
}

/**
 * The plans that serve at a time. The latest keeps every leg of the cold but the last, which is as long as the slow end
 * of the set asks; the other keeps the last one too, where it is long enough. Starts are rounded down to five minutes;
 * shell, weighing and filling come before, unmoulding, cutting and warming after. A plan that was made so stays.
 * @param when rows of `whenOf` @param order of this very document @throws {InputError} at `serve.serveAt`
 */
export function servicePlans(
  doc: Bench, a: Assessment, when: readonly WhenRow[], order: readonly WorkStep[], at: string,
): ServicePlans {
  const eaten = parseISO(at)
  if (!isValid(eaten) || at.length < 16) throw new InputError('notANumber', 'serve.serveAt')
  const { beginsS, platingS } = spanOf(order, a)
  const target = subSeconds(eaten, platingS)
  const untilPouredS = pouredAfterS(a)
  const slowS = when.find(r => r.what === 'serve')?.slowS ?? null
  const lastLeg = doc.chill[doc.chill.length - 1]!
  const beforeS = a.chill.servedS - lastLeg.timeS
  const slowLegS = slowS === null ? null : Math.max(STEP_S, Math.ceil((slowS - beforeS) / STEP_S) * STEP_S)

  const planOf = (legS: number, lengthenedS: number, latestStart: Date | null = null): ServicePlan => {
    const exact = addSeconds(target, -(untilPouredS + beforeS + legS))
    const start = floored(latestStart && latestStart < exact ? latestStart : exact)
    // What it begins earlier it stands longer.
    const grownS = Math.max(0, Math.ceil(differenceInMilliseconds(exact, start) / 1000))
    const planned = plannedSo(doc, at, start, legS + grownS)
    const lastLegS = planned ? lastLeg.timeS : legS + grownS
    const startAt = planned ? doc.serve.startAt.slice(0, 16) : wall(start)
    return {
      startAt,
      beginsAt: after(startAt, beginsS),
      outAt: wall(target),
      lastLegS,
      lengthenedS,
      platingS,
      doc: {
        ...doc,
        chill: doc.chill.map((l, i) => (i === doc.chill.length - 1 ? { ...l, timeS: lastLegS } : l)),
        serve: { ...doc.serve, startAt, serveAt: at },
      },
    }
  }
  const lengthenedS = slowLegS === null ? 0 : Math.max(0, slowLegS - lastLeg.timeS)
  const asPlanned = planOf(lastLeg.timeS + lengthenedS, lengthenedS)
  if (slowLegS === null) return { latest: null, asPlanned, fromNight: false }
  const first = planOf(slowLegS, 0)
  const evening = eveningBefore(first, untilPouredS)
  const latest = evening ? planOf(slowLegS, 0, evening) : first
  const apartS = differenceInSeconds(parseISO(latest.startAt), parseISO(asPlanned.startAt))
  return { latest, asPlanned: apartS > SAME_S ? asPlanned : null, fromNight: evening !== null }
}

/**
 * The plans that serve at a time, each told by what it itself becomes: what stands longer in the cold is colder and
 * takes longer to be as warm as wanted, so a plan that changes the cold is worked out once more.
 * @throws {InputError} naming the field
 * @example servicePlansOf(doc, kitchen, '2026-11-28T19:00').latest.startAt < '2026-11-28T19:00' // true
 */
export function servicePlansOf(doc: Bench, kitchen: Kitchen, at: string): ServicePlans {
  const plansOf = (d: Bench) => {
    const w = work(placed(d, kitchen), kitchen)
    const order = orderOfWork(d, kitchen, w.assessment)
    return servicePlans(d, w.assessment, whenOf(w, d, kitchen), order, at)
  }
  const first = plansOf(doc)
  if (doc.serve.temperC === null) return first
  const again = (key: 'latest' | 'asPlanned') => first[key] && (plansOf(first[key].doc)[key] ?? first[key])
  return { ...first, latest: again('latest'), asPlanned: again('asPlanned') }
}

/** Whether a plan was made for this service already: within what rounding to five minutes can move it. */
function plannedSo({ serve, chill }: Bench, at: string, start: Date, lastLegS: number): boolean {
  const now = parseISO(serve.startAt)
  return serve.serveAt === at && isValid(now)
    && Math.abs(differenceInSeconds(now, start)) <= NEAR_S
    && Math.abs(chill.at(-1)!.timeS - lastLegS) <= NEAR_S
}

/** For a plan whose work would begin at night: the start that has it poured by the evening before; null: it is day. */
function eveningBefore({ beginsAt }: ServicePlan, untilPouredS: number): Date | null {
  const begins = parseISO(beginsAt)
  const hour = begins.getHours()
  if (hour >= NIGHT.toH && hour < NIGHT.fromH) return null
  const evening = setHours(startOfDay(hour < NIGHT.toH ? subDays(begins, 1) : begins), NIGHT.fromH)
  return subSeconds(evening, untilPouredS)
}
