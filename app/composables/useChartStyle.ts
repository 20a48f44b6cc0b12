/** Ink, hairlines and type of every chart, in one place. */
import type { XAXisComponentOption, YAXisComponentOption } from 'echarts'

export const INK = '#1F2F24'
export const SOFT = '#4C594F'
export const HAIRLINE = '#D9D5C3'
export const CITRON_DEEP = '#7D6500'
export const CITRON = '#E9C72B'
export const BLOOD = '#B8412A'
export const COLD = '#38566A'
export const FONT = '"Instrument Sans Variable", sans-serif'

export const textStyle = { fontFamily: FONT, fontSize: 14, color: INK }
export const label = (color = INK) => ({ fontFamily: FONT, fontSize: 14, color })

export const timeAxis = (
  name: string,
  max: number,
  format: (v: number) => string,
  interval?: number,
): XAXisComponentOption => ({
  type: 'value',
  min: 0,
  max,
  name,
  nameLocation: 'middle',
  nameGap: 28,
  nameTextStyle: label(SOFT),
  axisLine: { lineStyle: { color: INK } },
  axisTick: { lineStyle: { color: INK } },
  splitLine: { show: false },
  axisLabel: { ...label(SOFT), formatter: format, showMaxLabel: false },
  ...(interval ? { interval } : {}),
})
export const valueAxis = (
  name: string,
  min: number,
  max: number,
  right = false,
  color = SOFT,
): YAXisComponentOption => ({
  type: 'value',
  min,
  max,
  name,
  position: right ? 'right' : 'left',
  nameTextStyle: {
    ...label(color),
    align: right ? 'right' : 'left',
    padding: right ? [0, -34, 0, 0] : [0, 0, 0, -34],
  },
  axisLine: { show: false },
  axisTick: { show: false },
  splitLine: { show: !right, lineStyle: { color: HAIRLINE } },
  axisLabel: label(color),
})

/**
 * Moments as hairlines with their word above the plot, in rows so that neighbours never run into one another.
 * @param row of the first word above the plot; @param span of the axis: words nearer than two fifths of it (a phone's
 * width of a word) take rows of their own
 */
export function moments(list: { name: string, at: number, color: string }[], span: number, firstRow = 0) {
  const sorted = [...list].sort((a, b) => a.at - b.at)
  let row = firstRow
  return {
    symbol: 'none',
    silent: true,
    animation: false,
    data: sorted.map((m, i) => {
      const previous = sorted[i - 1]
      row = previous && (m.at - previous.at) / span < 0.4 ? row + 1 : firstRow
      const late = m.at / span > 0.86
      return {
        xAxis: m.at,
        lineStyle: { color: m.color, type: 'solid' as const, width: 1 },
        label: {
          ...label(m.color),
          fontWeight: 600 as const,
          formatter: m.name,
          position: 'end' as const,
          distance: 4 + 19 * row,
          align: late ? ('right' as const) : ('center' as const),
          textBorderColor: '#FBF8F0',
          textBorderWidth: 3,
        },
      }
    }),
  }
}
