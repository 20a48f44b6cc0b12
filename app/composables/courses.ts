/** Courses of a batch as charts show them: what was read since a moment, the line foretold, the line measured. */
import type { LineSeriesOption } from 'echarts'
import type { Series } from '#core/book/record'
import { INK, label, SOFT } from './useChartStyle'
import type { LiveBatch } from './useBatch'
import { say } from '~/words/say'

export interface Read {
  /** Since the moment, s. */
  s: number
  value: number
}
/** What a series read from a moment on. @example readSince(null, 0).length // 0 */
export const readSince = (series: Series | null | undefined, fromS: number): Read[] =>
  series?.timeS.flatMap((t, i) => {
    const value = series.values[i]
    return t >= fromS && value != null ? [{ s: t - fromS, value }] : []
  }) ?? []

/** An instrument that says nothing for longer is silent, s of its own time; the line brings news in steps. */
const SILENT_S = 10
/** Since when an instrument says nothing, s; 0: it speaks. */
export function silentS(series: Series, { nowS, clock }: Pick<LiveBatch, 'nowS' | 'clock'>): number {
  const gone = nowS.value - (series.timeS.at(-1) ?? 0)
  return gone > SILENT_S * Math.max(1, clock.value.speed) ? gone : 0
}

/** The line that was foretold: dashed, with its word at its end. */
export const foretoldLine = (data: number[][], above = false): LineSeriesOption => ({
  type: 'line',
  name: say('batch.predicted'),
  showSymbol: false,
  data,
  lineStyle: { color: SOFT, width: 2, type: 'dashed' },
  itemStyle: { color: SOFT },
  endLabel: {
    show: true, ...label(SOFT), formatter: say('batch.predicted'), align: 'right', offset: [0, above ? -12 : 14],
  },
})
/** The line that was measured. */
export const measuredLine = (data: number[][]): LineSeriesOption => ({
  type: 'line',
  name: say('batch.measured'),
  showSymbol: data.length < 3,
  data,
  lineStyle: { color: INK, width: 3 },
  itemStyle: { color: INK },
  z: 5,
})
/** Room around every course. */
export const COURSE_GRID = { left: 48, right: 16, top: 30, bottom: 46 }
