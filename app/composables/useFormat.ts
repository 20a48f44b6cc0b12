/** Numbers as the kitchen reads them: always with their unit. */
import { format as formatDate, parseISO } from 'date-fns'
import { ingredientName } from '~/words/names'
import { celsiusToFahrenheit, kelvinToFahrenheitDifference } from '#core/base/units'

const nf = (digits: number) =>
  new Intl.NumberFormat('en-GB', { minimumFractionDigits: digits, maximumFractionDigits: digits, useGrouping: true })
const formats = [nf(0), nf(1), nf(2), nf(3)]
/** A tenth only where there is one: what a kitchen scale is read as. */
const tenths = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 1 })
/** A plain number with fixed digits and a true minus. */
export const fixed = (value: number, digits = 0): string => formats[digits]!.format(value).replace('-', '−')

export function useFormat() {
  const kitchen = useKitchenStore()
  const fahrenheit = computed(() => kitchen.record?.settings.temperatureUnit === 'F')
  const unit = computed(() => (fahrenheit.value ? '°F' : '°C'))
  /** A temperature as a number on the kitchen's own scale. */
  const degreesShown = (c: number) => (fahrenheit.value ? celsiusToFahrenheit(c) : c)
  const temp = (c: number, digits = 0) => `${fixed(degreesShown(c), digits)} ${unit.value}`
  /** A difference: no 32 in it. */
  const degrees = (k: number, digits = 0) =>
    `${fixed(fahrenheit.value ? kelvinToFahrenheitDifference(k) : k, digits)} ${unit.value}`
  const weighed = (g: number) => (g < 10 ? tenths.format(g).replace('-', '−') : fixed(g))
  const grams = (g: number) => (g >= 10000 ? `${fixed(g / 1000, 1)} kg` : `${weighed(g)} g`)
  const mm = (m: number, digits = 0) => `${fixed(m * 1000, digits)} mm`
  const cm = (m: number) => `${fixed(m * 100, Math.abs((m * 100) % 1) < 0.05 ? 0 : 1)} cm`
  /** Volumes of pans and dishes: litres from one, else millilitres. */
  const litres = (m3: number) => (m3 >= 1e-3 ? `${fixed(m3 * 1e3, 1)} l` : `${fixed(m3 * 1e6)} ml`)
  const percent = (share: number, digits = 0) => `${fixed(share * 100, digits)} %`
  const pascals = (pa: number) => `${fixed(pa)} Pa`
  /** "2 h 05", "11 min", "40 s". */
  const duration = (s: number) => {
    const total = Math.round(s)
    if (total < 90) return `${total} s`
    const minutes = Math.round(total / 60)
    if (minutes < 60) return `${minutes} min`
    const h = Math.floor(minutes / 60)
    const m = minutes % 60
    return m === 0 ? `${h} h` : `${h} h ${String(m).padStart(2, '0')}`
  }
  const local = (iso: string) => parseISO(iso)
  /** Clock time some seconds after a start, with the day when it is another. */
  const clock = (startAt: string, afterS = 0) => {
    if (!startAt) return ''
    const start = local(startAt)
    const at = new Date(start.getTime() + afterS * 1000)
    return formatDate(at, 'yyyy-MM-dd') === formatDate(start, 'yyyy-MM-dd')
      ? formatDate(at, 'HH:mm')
      : formatDate(at, 'EEE HH:mm')
  }
  const day = (isoDate: string) => formatDate(local(isoDate), 'EEE d MMM')
  const time = (at: string) => formatDate(local(at), 'HH:mm')
  /** By the kitchen's currency sign. */
  const money = (v: number, digits = 2) => `${kitchen.record?.settings.currency ?? ''}${fixed(v, digits)}`
  return {
    fahrenheit,
    unit,
    degreesShown,
    temp,
    degrees,
    grams,
    mm,
    cm,
    litres,
    percent,
    pascals,
    duration,
    clock,
    day,
    time,
    money,
    name: ingredientName,
    fixed,
  }
}
