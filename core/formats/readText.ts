/**
 * Reading a pasted formula: lines such as "1 1/2 cups caster sugar" become grams, with what was assumed beside each.
 * What cannot be read, or can be read two ways, becomes a question; nothing is guessed silently. Quantities and units
 * are split by the `parse-ingredient` library; what a measure weighs is decided here.
 */
import { parseIngredient } from 'parse-ingredient'
import { findIngredient } from '../base/ingredients/ingredients'
import {
  DENSITIES,
  EGG_GRADES,
  type EggGrade,
  type Fruit,
  FRUITS,
  GRANULATED_G_PER_ML,
} from '../base/ingredients/measures'
import { INGREDIENTS } from '../base/ingredients/table'
import type { Ingredient } from '../base/ingredients/types'
import { type CupSystem, OUNCE_G, POUND_G, STICK_G, SYSTEM_ML } from '../base/units'
import type { Piece } from '../formula/document'
import { LEAVES, POWDER_BLOOM } from '../physics/set/gelatin'
import { recipeText, type Section, type TextLine } from './recipeText'
import { translate } from './translate'

/** How a mass was found; worded outside the core. */
export type Basis =
  | { kind: 'weighed' }
  | { kind: 'ounce', ounceG: number }
  | { kind: 'millilitres', gPerMl: number }
  | {
    kind: 'measure'
    measure: 'cup' | 'tablespoon' | 'teaspoon' | 'fluidOunce' | 'pint'
    system: CupSystem
    ml: number
    eachG: number
    how: string
  }
  | { kind: 'egg', grade: EggGrade, part: 'whole' | 'yolk' | 'white', eachG: number }
  | { kind: 'fruit', fruit: string, size: string, part: 'juice' | 'zest', eachG: number, lnSigma: number }
  | { kind: 'stick', stickG: number }
  | { kind: 'answered' }
  /** Grams or millilitres stand in brackets beside the measure. */
  | { kind: 'written', gPerMl: number | null }
  | { kind: 'can', canG: number }
  | { kind: 'leaf', grade: LeafGrade, eachG: number }
  | { kind: 'packet', eachG: number }
  | { kind: 'pinch', eachG: number }
  /** A percentage of a kilogram. */
  | { kind: 'percent' }
  | { kind: 'sum', of: Basis[] }

export type Question =
  | { kind: 'cups', options: CupSystem[] }
  | { kind: 'eggGrade', word: string, options: EggGrade[] }
  | { kind: 'ounce', options: ('weight' | 'fluid')[] }
  | { kind: 'amount', reason: 'missing' | 'range' | 'unit', unit: string, low?: number, high?: number }
  | { kind: 'ingredient', words: string, suggestion: string | null }
  | { kind: 'fruitPart', options: ('juice' | 'zest' | 'both')[] }
  | { kind: 'can', options: number[] }
  | { kind: 'leafGrade', options: LeafGrade[] }

export type LeafGrade = keyof typeof LEAVES
export const LEAF_GRADES = Object.keys(LEAVES) as LeafGrade[]

export interface ReadItem {
  ingredientId: string | null
  massG: number | null
  basis: Basis | null
  piece?: Piece
  /** Gelatin grade, g Bloom. */
  bloom?: number
}
export interface ReadLine {
  index: number
  text: string
  items: ReadItem[]
  /** First open question; null when the line is read. */
  question: Question | null
  heading: boolean
  comment: boolean
  leftOut: boolean
  section: Section
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
  /** Grams of a can, by ingredient. */
  can?: Record<string, number>
  leafGrade?: LeafGrade
}

