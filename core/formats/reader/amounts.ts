/** Amounts in a row of words: numbers, fractions, ranges, each, sums and differences. */
import type { Token } from './tokens'

export interface Amount {
  value: number
  /** The other end of a range. */
  high: number | null
  unit: string | null
  /** "2 x 395 g", "3 (59 g each)": what one of them is. */
  each: { value: number, unit: string } | null
  size: string | null
  grade: string | null
  percent: boolean
  /** A fraction whose space was lost. */
  mended: boolean
  /** Written in figures, not in words. */
  digits: boolean
  /** Tokens it takes, [from, to). */
  from: number
  to: number
}

const isSign = (t: Token | undefined, sign: string) =>
  (t?.k === 'sign' || t?.k === 'range') && t.text === sign
const isNumber = (t: Token | undefined) => t?.k === 'num'
/** 11/2 is one and a half when eleven halves would be odd. */
const DENOMINATORS = [2, 3, 4, 8]

/** A number at a place: whole, fraction, mixed, in words. @returns value and where it ends; null where there is none */
function numberAt(ts: readonly Token[], i: number): { value: number, to: number, mended: boolean } | null {
  let t = ts[i]
  if (t?.k === 'article' || t?.k === 'sign') {
    const next = ts[i + 1]
    const counts = t.k === 'article' && next
      && (next.k === 'unit' || next.k === 'size' || (next.k === 'num' && !/^\d/.test(next.text)))
    if (!counts) return null
    if (next.k !== 'num') return { value: 1, to: i + 1, mended: false }
    t = next
    i++
  }
  if (t?.k !== 'num') return null
  let value = t.value
  let to = i + 1
  let mended = false
  const fractionAt = (k: number): number | null =>
    isNumber(ts[k]) && isSign(ts[k + 1], '/') && isNumber(ts[k + 2])
      ? (ts[k] as { value: number }).value / (ts[k + 2] as { value: number }).value
      : null
  const first = fractionAt(i)
  if (first !== null) {
    const [top, under] = [t.text, (ts[i + 2] as { value: number }).value]
    const whole = Number(top.slice(0, -1))
    const rest = Number(top.slice(-1))
    if (top.length === 2 && DENOMINATORS.includes(under) && rest > 0 && rest < under) {
      value = whole + rest / under
      mended = true
    } else if (first >= 1 && under > 8) return { value, to, mended }
    else value = first
    to = i + 3
  } else {
    // "1 1/2", "1-1/2", "1 & 1/2".
    const from = isSign(ts[to], '-') || ts[to]?.k === 'plus' ? to + 1 : to
    const second = fractionAt(from)
    if (second !== null && second < 1 && Number.isInteger(value)) {
      value += second
      to = from + 3
    }
  }
  // "one third", "two hundred and fifty", "2 and a half", "half a".
  for (;;) {
    const next = ts[to]
    const ahead = next?.k === 'plus' || next?.k === 'link' ? ts[to + 1]?.k === 'article' ? to + 2 : to + 1 : to
    const w = ts[ahead]
    if (w?.k !== 'num' || /^\d/.test(w.text)) break
    if (w.value === 100 && ahead === to) value *= 100
    else if (w.value < 1) value = ahead === to ? value * w.value : value + w.value
    else if (w.value === 12 && ahead === to) value *= 12
    // "Two fifty" is two hundred and fifty.
    else if (value < 10 && Number.isInteger(value) && w.value >= 20 && w.value < 100 && ahead === to && !/^\d/.test(t.text))
      value = 100 * value + w.value
    else if (value >= 100 && w.value < 100) value += w.value
    else if (value >= 20 && value < 100 && w.value < 10 && ahead === to) value += w.value
    else break
    to = ahead + 1
  }
  while (value < 1 && (ts[to]?.k === 'article' || ts[to]?.text === 'of') && ts[to + 1]?.k !== 'ingredient') to++
  return { value, to, mended }
}

/**
 * Everything an amount can be, at a place.
 * @example amountAt(tokensOf('2 cups sugar', 0, lexiconOf('en')), 0).unit // 'cup'
 */
