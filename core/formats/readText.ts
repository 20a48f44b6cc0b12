/**
 * Reading a pasted formula: lines such as "1 1/2 cups caster sugar" become grams, with what was assumed beside each.
 * What cannot be read, or can be read two ways, becomes a question; nothing is guessed silently. Quantities and units
 * are split by the `parse-ingredient` library; what a measure weighs is decided here.
 */
import { parseIngredient } from 'parse-ingredient'
import { INGREDIENTS, findIngredient, type Ingredient } from '../ingredients'
import { DENSITIES, EGG_GRADES, FRUITS, GRANULATED_G_PER_ML, type EggGrade, type Fruit } from '../ingredients/measures'
import { OUNCE_G, POUND_G, STICK_G, SYSTEM_ML, type CupSystem } from '../units/measures'

/** How a mass was found; worded outside the core. */
export type Basis =
  | { kind: 'weighed' }
  | { kind: 'ounce', ounceG: number }
  | { kind: 'millilitres', gPerMl: number }
  | { kind: 'measure', measure: 'cup' | 'tablespoon' | 'teaspoon' | 'fluidOunce' | 'pint', system: CupSystem, ml: number, eachG: number, how: string }
  | { kind: 'egg', grade: EggGrade, part: 'whole' | 'yolk' | 'white', eachG: number }
  | { kind: 'fruit', fruit: string, size: string, part: 'juice' | 'zest', eachG: number, lnSigma: number }
  | { kind: 'stick', stickG: number }
  | { kind: 'answered' }

export type Question =
  | { kind: 'cups', options: CupSystem[] }
  | { kind: 'eggGrade', word: string, options: EggGrade[] }
  | { kind: 'ounce', options: ('weight' | 'fluid')[] }
  | { kind: 'amount', reason: 'missing' | 'range' | 'unit', unit: string, low?: number, high?: number }
  | { kind: 'ingredient', words: string, suggestion: string | null }
  | { kind: 'fruitPart', options: ('juice' | 'zest' | 'both')[] }

export interface ReadItem { ingredientId: string | null, massG: number | null, basis: Basis | null }
export interface ReadLine {
  index: number
  text: string
  items: ReadItem[]
  /** First open question; null when the line is read. */
  question: Question | null
  heading: boolean
  leftOut: boolean
}

export interface Answers {
  cups?: CupSystem
  /** By the size word as written ('' when none was). */
  eggGrade?: Record<string, EggGrade>
  /** By line index. */
  ounce?: Record<number, 'weight' | 'fluid'>
  amountG?: Record<number, number>
  ingredient?: Record<number, string>
  fruitPart?: Record<number, 'juice' | 'zest' | 'both'>
  leftOut?: number[]
}

const NUMBER_WORDS: Record<string, string> = { one: '1', two: '2', three: '3', four: '4', five: '5', six: '6', seven: '7', eight: '8', nine: '9', ten: '10', twelve: '12', half: '1/2', a: '1', an: '1' }
/** Words that do not change what an ingredient is. */
const PLAIN_WORDS = new Set('fresh freshly squeezed cold chilled soft softened melted cubed diced chopped strained sieved fine finely grated free range free-range organic unwaxed scrubbed ripe large medium small extra xl size sized room temperature at about roughly of the and in into cut pieces jumbo pasteurised pasteurized beaten lightly separated plus good quality pure big very'.split(' '))
const EGG_SIZES: Record<string, EggGrade[]> = {
  'large': ['usL', 'euL'], 'medium': ['euM', 'usM'], 'small': ['euS'], 'extra large': ['usXL', 'euXL'], 'jumbo': ['usJ'], '': ['euM', 'euL', 'usL'],
}
const LIQUID = new Set(['juice', 'egg', 'dairy', 'water'])

