/**
 * What a cook types into a number field: sums and units ("150+20", "2 cups", "3 eggs", "1 1/2 tbsp", "2 kg − 150").
 * Terms are added and taken away in turn; `*` and `/` bind within a term. What can be read two ways is refused by name.
 */
import { densityOf, EGG_GRADES, type EggGrade } from './ingredients/measures'
import { type CupSystem, fahrenheitToCelsius, INCH_M, OUNCE_G, POUND_G, STICK_G, SYSTEM_ML } from './units'

export type QuantityKind = 'mass' | 'length' | 'temperature' | 'time' | 'plain'
export interface QuantityContext {
  kind: QuantityKind
  /** What is weighed, for cups, spoons and millilitres. */
  ingredientId?: string
  cups: CupSystem | null
  eggGrade: EggGrade
  /** Value of a bare number's unit in SI: 1 for grams, .001 for millimetres. */
  bare: number
  /** A bare temperature is °F. */
  fahrenheit?: boolean
}
export type QuantityResult =
  { value: number } | { problem: 'notANumber' | 'whoseCups' | 'noDensity' | 'wrongUnit', unit?: string }

const FRACTION: Record<string, string> = { '½': '1/2', '¼': '1/4', '¾': '3/4', '⅓': '1/3', '⅔': '2/3', '⅛': '1/8' }
const LENGTH: Record<string, number> = {
  'mm': 1e-3,
  'cm': 1e-2,
  'm': 1,
  'in': INCH_M,
  'inch': INCH_M,
  'inches': INCH_M,
  '"': INCH_M,
}
const TIME: Record<string, number> = {
  s: 1,
  sec: 1,
  min: 60,
  mins: 60,
  h: 3600,
  hr: 3600,
  hrs: 3600,
  hour: 3600,
  hours: 3600,
}
const MASS: Record<string, number> = {
  g: 1,
  gram: 1,
  grams: 1,
  kg: 1000,
  oz: OUNCE_G,
  ounce: OUNCE_G,
  ounces: OUNCE_G,
  lb: POUND_G,
  lbs: POUND_G,
  stick: STICK_G,
  sticks: STICK_G,
}
const VOLUME: Record<string, number> = { ml: 1, cl: 10, dl: 100, l: 1000 }
const MEASURE: Record<string, 'cup' | 'tablespoon' | 'teaspoon' | 'fluidOunce' | 'pint'> = {
  'cup': 'cup',
  'cups': 'cup',
  'tbsp': 'tablespoon',
  'tablespoon': 'tablespoon',
  'tablespoons': 'tablespoon',
  'tsp': 'teaspoon',
  'teaspoon': 'teaspoon',
  'teaspoons': 'teaspoon',
  'fl oz': 'fluidOunce',
  'floz': 'fluidOunce',
  'pint': 'pint',
  'pints': 'pint',
}
const EGG: Record<string, 'wholeG' | 'yolkG' | 'whiteG'> = {
  egg: 'wholeG',
  eggs: 'wholeG',
  yolk: 'yolkG',
  yolks: 'yolkG',
  white: 'whiteG',
  whites: 'whiteG',
}

/** Reads a typed quantity into SI (grams, metres, °C, seconds), or says what is wrong with it. */
export function readQuantity(raw: string, c: QuantityContext): QuantityResult {
  const text = raw
    .trim()
    .toLowerCase()
    .replace(/[−–]/g, '-')
    .replace(/(\d),(\d)/g, '$1.$2')
    .replace(/×/g, '*')
    .replace(/(\d)?\s*([½¼¾⅓⅔⅛])/g, (_, n: string | undefined, f: string) => `${n ? `${n} ` : ''}${FRACTION[f]!}`)
  if (text === '') return { problem: 'notANumber' }
  // Signs between terms; a leading minus belongs to the first.
  const terms = text.match(/[+-]?[^+-]+/g) ?? []
  if (terms.join('') !== text) return { problem: 'notANumber' }
  let sum = 0
  for (const [i, term] of terms.entries()) {
    const m = /^([+-]?)\s*([\d.*/ ]*\d)\s*(.*?)\s*$/.exec(term)
    if (!m || (i > 0 && m[1] === '')) return { problem: 'notANumber' }
    const n = product(m[2]!)
    if (n === null) return { problem: 'notANumber' }
    const scale = scaleOf(m[3]!, c)
    if (typeof scale === 'object') return scale
    sum += (m[1] === '-' ? -1 : 1) * (c.kind === 'temperature' ? toCelsius(n, m[3]!, c) : n * scale)
  }
  return Number.isFinite(sum) ? { value: sum } : { problem: 'notANumber' }
}

/** "1 1/2", "3*17", "2/3"; null for anything else. */
function product(text: string): number | null {
  const mixed = /^(\d+)\s+(\d+)\/(\d+)$/.exec(text)
  if (mixed) return Number(mixed[1]) + Number(mixed[2]) / Number(mixed[3])
  if (/\d\s+\d/.test(text) || !/^\d*\.?\d+(?:\s*[*/]\s*\d*\.?\d+)*$/.test(text)) return null
  return text
    .split(/\s*(?=[*/])/)
    .reduce(
      (value, part, i) =>
        i === 0 ? Number(part) : part[0] === '*' ? value * Number(part.slice(1)) : value / Number(part.slice(1)),
      0,
    )
}

const toCelsius = (n: number, unit: string, c: QuantityContext) =>
  (unit === '' ? c.fahrenheit : unit.includes('f')) ? fahrenheitToCelsius(n) : n

function scaleOf(
  unit: string,
  c: QuantityContext,
): number | { problem: 'whoseCups' | 'noDensity' | 'wrongUnit', unit: string } {
  if (unit === '') return c.bare
  const wrong = { problem: 'wrongUnit' as const, unit }
  if (c.kind === 'temperature') return /^°?\s*[cf]$/.test(unit) ? 1 : wrong
  if (c.kind === 'length') return LENGTH[unit] ?? wrong
  if (c.kind === 'time') return TIME[unit] ?? wrong
  if (c.kind === 'plain') return /^(?:%|°bx|w|m|ml)$/.test(unit) ? c.bare : wrong
  if (MASS[unit] !== undefined) return MASS[unit]
  const egg = EGG[unit]
  if (egg) return EGG_GRADES[c.eggGrade][egg]
  const gPerMl = c.ingredientId === undefined ? undefined : densityOf(c.ingredientId)?.gPerMl
  const measure = MEASURE[unit]
  const ml =
    VOLUME[unit] ??
    (measure
      ? c.cups
        ? SYSTEM_ML[c.cups][measure]
        : measure === 'teaspoon'
          ? SYSTEM_ML.metric.teaspoon
          : null
      : undefined)
  if (ml === undefined) return wrong
  if (ml === null) return { problem: 'whoseCups', unit }
  return gPerMl === undefined ? { problem: 'noDensity', unit } : ml * gPerMl
}