export function amountAt(ts: readonly Token[], i: number): Amount | null {
  const n = numberAt(ts, i)
  const bareUnit = ts[i]?.k === 'unit' && ['pinch', 'some'].includes((ts[i] as { unit: string }).unit)
  if (!n && !bareUnit) return null
  const out: Amount = {
    value: n?.value ?? 1, high: null, unit: null, each: null, size: null, grade: null, percent: false,
    mended: n?.mended ?? false, digits: /^\d/.test(ts[i]!.text), from: i, to: n?.to ?? i,
  }
  const dash = ts[out.to]
  // "3-ingredient": no amount.
  const stuck = ts[out.to + 1]
  if (n && isSign(dash, '-') && stuck && ['word', 'link', 'ingredient', 'fruit', 'state'].includes(stuck.k)
    && dash!.at[0] === ts[out.to - 1]!.at[1] && stuck.at[0] === dash!.at[1]) return null
  const hyphen = isSign(dash, '-') || dash?.k === 'range' || (dash?.k === 'link' && dash.text === 'or')
  if (hyphen && n) {
    const other = numberAt(ts, out.to + 1)
    if (other && other.value > out.value) {
      out.high = other.value
      out.to = other.to
    }
  }
  takeUnit(ts, out)
  return out.unit === '' ? null : out
}

/** What a measure may come in: "400 g can". */
const CONTAINERS = ['can', 'tub', 'packet']

/** What is counted, and holds something. */
export const HOLDERS = [...CONTAINERS, 'piece']
const MASSES = ['g', 'kg', 'ml', 'ounce', 'pound']

/**
 * What follows a number: a unit, "x 395 g", a size, a grade, a percent sign; '' when it is a length, a time, a heat.
 */
function takeUnit(ts: readonly Token[], out: Amount): void {
  for (let guard = 0; guard < 6; guard++) {
    const t = ts[out.to]
    if (t === undefined) return
    // A length, a heat, or how strong a gelatine is.
    if (t.k === 'dimension' || t.k === 'degrees' || isSign(t, '°') || t.text === 'bloom') {
      out.unit = ''
      return
    }
    if (isSign(t, '%')) {
      out.percent = true
      out.to++
      return
    }
    if (t.k === 'word' && t.text === 'x' && out.unit === null) {
      const each = amountAt(ts, out.to + 1)
      if (each?.unit) {
        out.each = { value: each.value, unit: each.unit }
        out.to = each.to
        out.size = each.size ?? out.size
        continue
      }
      // "2 x eggs" are two; "1.5x the juice" is no amount.
      if (!['ingredient', 'fruit', 'size', 'other'].includes(ts[out.to + 1]?.k ?? '')) {
        out.unit = ''
        return
      }
      out.to++
      continue
    }
    // "1 sachet 12 g", "4 ea 14 oz": what one of them holds.
    if (t.k === 'num' && HOLDERS.includes(out.unit ?? '') && out.each === null) {
      const each = amountAt(ts, out.to)
      if (!each?.unit || !MASSES.includes(each.unit)) return
      out.each = { value: each.value, unit: each.unit }
      out.to = each.to
      continue
    }
    // "2 14-oz cans".
    if (t.k === 'num' && out.unit === null && out.high === null) {
      const each = amountAt(ts, out.to)
      const last = each && ts[each.to - 1]
      if (!each?.unit || last?.k !== 'unit' || !CONTAINERS.includes(last.unit) || each.unit === last.unit) return
      out.each = { value: each.value, unit: each.unit }
      out.unit = last.unit
      out.to = each.to
      continue
    }
    if (t.k === 'unit') {
      // "400 g can", "2 gold leaves": the measure is the mass, the can says what it comes in.
      if (out.unit === null) out.unit = t.unit
      else if (![...CONTAINERS, 'piece', 'leaf'].includes(t.unit)) return
      out.to++
      continue
    }
    if (t.k === 'size') {
      out.size = t.size
      out.to++
      continue
    }
    if (t.k === 'grade') {
      out.grade = t.grade
      out.to++
      continue
    }
    // "14-ounce", "8-oz".
    if (isSign(t, '-') && ts[out.to + 1]?.k === 'unit' && out.unit === null) {
      out.to++
      continue
    }
    if (isSign(t, '-') && ts[out.to + 1]?.k === 'dimension') {
      out.unit = ''
      return
    }
    return
  }
}

/** All amounts of a row, in order, none inside another. */
export function amountsIn(ts: readonly Token[]): Amount[] {
  const out: Amount[] = []
  for (let i = 0; i < ts.length;) {
    const t = ts[i]!
    // The figure of 36 % fat, or of a tin of 20 cm, is no amount.
    const a = t.k === 'num' || t.k === 'article' || t.k === 'unit' ? amountAt(ts, i) : null
    if (a) {
      out.push(a)
      i = Math.max(a.to, i + 1)
    } else i++
  }
  return out
}
