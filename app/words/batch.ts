/** What a batch's screens say: faults, tests, notices, causes, what was learned. */
import type { CutFace, Fault, Outcome, SpoonWord } from '#core/book/outcome'
import type { CoolingStage } from '#core/book/cooling'
import type { Happened } from '#core/book/record'
import type { Notice } from '#core/live/notice'
import { group, say } from './say'

export const FAULT_NAMES = group<Record<Fault, string>>('batch.FAULT_NAMES')
export const SPOON_NAMES = group<Record<SpoonWord, string>>('batch.SPOON_NAMES')
export const CUT_NAMES = group<Record<CutFace, string>>('batch.CUT_NAMES')
export const NOTICE_WORDS = group<Record<Notice, string>>('batch.NOTICE_WORDS')
const BESIDE_NAMES = group<Record<string, string>>('batch.BESIDE_NAMES')
const UNIT_NAMES = group<Record<string, string>>('batch.UNITS')
export const EVENT_WORDS = group<Record<Happened['kind'], string>>('batch.EVENT_WORDS')
export const OUTCOME_FIELDS = group<Record<keyof Outcome, string>>('batch.FIELDS')
export const VIEW_NAMES = group<Record<'cook' | 'out' | 'why' | 'record', string>>('batch.VIEWS')
const DIFFERENCE = group<{ high: string, low: string }>('batch.DIFFERENCE')

type Format = ReturnType<typeof useFormat>

/** Seconds as a clock has them. @example clockWords(100) // '1:40' */
export const clockWords = (s: number): string => {
  const whole = Math.max(0, Math.round(s))
  const [m, rest] = [Math.floor(whole / 60), whole % 60]
  return m >= 60
    ? `${Math.floor(m / 60)}:${String(m % 60).padStart(2, '0')}:${String(rest).padStart(2, '0')}`
    : `${m}:${String(rest).padStart(2, '0')}`
}

/** Minutes from one end to the other, as whole minutes once there are several. */
export function leftWords(range: { low: number, high: number }): string {
  const [low, high] = [Math.max(0, range.low), Math.max(0, range.high)]
  if (high < 90) return `${Math.round(low)}–${Math.round(high)} s`
  if (high >= 7200) return `${(low / 3600).toFixed(1)}–${(high / 3600).toFixed(1)} h`
  const [a, b] = [Math.round(low / 60), Math.round(high / 60)]
  return a === b ? `${a} min` : `${a}–${b} min`
}

/** What the code asks of a cooling batch, and whether it was met. */
export function stageWords(s: CoolingStage, startedAt: string, fmt: Format): string {
  const [c, at] = [fmt.temp(s.toC), fmt.clock(startedAt, s.dueS)]
  switch (s.state) {
    case 'met': return say('batch.codeMet', { c })
    case 'missed': return say('batch.codeMissed', { c })
    case 'unmeasured': return say('batch.codeUnmeasured', { c, at })
    case 'due': return say('batch.codeAsks', { c, at })
  }
}

/** In words how what was measured differs from what was foretold. */
export function differenceWords(b: { predicted: number, measured: number, sigma: number }): string {
  const z = (b.measured - b.predicted) / Math.max(1e-9, b.sigma)
  return Math.abs(z) < 1 ? say('batch.closer') : z > 0 ? DIFFERENCE.high : DIFFERENCE.low
}

/** What a figure is called; one of a fridge by its kind. @example besideName('air.fan') // 'fridge, its air' */
export const besideName = (id: string): string => BESIDE_NAMES[id.replace('.', '_')] ?? BESIDE_NAMES[id.split('.')[0]!] ?? id

/** A unit's word; none where there is none. @example unitName('points') // 'of 10' */
export const unitName = (unit: string): string => UNIT_NAMES[unit] ?? unit
/** A figure with the digits its unit is read in. */
export const figureWords = (value: number, unit: string, fmt: Format): string => {
  if (unit === '°C') return fmt.temp(value, 1)
  const digits = unit === 'g' ? 0 : unit === 'pH' || unit === 'kg' ? 2 : 1
  return [fmt.fixed(value, digits), unitName(unit)].filter(Boolean).join(' ')
}