const singular = (word: string) => word.replace(/ies$/, 'y').replace(/(ch|sh|x|ss)es$/, '$1').replace(/([^s])s$/, '$1')
const tidy = (text: string) => text.toLowerCase().replace(/[’']/g, '\'').replace(/\([^)]*\)/g, ' ').replace(/\s+/g, ' ').trim()
const words = (text: string) => tidy(text).replace(/[^\p{L}\d%' -]/gu, ' ').split(/\s+/).filter(Boolean)

/** Aliases, longest first, so that "key lime juice" wins over "lime juice". */
const ALIASES = INGREDIENTS.flatMap(row => row.aliases.map(alias => ({ row, parts: alias.split(' ') }))).sort((a, b) => b.parts.length - a.parts.length)

/** Finds an ingredient in a description; `rest` are the words that stayed unexplained. */
export function matchIngredient(description: string): { row: Ingredient | null, rest: string[] } {
  const list = words(description.split(',')[0]!)
  const singulars = list.map(singular)
  for (const { row, parts } of ALIASES) {
    const want = parts.map(singular)
    for (let i = 0; i + want.length <= list.length; i++) {
      if (want.every((w, k) => singulars[i + k] === w)) {
        const rest = [...list.slice(0, i), ...list.slice(i + want.length)].filter(w => !PLAIN_WORDS.has(w) && !/^\d/.test(w))
        return { row, rest }
      }
    }
  }
  return { row: null, rest: list }
}

function matchFruit(description: string): { fruit: Fruit, rest: string[] } | null {
  const list = words(description).map(singular)
  let best: { fruit: Fruit, length: number, at: number } | null = null
  for (const fruit of FRUITS) {
    for (const phrase of fruit.words) {
      const want = phrase.split(' ')
      const at = list.findIndex((_, i) => want.every((w, k) => list[i + k] === w))
      if (at >= 0 && (!best || want.length > best.length)) best = { fruit, length: want.length, at }
    }
  }
  if (!best) return null
  const rest = [...list.slice(0, best.at), ...list.slice(best.at + best.length)].filter(w => !PLAIN_WORDS.has(w) && !['juice', 'zest', 'juiced', 'zested', 'rind', 'peel', 'fruit'].includes(w))
  return { fruit: best.fruit, rest }
}

const FRUIT_PARTS = /^(?:the\s+)?(?:finely\s+)?(?:grated\s+)?(juice|zest|rind)(?:\s*(?:and|&|\+|,)\s*(?:finely\s+)?(?:grated\s+)?(juice|zest|rind))?\s+(?:of|from)\s+(.+)$/i

/** "US cups", "metric tbsp": the line says whose measure it is. */
const WHOSE = /\b(us|metric|australian|imperial)\s+(?=(?:cups?|tbsps?|tablespoons?|tsps?|teaspoons?|fl\.?\s?oz|fluid ounces?|pints?)\b)/i

interface Ctx { index: number, answers: Answers }

/** Reads a whole text. Empty lines are dropped; headings and what the cook left out stay, without items. */
export function readText(text: string, answers: Answers = {}): ReadLine[] {
  return text.split(/\r?\n/).map(l => l.replace(/^\s*[-*•·]\s*/, '').trim()).filter(l => l.length > 0).map((line, index) => readLine(line, { index, answers }))
}

function readLine(text: string, ctx: Ctx): ReadLine {
  const base: ReadLine = { index: ctx.index, text, items: [], question: null, heading: false, leftOut: false }
  if (ctx.answers.leftOut?.includes(ctx.index)) return { ...base, leftOut: true }
  const lower = tidy(text)
  const parts = FRUIT_PARTS.exec(lower)
  if (parts) return readFruit(base, parts[3]!, new Set([parts[1], parts[2]].filter(Boolean).map(p => p === 'rind' ? 'zest' : p as 'juice' | 'zest')), ctx)
  const normal = text.replace(/^(one|two|three|four|five|six|seven|eight|nine|ten|twelve|half|an?)\b/i, w => NUMBER_WORDS[w.toLowerCase()]!)
  const whose = WHOSE.exec(normal)?.[1]?.toLowerCase() as CupSystem | undefined
  const parsed = parseIngredient(normal.replace(WHOSE, ''))[0]
  if (!parsed) return { ...base, question: { kind: 'ingredient', words: text, suggestion: null } }
  if (parsed.isGroupHeader) return { ...base, heading: true }
  const description = parsed.description.replace(/\b(heaped|level|scant)\b/gi, '').trim()

  // A whole fruit: "3 lemons, juiced", "2 limes".
  const { row, rest } = matchIngredient(description)
  const isJuiceWord = /\b(juice|zest|puree|purée|pulp)\b/i.test(description.split(',')[0]!)
  const fruit = !row && !isJuiceWord && (parsed.unitOfMeasureID === null || parsed.unitOfMeasureID === 'large' || parsed.unitOfMeasureID === 'medium' || parsed.unitOfMeasureID === 'small') ? matchFruit(`${sizeWord(parsed.unitOfMeasureID)} ${description}`) : null
  if (fruit) {
    const said = new Set<'juice' | 'zest'>()
    if (/juice/i.test(description)) said.add('juice')
    if (/zest|rind/i.test(description)) said.add('zest')
    const answer = ctx.answers.fruitPart?.[ctx.index]
    if (answer === 'both' || answer === 'juice') said.add('juice')
    if (answer === 'both' || answer === 'zest') said.add('zest')
    if (said.size === 0) return { ...base, question: { kind: 'fruitPart', options: ['juice', 'zest', 'both'] } }
    return readFruit(base, normal.split(',')[0]!, said, ctx)
  }

  const answered = ctx.answers.ingredient?.[ctx.index]
  const chosen = answered ? findIngredient(answered) ?? null : row
  const amount = ctx.answers.amountG?.[ctx.index]
  if (!chosen || (!answered && rest.length > 0)) {
    return { ...base, items: [{ ingredientId: chosen?.id ?? null, massG: amount ?? null, basis: null }], question: { kind: 'ingredient', words: rest.join(' ') || description, suggestion: row?.id ?? null } }
  }
  const done = (massG: number, basis: Basis): ReadLine => ({ ...base, items: [{ ingredientId: chosen.id, massG: Math.round(massG * 10) / 10, basis }] })
  const ask = (question: Question): ReadLine => ({ ...base, items: [{ ingredientId: chosen.id, massG: null, basis: null }], question })
  if (amount !== undefined) return done(amount, { kind: 'answered' })
  const unit = parsed.unitOfMeasureID
  if (parsed.quantity === null) return ask({ kind: 'amount', reason: 'missing', unit: '' })
  if (parsed.quantity2 !== null) return ask({ kind: 'amount', reason: 'range', unit: unit ?? '', low: parsed.quantity, high: parsed.quantity2 })
  const n = unit === 'dozen' ? 12 * parsed.quantity : parsed.quantity

  if (chosen.group === 'egg' && (unit === null || ['dozen', 'large', 'medium', 'small'].includes(unit))) return readEggs(base, chosen, n, `${sizeWord(unit)} ${description}`, ctx)
  const density = chosen.id === 'sugar' && /granulated/i.test(description) ? { gPerMl: GRANULATED_G_PER_ML, how: 'level, not packed' } : DENSITIES[chosen.id]
  const cups = whose ?? ctx.answers.cups
  const measure = (name: 'cup' | 'tablespoon' | 'teaspoon' | 'fluidOunce' | 'pint', system: CupSystem): ReadLine => {
    if (!density) return ask({ kind: 'amount', reason: 'unit', unit: name })
    const ml = SYSTEM_ML[system][name]
    return done(n * ml * density.gPerMl, { kind: 'measure', measure: name, system, ml, eachG: ml * density.gPerMl, how: density.how ?? '' })
  }
  switch (unit) {
    case 'gram': return done(n, { kind: 'weighed' })
    case 'kilogram': return done(1000 * n, { kind: 'weighed' })
    case 'milligram': return done(n / 1000, { kind: 'weighed' })
    case 'pound': return done(n * POUND_G, { kind: 'ounce', ounceG: OUNCE_G })
    case 'milliliter': case 'liter': case 'deciliter': {
      if (!density) return ask({ kind: 'amount', reason: 'unit', unit })
      const ml = n * { milliliter: 1, deciliter: 100, liter: 1000 }[unit]
      return done(ml * density.gPerMl, { kind: 'millilitres', gPerMl: density.gPerMl })
    }
    case 'cup': case 'pint': case 'fluid ounce':
      return cups ? measure(unit === 'fluid ounce' ? 'fluidOunce' : unit, cups) : ask({ kind: 'cups', options: ['us', 'metric', 'australian', 'imperial'] })
    case 'tablespoon': case 'teaspoon':
      return measure(unit, cups ?? 'metric')
    case 'ounce': {
      if (!LIQUID.has(chosen.group)) return done(n * OUNCE_G, { kind: 'ounce', ounceG: OUNCE_G })
      const which = ctx.answers.ounce?.[ctx.index]
      if (!which) return ask({ kind: 'ounce', options: ['fluid', 'weight'] })
      if (which === 'weight') return done(n * OUNCE_G, { kind: 'ounce', ounceG: OUNCE_G })
      return cups ? measure('fluidOunce', cups) : ask({ kind: 'cups', options: ['us', 'imperial'] })
    }
    case 'stick': return chosen.group === 'butter' ? done(n * STICK_G, { kind: 'stick', stickG: STICK_G }) : ask({ kind: 'amount', reason: 'unit', unit: 'stick' })
    default: return ask({ kind: 'amount', reason: unit === null ? 'missing' : 'unit', unit: parsed.unitOfMeasure ?? '' })
  }
}

const sizeWord = (unit: string | null) => unit === 'large' || unit === 'medium' || unit === 'small' ? unit : ''

function readEggs(base: ReadLine, row: Ingredient, n: number, description: string, ctx: Ctx): ReadLine {
  const size = /\bextra[ -]large\b/i.test(description) ? 'extra large' : /\b(large|medium|small|jumbo)\b/i.exec(description)?.[1]?.toLowerCase() ?? ''
  const options = EGG_SIZES[size]!
  const grade = ctx.answers.eggGrade?.[size] ?? (options.length === 1 ? options[0] : undefined)
  if (!grade) return { ...base, items: [{ ingredientId: row.id, massG: null, basis: null }], question: { kind: 'eggGrade', word: size, options } }
  const part = row.id === 'egg' ? 'whole' : row.id === 'white' ? 'white' : 'yolk'
  const g = EGG_GRADES[grade]
  const eachG = part === 'whole' ? g.wholeG : part === 'white' ? g.whiteG : g.yolkG
  return { ...base, items: [{ ingredientId: row.id, massG: Math.round(n * eachG * 10) / 10, basis: { kind: 'egg', grade, part, eachG } }] }
}

function readFruit(base: ReadLine, text: string, parts: Set<'juice' | 'zest'>, ctx: Ctx): ReadLine {
  const normal = text.trim().replace(/^(one|two|three|four|five|six|seven|eight|nine|ten|twelve|half|an?)\b/i, w => NUMBER_WORDS[w.toLowerCase()]!)
  const parsed = parseIngredient(normal)[0]
  const found = parsed ? matchFruit(`${sizeWord(parsed.unitOfMeasureID)} ${parsed.description}`) : null
  if (!parsed || !found || found.rest.length > 0) return { ...base, question: { kind: 'ingredient', words: text, suggestion: null } }
  const n = parsed.quantity
  const ids = [...parts].map(p => p === 'juice' ? found.fruit.juiceId : 'zest')
  if (n === null) return { ...base, items: ids.map(ingredientId => ({ ingredientId, massG: ctx.answers.amountG?.[ctx.index] ?? null, basis: null })), question: { kind: 'amount', reason: 'missing', unit: found.fruit.id } }
  if (parsed.quantity2 !== null) return { ...base, items: ids.map(ingredientId => ({ ingredientId, massG: null, basis: null })), question: { kind: 'amount', reason: 'range', unit: found.fruit.id, low: n, high: parsed.quantity2 } }
  const { fruit } = found
  return {
    ...base,
    items: (['juice', 'zest'] as const).filter(p => parts.has(p)).map((part) => {
      const eachG = part === 'juice' ? fruit.juiceG : fruit.zestG
      return { ingredientId: part === 'juice' ? fruit.juiceId : 'zest', massG: Math.round(n * eachG * 10) / 10, basis: { kind: 'fruit', fruit: fruit.words[0]!, size: fruit.size, part, eachG, lnSigma: part === 'juice' ? fruit.lnJuiceSigma : 0.3 } }
    }),
  }
}
