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

export const timeAxis = (name: string, max: number, format: (v: number) => string, interval?: number): XAXisComponentOption => ({
  type: 'value', min: 0, max, name, nameLocation: 'end', nameGap: 6, nameTextStyle: { ...label(SOFT), align: 'right', verticalAlign: 'top', padding: [24, 0, 0, 0] },
  axisLine: { lineStyle: { color: INK } }, axisTick: { lineStyle: { color: INK } }, splitLine: { show: false },
  axisLabel: { ...label(SOFT), formatter: format, showMaxLabel: false }, ...(interval ? { interval } : {}),
})
export const valueAxis = (name: string, min: number, max: number, right = false, color = SOFT): YAXisComponentOption => ({
  type: 'value', min, max, name, position: right ? 'right' : 'left', nameTextStyle: { ...label(color), align: right ? 'right' : 'left', padding: right ? [0, -34, 0, 0] : [0, 0, 0, -34] },
  axisLine: { show: false }, axisTick: { show: false }, splitLine: { show: !right, lineStyle: { color: HAIRLINE } }, axisLabel: label(color),
})