const NUMBER_WORDS: Record<string, string> = {
  one: '1',
  two: '2',
  three: '3',
  four: '4',
  five: '5',
  six: '6',
  seven: '7',
  eight: '8',
  nine: '9',
  ten: '10',
  twelve: '12',
  half: '1/2',
  a: '1',
  an: '1',
}
/** Words that do not change what an ingredient is. */
const PLAIN_WORDS = new Set(
  'fresh freshly squeezed cold chilled soft softened melted cubed diced chopped strained sieved fine finely grated free range free-range organic unwaxed scrubbed ripe large medium small extra xl size sized room temperature at about roughly of the and in into cut pieces jumbo pasteurised pasteurized beaten lightly separated good quality pure big very unflavored unflavoured powdered full-fat packed firmly light-brown sifted unsifted level heaped scant whisked whole strips softly only your best softened thinly sliced crushed frozen thawed organic local unwaxed drained shelled warm hot lukewarm boiling divided needed optional for dusting more taste salted unsalted leaf leaves sheets sheet'.split(
    ' ',
  ),
)
const EGG_SIZES: Record<string, EggGrade[]> = {
  'large': ['usL', 'euL'],
  'medium': ['euM', 'usM'],
  'small': ['euS'],
  'extra large': ['usXL', 'euXL'],
  'jumbo': ['usJ'],
  '': ['euM', 'euL', 'usL'],
}
const LIQUID = new Set(['juice', 'egg', 'dairy', 'water'])
/** Dairy that is weighed, not poured: ounces of it are by weight. */
const SPOONED = new Set(['cream_cheese', 'mascarpone', 'greek', 'creme_fr', 'smp', 'wmp'])
/**
 * Cans as sold, g: condensed milk 397 (14 oz), 390 (300 ml), 227 (8 oz), tube 170; evaporated 354 ml and 170; coconut
 * 400 ml and 160 (trade sizes, from memory).
 */
const CANS: Readonly<Record<string, number[]>> = {
  condensed: [397, 390, 227, 170],
  evaporated: [410, 377, 170],
  coconut_milk: [382, 160],
  coconut_cream: [382, 154],
}
/** A packet of gelatin powder: US envelope 7.1 g (trade size, from memory). */
const PACKET_G = 7.1
/** A pinch between finger and thumb, g (common practice). */
const PINCH_G = 0.3

const singular = (word: string) =>
  word
    .replace(/ies$/, 'y')
    .replace(/(ch|sh|x|ss)es$/, '$1')
    .replace(/([^s])s$/, '$1')
