/**
 * Cooling, keeping and counter limits of the kitchen's chosen code. US: Food Code 3-501.14, 3-501.17, 3-501.19; UK:
 * national guidance; both from
 * memory. Every use says "defer to your local code and your own food-safety plan".
 */
import { addDays, formatISO, parseISO } from 'date-fns'

export interface CodeLimits {
  /** Cooling starts to count here, °C. */
  fromC: number
  /** Stages of cooling: to this temperature within this time of passing `fromC`. */
  stages: readonly { toC: number, withinS: number }[]
  /** Cold holding, °C. */
  holdC: number
  /** Longest time out of the cold, s. */
  counterS: number
  /** Days kept, the day of making being day 1. */
  days: number
}

export const CODES: Readonly<Record<'us' | 'uk', CodeLimits>> = {
  us: {
    fromC: 57,
    stages: [
      { toC: 21, withinS: 2 * 3600 },
      { toC: 5, withinS: 6 * 3600 },
    ],
    holdC: 5,
    counterS: 4 * 3600,
    days: 7,
  },
  uk: { fromC: 57, stages: [{ toC: 8, withinS: 90 * 60 }], holdC: 8, counterS: 4 * 3600, days: 7 },
}

export interface StageResult {
  toC: number
  withinS: number
  takesS: number | null
  passes: boolean
}

/** Checks a falling core temperature against a code; `startS` is when it passed `fromC`. */
export function coolingStages(code: CodeLimits, at: (tempC: number) => number | null): StageResult[] {
  const start = at(code.fromC) ?? 0
  return code.stages.map(({ toC, withinS }) => {
    const reached = at(toC)
    const takesS = reached === null ? null : Math.max(0, reached - start)
    return { toC, withinS, takesS, passes: takesS !== null && takesS <= withinS }
  })
}

/**
 * Last day of keeping: ISO date from the ISO start, never past a lot's own date.
 * @example useByDate('2026-11-28T09:00', CODES.us, ['2026-11-30']) // '2026-11-30'
 */
export function useByDate(startAt: string, code: CodeLimits, lotDates: readonly string[]): string {
  const last = formatISO(addDays(parseISO(startAt.slice(0, 10)), code.days - 1), { representation: 'date' })
  return [last, ...lotDates].sort()[0]!
}
