/**
 * How it may be kept: the food code's days as the default, freezing, and what else is said, each labelled with what it
 * asks. Nothing here lengthens the default; a claim beyond it is held against it.
 */
import type { Bench } from '../formula/bench'
import { familyOf } from '../formula/families'
import type { Kitchen } from '../kitchen/kitchen'
import { CODES } from '../physics/safety/keeping'
import type { Assessment } from '../pipeline/assessment'
import { RAW_FRUIT } from '../pipeline/judge/limits'

export type KeepingCode = 'code' | 'sameDay' | 'rawFruit' | 'freeze' | 'homeGuidance'
export type KeepingNeed =
  | 'coldEnough'
  | 'coveredWell'
  | 'thawInFridge'
  | 'starchWeeps'
  | 'agarWeeps'
  | 'measuredPH'
  | 'measuredHeat'
  | 'homeOnly'
  | 'foamSinks'
export interface KeepingOption {
  code: KeepingCode
  days: number
  tempC: number
  isDefault: boolean
  needs: KeepingNeed[]
  /** It cannot be taken as things stand. */
  open: boolean
}

/** Quality in the freezer, days (common practice; a frozen food stays safe, its set does not stay good). */
export const FREEZER_DAYS = 90
/**
 * Home guidance for lemon curd as remembered: up to four weeks refrigerated, with a measured pH and a measured heat.
 */
const HOME = { days: 28, pH: 3.6, tempC: 77 }

/**
 * Whether raw fruit is what its days go by: fewer than any food code's, more than one.
 * @example isByRawFruit(assessment) // false
 */
export const isByRawFruit = ({ serve, findings }: Assessment): boolean =>
  serve.storageDays === RAW_FRUIT.days && findings.some(f => f.code === 'rawFruit')

/** The default first, then what else applies. Home guidance is for homes only, and for curds that were measured. */
export function keepingOptions(doc: Bench, kitchen: Kitchen, a: Assessment): KeepingOption[] {
  const code = CODES[kitchen.foodCode]
  const sameDay = a.serve.storageDays === 1
  const isRaw = isByRawFruit(a)
  const out: KeepingOption[] = [
    {
      code: sameDay ? 'sameDay' : isRaw ? 'rawFruit' : 'code',
      days: a.serve.storageDays || code.days,
      tempC: code.holdC,
      isDefault: true,
      needs: sameDay ? ['foamSinks', 'coldEnough'] : ['coldEnough', 'coveredWell'],
      open: a.serve.storageDays > 0,
    },
  ]
  if (!sameDay) {
    const weeps = a.verdict.cold.mechanismsPa.starchPa > 0.2 * a.verdict.cold.tauPa.value
    const agar = a.verdict.cold.mechanismsPa.agarPa > 0.2 * a.verdict.cold.tauPa.value
    out.push({
      code: 'freeze',
      days: FREEZER_DAYS,
      tempC: -18,
      isDefault: false,
      needs: [
        ...(weeps ? ['starchWeeps' as const] : []),
        ...(agar ? ['agarWeeps' as const] : []),
        'coveredWell',
        'thawInFridge',
      ],
      open: true,
    })
  }
  if (!kitchen.business && !isRaw && familyOf(doc.family).acidProtects && doc.assembly.crustM === 0) {
    // Whether a finished batch was measured is not known here: it stays closed, with what it asks.
    out.push({
      code: 'homeGuidance',
      days: HOME.days,
      tempC: code.holdC,
      isDefault: false,
      needs: ['homeOnly', 'measuredPH', 'measuredHeat'],
      open: false,
    })
  }
  return out
}
/** What home guidance asks of a batch. */
export const HOME_GUIDANCE = HOME