const tidy = (text: string) =>
  text
    .toLowerCase()
    .replace(/[’']/g, '\'')
    .replace(/\([^)]*\)/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()
const words = (text: string) =>
  tidy(text)
    .replace(/[^\p{L}\d%' -]/gu, ' ')
    .split(/\s+/)
    .filter(Boolean)

/** Aliases, longest first, so that "key lime juice" wins over "lime juice". */
const ALIASES = INGREDIENTS.flatMap(row => row.aliases.map(alias => ({ row, parts: alias.split(' ') }))).sort(
  (a, b) => b.parts.length - a.parts.length,
)

/** Finds an ingredient in a description; `rest` are the words that stayed unexplained. */
export function matchIngredient(description: string): { row: Ingredient | null, rest: string[] } {
  const list = words(description.split(',')[0]!)
  const singulars = list.map(singular)
  for (const { row, parts } of ALIASES) {
    const want = parts.map(singular)
    for (let i = 0; i + want.length <= list.length; i++) {
      if (want.every((w, k) => singulars[i + k] === w)) {
        const rest = [...list.slice(0, i), ...list.slice(i + want.length)].filter(
          w => !PLAIN_WORDS.has(w) && !/^\d/.test(w),
        )
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
  const rest = [...list.slice(0, best.at), ...list.slice(best.at + best.length)].filter(
    w => !PLAIN_WORDS.has(w) && !['juice', 'zest', 'juiced', 'zested', 'rind', 'peel', 'fruit'].includes(w),
  )
  return { fruit: best.fruit, rest }
}

const FRUIT_PARTS =
  /^(?:the\s+)?(?:finely\s+)?(?:grated\s+)?(juice|zest|rind)(?:\s*(?:and|&|\+|,)\s*(?:finely\s+)?(?:grated\s+)?(juice|zest|rind))?\s+(?:of|from)\s+(.+)$/i

/** "US cups", "metric tbsp": the line says whose measure it is. */
const WHOSE =
  /\b(us|metric|australian|imperial)\s+(?=(?:cups?|tbsps?|tablespoons?|tsps?|teaspoons?|fl\.?\s?oz|fluid ounces?|pints?)\b)/i

interface Ctx {
  index: number
  answers: Answers
}

/**
 * Reads a whole text: its ingredient lines. Headings, comments and what the cook left out stay, without items.
 * @example readText('200 g sugar').length // 1
 */
export function readText(text: string, answers: Answers = {}): ReadLine[] {
  return recipeText(text).lines.map((line, index) => readTextLine(line, index, answers))
}

/** A line that nobody writes, characters: it is asked, not read. */
export const LINE_MOST = 500
/** A text that is no recipe any more: what is longer is not read at all. */
export const TEXT_MOST = { characters: 200_000, lines: 3000 } as const

/** What a text has too much of, and how much; null when it can be read. @example tooLong('200 g sugar') // null */
export function tooLong(text: string): { of: 'characters' | 'lines', count: number, most: number } | null {
  if (text.length > TEXT_MOST.characters) return { of: 'characters', count: text.length, most: TEXT_MOST.characters }
  const count = text.split('\n').length
  return count > TEXT_MOST.lines ? { of: 'lines', count, most: TEXT_MOST.lines } : null
}

/**
 * Reads one line of a text taken apart: for who reads a long one bit by bit.
 * @example readTextLine(recipeText('200 g sugar').lines[0], 0).items[0].massG // 200
 */
export function readTextLine(line: TextLine, index: number, answers: Answers = {}): ReadLine {
  return possible(readLine(line, { index, answers }))
}

/** Most of one line that a kitchen weighs, g. */
const MOST_G = 100_000
/** A line that comes to nothing, or to tons, is asked again. */
function possible(line: ReadLine): ReadLine {
  const odd = !line.question && line.items.some(i => i.massG !== null && (i.massG <= 0 || i.massG > MOST_G))
  return odd
    ? {
        ...line,
        items: line.items.map(i => ({ ...i, massG: null, basis: null })),
        question: { kind: 'amount', reason: 'missing', unit: '' },
      }
    : line
}

const FRACTIONS: Record<string, string> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅓': '1/3',
  '⅔': '2/3',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅕': '1/5',
}
const METRIC = String.raw`(?:g|gr|grams?|grammes?|gramos?|kg|ml|cl|dl|l|litres?|liters?)`
const IMPERIAL = String.raw`(?:oz|ounces?|lbs?|pounds?|cups?|fl\.? ?oz|sticks?)`
const NUM = String.raw`\d+(?:[./]\d+)?(?: \d+/\d+)?`

/** A line in the reader's own habits: English words, plain fractions, points for decimals, one measure. */
function normalise(text: string): string {
  let t = translate(text)
    .replace(/[’‘]/g, '\'')
    .replace(/[–—]/g, '-')
    .replace(/\u00A0/g, ' ')
  t = t
    .replace(
      /(\d)?\s*([½¼¾⅓⅔⅛⅜⅝⅞⅕])/g,
      (_, n: string | undefined, f: string) => `${n ? `${n} ` : ' '}${FRACTIONS[f]!}`,
    )
    .trim()
  t = t.replace(/⁄/g, '/').replace(/litre/gi, 'liter')
  // 1,250 g is a thousand; 1,5 dl is one and a half.
  t = t.replace(/\b(\d{1,3}),(\d{3})(?=\s*(?:g|ml)\b)/gi, '$1$2').replace(/(\d),(\d)/g, '$1.$2')
  t = t.replace(/^(?:about|approx(?:\.|imately)?|roughly|around|circa|ca\.?|scant|heaped|generous)\s+/i, '')
  t = t
    .replace(/\b(\d+|one|two|three)\s+and\s+a\s+half\b/gi, '$1 1/2')
    .replace(/\bhalf\s+an?\b/gi, '1/2')
    .replace(/\b(\d+)\s+and\s+(\d\/\d)/gi, '$1 $2')
  t = t.replace(
    /^(one|two|three|four|five|six|seven|eight|nine|ten|twelve|half|an?)\b/i,
    w => NUMBER_WORDS[w.toLowerCase()]!,
  )
  t = t.replace(/(\d)-(ounce|oz|g|gram|ml)\b/gi, '$1 $2')
  t = t.replace(new RegExp(`\\b(${NUM})\\s*cl\\b`, 'gi'), (_, n: string) => `${10 * Number(n)} ml`)
  // "2 x 300 ml", "3 × 80 g".
  t = t.replace(/^(\d+)\s*[x×]\s*(\d+(?:\.\d+)?)\s*(g|ml)\b/i, (all, n: string, each: string, unit: string) =>
    /\b(?:tins?|cans?)\b/i.test(t) ? all : `${Number(n) * Number(each)} ${unit}`,
  )
  // Two measures of one thing: the metric one.
  t = t.replace(new RegExp(`^(${NUM}\\s*${METRIC})\\s*[/|]\\s*${NUM}\\s*${IMPERIAL}\\b\\.?`, 'i'), '$1')
  t = t.replace(new RegExp(`^${NUM}\\s*${IMPERIAL}\\.?\\s*[/|]\\s*(${NUM}\\s*${METRIC})\\b`, 'i'), '$1')
  return t.replace(/\s+/g, ' ').trim()
}

/** Grams or millilitres in brackets, for the whole line. */
function bracketed(text: string): { value: number, unit: 'g' | 'ml' } | null {
  for (const [, inside] of text.matchAll(/\(([^)]*)\)/g)) {
    const m = /(?:^|[\s/,;~])(?:about |approx\.? |ca\.? )?(\d+(?:\.\d+)?)\s*(g|gr|grams?|kg|ml|l)\b(?!\s*each)/i.exec(
      inside!,
    )
    if (m)
      return { value: Number(m[1]) * (/^(?:kg|l)$/i.test(m[2]!) ? 1000 : 1), unit: /^m?l$/i.test(m[2]!) ? 'ml' : 'g' }
  }
  return null
}

const PLUS = /\s+(?:plus|\+|and|&)\s+(?=\d|one\b|two\b|three\b|four\b|an?\s+(?:cup|tbsp|tablespoon|teaspoon|tsp))/i

/** A line, in parts when it adds things up: "1/3 cup plus 2 tbsp sugar", "2 eggs plus 3 yolks". */
function readLine(line: TextLine, ctx: Ctx): ReadLine {
  const base: ReadLine = {
    index: ctx.index,
    text: line.text,
    items: [],
    question: null,
    heading: line.heading,
    comment: line.comment,
    leftOut: false,
    section: line.section,
  }
  if (line.heading || line.comment) return base
  if (ctx.answers.leftOut?.includes(ctx.index)) return { ...base, leftOut: true }
  if (line.text.length > LINE_MOST)
    return { ...base, question: { kind: 'ingredient', words: `${line.text.slice(0, 60)}…`, suggestion: null } }
  const text = normalise(line.text.replace(/\s*\/\/.*$/, '').replace(/\s+#.*$/, ''))
  const amount = ctx.answers.amountG?.[ctx.index]
  const said = bracketed(text)
  const open = text
    .replace(/\([^)]*\)/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()
  const parts = open.split(PLUS)
  if (parts.length === 2 && !said && amount === undefined && !FRUIT_PARTS.test(tidy(open))) {
    const [first, second] = parts as [string, string]
    const noun = matchIngredient(second).row ? second.replace(new RegExp(`^${NUM}\\s*\\p{L}+\\.?`, 'iu'), '') : ''
    const tail = matchIngredient(first).row ? first.replace(new RegExp(`^${NUM}\\s*\\p{L}+\\.?`, 'iu'), '') : ''
    const a = readOne(matchIngredient(first).row ? first : `${first}${noun}`, base, ctx, null)
    const b = readOne(matchIngredient(second).row ? second : `${second}${tail}`, base, ctx, null)
    const question = a.question ?? b.question
    if (question) return { ...base, items: a.items, question }
    const [x, y] = [a.items[0], b.items[0]]
    if (a.items.length === 1 && b.items.length === 1 && x!.ingredientId === y!.ingredientId)
      return {
        ...base,
        items: [{ ...x!, massG: round(x!.massG! + y!.massG!), basis: { kind: 'sum', of: [x!.basis!, y!.basis!] } }],
      }
    return { ...base, items: [...a.items, ...b.items] }
  }
  return readOne(text, base, ctx, said)
}

const round = (g: number) => Math.round(g * 10) / 10
const CAN =
  /^(\d+(?:\.\d+)?|\d+\/\d+)\s*(?:x\s*)?(?:\(?\s*(\d+(?:\.\d+)?)\s*(g|ml|oz|ounces?)\s*\)?\s*)?(?:tins?|cans?|tubes?)\s*(?:(\d+(?:\.\d+)?)\s*(g|ml|oz|ounces?)\s+(?:each\s+)?)?(?:of\s+)?(.+)$/i
const LEAF =
  /^(\d+(?:\.\d+)?|\d+\/\d+)\s*(?:(bronze|silver|gold|platinum)\s*)?(?:-?grade\s*)?(?:leaves|leaf|sheets?)\b(.*gelatine?.*)$/i
const LEAF_AFTER =
  /^(\d+(?:\.\d+)?|\d+\/\d+)\s*(?:(bronze|silver|gold|platinum)\s*)?(?:-?grade\s*)?(?:gelatine?)\s*(?:leaves|leaf|sheets?)(.*)$/i
const PACKET = /^(\d+(?:\.\d+)?|\d+\/\d+)\s*(?:envelopes?|packets?|sachets?|packages?)\s*(?:of\s+)?(.*gelatine?.*)$/i
const PERCENT = /^(?:(.+?)[:\s]+(\d+(?:\.\d+)?)\s*%|(\d+(?:\.\d+)?)\s*%\s+(.+))$/
const number = (text: string) =>
  text.includes('/') ? Number(text.split('/')[0]) / Number(text.split('/')[1]) : Number(text)

function readOne(text: string, base: ReadLine, ctx: Ctx, said: ReturnType<typeof bracketed>): ReadLine {
  const lower = tidy(text)
  const parts = FRUIT_PARTS.exec(lower)
  const special = readSpecial(text, base, ctx)
  if (special) return special
  if (parts)
    return withSaid(
      readFruit(
        base,
        parts[3]!,
        new Set([parts[1], parts[2]].filter(Boolean).map(p => (p === 'rind' ? 'zest' : (p as 'juice' | 'zest')))),
        ctx,
      ),
      said,
    )
  const normal = text
    .replace(/\([^)]*\)/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()
  const whose = WHOSE.exec(normal)?.[1]?.toLowerCase() as CupSystem | undefined
  const parsed = parseIngredient(normal.replace(WHOSE, ''))[0]
  if (!parsed) return { ...base, question: { kind: 'ingredient', words: text, suggestion: null } }
  if (parsed.isGroupHeader) return { ...base, heading: true }
  const description = parsed.description
    .replace(/\b(heaped|level|scant|generous)\b/gi, '')
    .replace(/^(?:x|\.|tub|tubs|pot|pots|carton|cartons|block|bar)\s+(?:of\s+)?/i, '')
    .trim()

  // A whole fruit: "3 lemons, juiced", "2 limes".
  const { row, rest } =
    creamByFat(`${description} ${/\(([^)]*%[^)]*)\)/.exec(text)?.[1] ?? ''}`) ?? matchIngredient(description)
  const isJuiceWord = /\b(juice|zest|puree|purée|pulp)\b/i.test(description.split(',')[0]!)
  const fruit =
    !row &&
    !isJuiceWord &&
    (parsed.unitOfMeasureID === null ||
      parsed.unitOfMeasureID === 'large' ||
      parsed.unitOfMeasureID === 'medium' ||
      parsed.unitOfMeasureID === 'small')
      ? matchFruit(`${sizeWord(parsed.unitOfMeasureID)} ${description}`)
      : null
  if (fruit) {
    const wanted = new Set<'juice' | 'zest'>()
    if (/juice/i.test(description)) wanted.add('juice')
    if (/zest|rind/i.test(description)) wanted.add('zest')
    const answer = ctx.answers.fruitPart?.[ctx.index]
    if (answer === 'both' || answer === 'juice') wanted.add('juice')
    if (answer === 'both' || answer === 'zest') wanted.add('zest')
    if (wanted.size === 0) return { ...base, question: { kind: 'fruitPart', options: ['juice', 'zest', 'both'] } }
    return withSaid(readFruit(base, normal.split(',')[0]!, wanted, ctx), said)
  }

  const answered = ctx.answers.ingredient?.[ctx.index]
  const chosen = answered ? (findIngredient(answered) ?? null) : row
  const amount = ctx.answers.amountG?.[ctx.index]
  if (!chosen || (!answered && rest.length > 0)) {
    return {
      ...base,
      items: [{ ingredientId: chosen?.id ?? null, massG: amount ?? null, basis: null }],
      question: {
        kind: 'ingredient',
        words: rest.join(' ') || description,
        suggestion: row?.id ?? likely(description),
      },
    }
  }
  const done = (massG: number, basis: Basis): ReadLine => ({
    ...base,
    items: [
      {
        ingredientId: chosen.id,
        massG: round(massG),
        basis,
        ...(chosen.id === 'gelatin' ? { bloom: POWDER_BLOOM } : {}),
      },
    ],
  })
  const ask = (question: Question): ReadLine => ({
    ...base,
    items: [{ ingredientId: chosen.id, massG: null, basis: null }],
    question,
  })
  if (amount !== undefined) return done(amount, { kind: 'answered' })
  const unit = parsed.unitOfMeasureID
  if (said)
    return sayMass(done, chosen, said, parsed.quantity, unit) ?? ask({ kind: 'amount', reason: 'unit', unit: 'ml' })
  if (/\bpinch\b/i.test(normal)) return done((parsed.quantity ?? 1) * PINCH_G, { kind: 'pinch', eachG: PINCH_G })
  if (parsed.quantity === null) return ask({ kind: 'amount', reason: 'missing', unit: '' })
  if (parsed.quantity2 !== null)
    return ask({ kind: 'amount', reason: 'range', unit: unit ?? '', low: parsed.quantity, high: parsed.quantity2 })
  const n = unit === 'dozen' ? 12 * parsed.quantity : parsed.quantity

  if (chosen.group === 'egg' && (unit === null || ['dozen', 'large', 'medium', 'small'].includes(unit)))
    return readEggs(base, chosen, n, `${sizeWord(unit)} ${description}`, ctx)
  const density =
    chosen.id === 'sugar' && /granulated/i.test(description)
      ? { gPerMl: GRANULATED_G_PER_ML, how: 'level, not packed' }
      : DENSITIES[chosen.id]
  const cups = whose ?? ctx.answers.cups
  const measure = (name: 'cup' | 'tablespoon' | 'teaspoon' | 'fluidOunce' | 'pint', system: CupSystem): ReadLine => {
    if (!density) return ask({ kind: 'amount', reason: 'unit', unit: name })
    const ml = SYSTEM_ML[system][name]
    return done(n * ml * density.gPerMl, {
      kind: 'measure',
      measure: name,
      system,
      ml,
      eachG: ml * density.gPerMl,
      how: density.how ?? '',
    })
  }
  switch (unit) {
    case 'gram':
      return done(n, { kind: 'weighed' })
    case 'kilogram':
      return done(1000 * n, { kind: 'weighed' })
    case 'milligram':
      return done(n / 1000, { kind: 'weighed' })
    case 'pound':
      return done(n * POUND_G, { kind: 'ounce', ounceG: OUNCE_G })
    case 'milliliter':
    case 'liter':
    case 'deciliter': {
      if (!density) return ask({ kind: 'amount', reason: 'unit', unit })
      const ml = n * { milliliter: 1, deciliter: 100, liter: 1000 }[unit]
      return done(ml * density.gPerMl, { kind: 'millilitres', gPerMl: density.gPerMl })
    }
    case 'quart':
      return cups
        ? done(2 * n * SYSTEM_ML[cups].pint * (density?.gPerMl ?? 1), {
            kind: 'measure',
            measure: 'pint',
            system: cups,
            ml: SYSTEM_ML[cups].pint,
            eachG: SYSTEM_ML[cups].pint * (density?.gPerMl ?? 1),
            how: '',
          })
        : ask({ kind: 'cups', options: ['us', 'imperial'] })
    case 'cup':
    case 'pint':
    case 'fluid ounce':
      return cups
        ? measure(unit === 'fluid ounce' ? 'fluidOunce' : unit, cups)
        : ask({ kind: 'cups', options: ['us', 'metric', 'australian', 'imperial'] })
    case 'tablespoon':
    case 'teaspoon':
      return cups
        ? measure(unit, cups)
        : unit === 'teaspoon'
          ? measure(unit, 'metric')
          : ask({ kind: 'cups', options: ['us', 'metric', 'australian', 'imperial'] })
    case 'ounce': {
      if (!LIQUID.has(chosen.group) || SPOONED.has(chosen.id))
        return done(n * OUNCE_G, { kind: 'ounce', ounceG: OUNCE_G })
      const which = ctx.answers.ounce?.[ctx.index]
      if (!which) return ask({ kind: 'ounce', options: ['fluid', 'weight'] })
      if (which === 'weight') return done(n * OUNCE_G, { kind: 'ounce', ounceG: OUNCE_G })
      return cups ? measure('fluidOunce', cups) : ask({ kind: 'cups', options: ['us', 'imperial'] })
    }
    case 'stick':
      return chosen.group === 'butter'
        ? done(n * STICK_G, { kind: 'stick', stickG: STICK_G })
        : ask({ kind: 'amount', reason: 'unit', unit: 'stick' })
    default:
      return ask({ kind: 'amount', reason: unit === null ? 'missing' : 'unit', unit: parsed.unitOfMeasure ?? '' })
  }
}

/** "cream, 35 % fat": the row within two points; null when it is not cream or no row is near. */
function creamByFat(description: string): { row: Ingredient, rest: string[] } | null {
  if (!/\bcream\b/i.test(description) || /\bcheese|sour|coconut\b/i.test(description)) return null
  const fat = /(\d{2}(?:\.\d)?)\s*%/.exec(description)
  if (!fat) return null
  const near = ['cream30', 'cream36', 'cream38', 'cream48']
    .map(id => findIngredient(id)!)
    .map(row => ({ row, off: Math.abs((row.per100g.fat ?? 0) - Number(fat[1])) }))
    .sort((a, b) => a.off - b.off)[0]!
  return near.off <= 2 ? { row: near.row, rest: [] } : null
}

/** What a word that stands for several things most often is; always asked. */
function likely(description: string): string | null {
  // "Limón" is a lemon in Spain and a lime in most of the Americas.
  if (/\bsour-citrus\b/i.test(description)) return 'lemon'
  if (/\bcream\b/i.test(description)) return 'cream36'
  return null
}

/** The mass that stands in brackets. Counted eggs keep their count. */
function sayMass(
  done: (massG: number, basis: Basis) => ReadLine,
  row: Ingredient,
  said: { value: number, unit: 'g' | 'ml' },
  count: number | null,
  unit: string | null,
): ReadLine | null {
  const gPerMl = said.unit === 'ml' ? (DENSITIES[row.id]?.gPerMl ?? null) : null
  if (said.unit === 'ml' && gPerMl === null) return null
  const line = done(said.value * (gPerMl ?? 1), { kind: 'written', gPerMl })
  const kind = row.id === 'egg' ? 'egg' : row.id === 'yolk_sep' ? 'yolk' : row.id === 'white' ? 'white' : null
  if (!kind || !count || !(unit === null || ['large', 'medium', 'small'].includes(unit))) return line
  return { ...line, items: line.items.map(i => ({ ...i, piece: { kind, eachG: i.massG! / count } })) }
}

/** Fruit whose yield stands in brackets: that is what the juice weighs. */
function withSaid(line: ReadLine, said: ReturnType<typeof bracketed>): ReadLine {
  const juice = line.items[0]
  if (!said || line.items.length !== 1 || !juice?.ingredientId || line.question) return line
  const gPerMl = said.unit === 'ml' ? (DENSITIES[juice.ingredientId]?.gPerMl ?? null) : null
  if (said.unit === 'ml' && gPerMl === null) return line
  return {
    ...line,
    items: [{ ...juice, massG: round(said.value * (gPerMl ?? 1)), basis: { kind: 'written', gPerMl } }],
  }
}

/** Cans, leaves, packets and percentages; null for any other line. */
function readSpecial(text: string, base: ReadLine, ctx: Ctx): ReadLine | null {
  const flat = text.replace(/[()]/g, ' ').replace(/\s+/g, ' ')
  const can = CAN.exec(flat)
  if (can) {
    const { row, rest } = matchIngredient(can[6]!)
    if (!row || rest.length > 0)
      return { ...base, question: { kind: 'ingredient', words: can[6]!, suggestion: row?.id ?? null } }
    const n = number(can[1]!)
    const size = can[2] ?? can[4]
    const unit = (can[3] ?? can[5])?.toLowerCase()
    const canG = size
      ? Number(size) * (unit === 'g' ? 1 : unit === 'ml' ? (DENSITIES[row.id]?.gPerMl ?? 1) : OUNCE_G)
      : ctx.answers.can?.[row.id]
    if (canG === undefined)
      return {
        ...base,
        items: [{ ingredientId: row.id, massG: null, basis: null }],
        question: { kind: 'can', options: CANS[row.id] ?? [400] },
      }
    return {
      ...base,
      items: [
        {
          ingredientId: row.id,
          massG: round(n * canG),
          basis: { kind: 'can', canG },
          piece: { kind: 'can', eachG: canG },
        },
      ],
    }
  }
  const leaf = LEAF.exec(flat) ?? LEAF_AFTER.exec(flat)
  if (leaf) {
    const grade =
      ((leaf[2] ?? /\b(bronze|silver|gold|platinum)\b/i.exec(flat)?.[1])?.toLowerCase() as LeafGrade | undefined) ??
      ctx.answers.leafGrade
    if (!grade)
      return {
        ...base,
        items: [{ ingredientId: 'gelatin', massG: null, basis: null }],
        question: { kind: 'leafGrade', options: LEAF_GRADES },
      }
    const { leafG, bloom } = LEAVES[grade]
    return {
      ...base,
      items: [
        {
          ingredientId: 'gelatin',
          massG: round(number(leaf[1]!) * leafG),
          basis: { kind: 'leaf', grade, eachG: leafG },
          piece: { kind: 'leaf', eachG: leafG },
          bloom,
        },
      ],
    }
  }
  const packet = PACKET.exec(flat)
  if (packet)
    return {
      ...base,
      items: [
        {
          ingredientId: 'gelatin',
          massG: round(number(packet[1]!) * PACKET_G),
          basis: { kind: 'packet', eachG: PACKET_G },
          bloom: POWDER_BLOOM,
        },
      ],
    }
  const percent = PERCENT.exec(flat)
  // "cream 36 %" names its fat; "butter 24 %" after other percentages is read when the words alone say what it is.
  if (percent && !/\bfat\b/i.test(flat) && !(/\bcream\b/i.test(flat) && Number(percent[2] ?? percent[3]) >= 18)) {
    const { row, rest } = matchIngredient(percent[1] ?? percent[4]!)
    if (row && rest.length === 0)
      return {
        ...base,
        items: [
          { ingredientId: row.id, massG: round(10 * Number(percent[2] ?? percent[3])), basis: { kind: 'percent' } },
        ],
      }
  }
  return null
}

const sizeWord = (unit: string | null) => (unit === 'large' || unit === 'medium' || unit === 'small' ? unit : '')

function readEggs(base: ReadLine, row: Ingredient, n: number, description: string, ctx: Ctx): ReadLine {
  const size = /\bextra[ -]large\b/i.test(description)
    ? 'extra large'
    : (/\b(large|medium|small|jumbo)\b/i.exec(description)?.[1]?.toLowerCase() ?? '')
  const options = EGG_SIZES[size]!
  const grade = ctx.answers.eggGrade?.[size] ?? (options.length === 1 ? options[0] : undefined)
  if (!grade)
    return {
      ...base,
      items: [{ ingredientId: row.id, massG: null, basis: null }],
      question: { kind: 'eggGrade', word: size, options },
    }
  const part = row.id === 'egg' ? 'whole' : row.id === 'white' ? 'white' : 'yolk'
  const g = EGG_GRADES[grade]
  const eachG = part === 'whole' ? g.wholeG : part === 'white' ? g.whiteG : g.yolkG
  return {
    ...base,
    items: [
      {
        ingredientId: row.id,
        massG: Math.round(n * eachG * 10) / 10,
        basis: { kind: 'egg', grade, part, eachG },
        piece: { kind: part === 'whole' ? 'egg' : part, eachG },
      },
    ],
  }
}

function readFruit(base: ReadLine, text: string, parts: Set<'juice' | 'zest'>, ctx: Ctx): ReadLine {
  const normal = text
    .trim()
    .replace(
      /^(one|two|three|four|five|six|seven|eight|nine|ten|twelve|half|an?)\b/i,
      w => NUMBER_WORDS[w.toLowerCase()]!,
    )
  const parsed = parseIngredient(normal)[0]
  const found = parsed ? matchFruit(`${sizeWord(parsed.unitOfMeasureID)} ${parsed.description}`) : null
  if (!parsed || !found || found.rest.length > 0)
    return { ...base, question: { kind: 'ingredient', words: text, suggestion: null } }
  const n = parsed.quantity
  const ids = [...parts].map(p => (p === 'juice' ? found.fruit.juiceId : 'zest'))
  if (n === null)
    return {
      ...base,
      items: ids.map(ingredientId => ({
        ingredientId,
        massG: ctx.answers.amountG?.[ctx.index] ?? null,
        basis: null,
      })),
      question: { kind: 'amount', reason: 'missing', unit: found.fruit.id },
    }
  if (parsed.quantity2 !== null)
    return {
      ...base,
      items: ids.map(ingredientId => ({ ingredientId, massG: null, basis: null })),
      question: { kind: 'amount', reason: 'range', unit: found.fruit.id, low: n, high: parsed.quantity2 },
    }
  const { fruit } = found
  return {
    ...base,
    items: (['juice', 'zest'] as const)
      .filter(p => parts.has(p))
      .map((part) => {
        const eachG = part === 'juice' ? fruit.juiceG : fruit.zestG
        return {
          ingredientId: part === 'juice' ? fruit.juiceId : 'zest',
          massG: Math.round(n * eachG * 10) / 10,
          basis: {
            kind: 'fruit',
            fruit: fruit.words[0]!,
            size: fruit.size,
            part,
            eachG,
            lnSigma: part === 'juice' ? fruit.lnJuiceSigma : 0.3,
          },
        }
      }),
  }
}
