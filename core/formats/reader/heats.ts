/** Heats and times as a text names them. */
import { fahrenheitToCelsius } from '../../base/units'
import type { Lexicon } from './lexicon'
import { wordOf } from './plain'

export interface Heat {
  tempC: number
  fan: boolean
  /** °F as written. */
  isF: boolean
  at: number
  end: number
}

/** Every heat a text names, °C. */
export function heatsOf(text: string): Heat[] {
  const out: Heat[] = []
  const re = /(\d{2,3})(?:\s*(?:-|to|bis|a|à)\s*(\d{2,3}))?\s*(?:°\s*([cf])?|(?:degrees?|grad|gradi|grados|degres?)(?!\p{L})\s*([cf](?!\p{L}))?|([cf])(?!\p{L}))/giu
  for (const m of text.matchAll(re)) {
    const scale = (m[3] ?? m[4] ?? m[5] ?? '').toLowerCase()
    const value = m[2] ? (Number(m[1]) + Number(m[2])) / 2 : Number(m[1])
    const tempC = scale === 'f' || (scale === '' && value > 260) ? fahrenheitToCelsius(value) : value
    const after = text.slice(m.index + m[0].length, m.index + m[0].length + 24)
    const before = text.slice(Math.max(0, m.index - 12), m.index)
    const fan = /^\s*(?:c\b)?[\s(]*(?:fan|umluft|heissluft|chaleur tournante|ventil|con ventilador|convection)/i.test(after)
      || /(?:fan|umluft|heissluft|forno ventilato)\s*(?:at|bei)?\s*$/i.test(before)
    out.push({ tempC, fan, isF: tempC !== value, at: m.index, end: m.index + m[0].length })
  }
  return out
}

const times = new Map<string, { re: RegExp, words: Map<string, number> }>()
/** Times of a language: figures and its number words. */
function timeOf({ locale, words }: Lexicon) {
  const known = times.get(locale)
  if (known) return known
  const numbers = new Map(Object.entries(words.numbers).map(([w, n]) => [wordOf(w), n]))
  for (const a of words.article) numbers.set(wordOf(a), 1)
  const all = [...numbers.keys()].filter(w => w.length > 0).sort((a, b) => b.length - a.length).join('|')
  const made = {
    words: numbers,
    re: new RegExp([
      `((?<![\\p{L}\\d.,])(?:\\d{1,3}(?:[.,]5)?|${all}))(?:\\s+an?)?(?:\\s+(halbe|media|mezza|demi))?(?:\\s+of)?`,
      `(?:\\s*(?:-|to|bis|a|or|oder|o|ou|y|und|and)\\s*(\\d{1,3}|${all}))?`,
      '\\s*-?\\s*(min(?:ute|uto|uten|uti|s|n)?s?|mn|(?<=\\d)[m\']|hours?|hrs?|h|stunden?|std|heures?|horas?|ore|ora)(?!\\p{L})',
    ].join(''), 'giu'),
  }
  times.set(locale, made)
  return made
}

/**
 * Every time a text in plain letters names, minutes, the mean of a range.
 * @example minutesOf('chill for 4 to 6 hours', lexiconOf('en'))[0].minutes // 300
 */
export function minutesOf(text: string, lexicon: Lexicon): { at: number, minutes: number }[] {
  const { re, words } = timeOf(lexicon)
  const value = (w: string) => words.get(w.toLowerCase()) ?? Number(w.replace(',', '.'))
  return [...text.matchAll(re)].map((m) => {
    const unit = /^(?:h|st|or)/i.test(m[4]!) ? 60 : 1
    const first = value(m[1]!) * (m[2] ? 0.5 : 1)
    return { at: m.index, minutes: unit * (m[3] ? (first + value(m[3])) / 2 : first) }
  })
}
