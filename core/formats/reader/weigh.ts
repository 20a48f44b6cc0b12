/** What a draft weighs: its measure, count or bracket in grams, with what was assumed; or the question that is open. */
import { labelOf } from '../../base/ingredients/label'
import { findIngredient, is } from '../../base/ingredients/ingredients'
import {
  densityOf, EGG_GRADES, type EggGrade, type Fruit, FRUITS, GRANULATED_G_PER_ML,
} from '../../base/ingredients/measures'
import type { Ingredient } from '../../base/ingredients/types'
import { type CupSystem, OUNCE_G, POUND_G, STICK_G, SYSTEM_ML } from '../../base/units'
import type { OwnRules } from '../../kitchen/kitchen'
import { LEAVES, POWDER_BLOOM } from '../../physics/set/gelatin'
import { type Amount, amountsIn } from './amounts'
import { bestOf, type Draft, type Noun } from './drafts'
import { type Answers, answersTo, type Assumption, type Habits, type Item, type LeafGrade, type Question } from './reading'
import { guessOf } from './skeleton'

export const LEAF_GRADES = Object.keys(LEAVES) as LeafGrade[]
/**
 * Cans as sold, g: condensed milk 397 (14 oz), 390 (300 ml), 227 (8 oz), tube 170; evaporated 354 ml and 170; coconut
 * 400 ml and 160 (trade sizes, from memory).
 */
export const CANS: Readonly<Record<string, number[]>> = {
  condensed: [397, 390, 227, 170],
  evaporated: [377, 410, 170],
  coconut_milk: [382, 160],
  coconut_cream: [382, 154],
}
/** A packet of gelatin powder: US envelope 7.1 g (trade size, from memory). */
const PACKET_G = 7.1
/** A packet of vanilla sugar: 8 g (trade size, from memory). */
const VANILLA_SUGAR_G = 8
/** A pinch between finger and thumb, g (common practice). */
const PINCH_G = 0.3
/** A dessertspoon is two teaspoons. */
const DESSERTSPOON_ML = 10
/** Edible share of an egg's weight in its shell (EU classes: 51.8 of 58 g). */
const OUT_OF_SHELL = 0.89
/** A bare figure from here on is grams where the thing can be counted, too. */
const BARE_GRAMS = 31
const WET = ['juice', 'dairy', 'water', 'plant']
/** Dairy that is spooned: ounces of it are by weight. */
const SPOONED = ['condensed', 'cream_cheese', 'mascarpone', 'greek', 'creme_fr', 'creme_sour', 'smp', 'wmp', 'soy_protein', 'pea_protein']
const CANNED_WET = ['evaporated', 'coconut_milk', 'coconut_cream']

export interface Weighed {
  items: Item[]
  question: Question | null
  assumptions: Assumption[]
  /** Two measures of one line that say different weights, g. */
  contradicts: [number, number] | null
  /** Millilitres that the line itself gives a cup. */
  cupMl: number | null
}
export interface Scale {
  habits: Habits
  answers: Answers
  /** The kitchen's own rules, before the table's. */
  house: Pick<OwnRules, 'ownJuiceG' | 'ownCanG' | 'ingredients'>
  /** The line as written: the key of its own answers. */
  text: string
  /** Figures without a unit are grams in this text. */
  bareGrams: boolean
  /** Nothing stands in the text that fruit could lie on. */
  fruitAlone: boolean
}

const item = (ingredientId: string | null, massG: number | null, over: Partial<Item> = {}): Item =>
  ({ ingredientId, massG: massG === null ? null : round(massG), count: null, piece: null, bloom: null, ...over })
const round = (g: number) => Math.round(g * 100) / 100
const ask = (
  kind: Question['kind'], words: string, choices: Question['choices'] = [], suggested: Question['suggested'] = null,
  shared: string | null = null,
): Question => ({ kind, choices, suggested, shared, words })
const done = (items: Item[], assumptions: Assumption[] = [], over: Partial<Weighed> = {}): Weighed =>
  ({ items, question: null, assumptions, contradicts: null, cupMl: null, ...over })
const open = (items: Item[], question: Question): Weighed =>
  ({ items, question, assumptions: [], contradicts: null, cupMl: null })
const told = (code: Assumption['code'], params: Assumption['params'] = {}): Assumption => ({ code, params })

const METRIC_G: Record<string, number> = { g: 1, kg: 1000, mg: 0.001, hg: 100, pound500: 500 }
const METRIC_ML: Record<string, number> = { quarterLitre: 250, halfLitre: 500, ml: 1, cl: 10, dl: 100, l: 1000 }
const MEASURES: Record<string, 'cup' | 'tablespoon' | 'teaspoon' | 'fluidOunce' | 'pint'> = {
  cup: 'cup', tablespoon: 'tablespoon', teaspoon: 'teaspoon', fluidOunce: 'fluidOunce', pint: 'pint', quart: 'pint',
}

/** Grams of an amount of an ingredient, or the question it leaves. */
function gramsOf(
  a: { value: number, unit: string | null }, row: Ingredient, d: Draft, s: Scale,
): { g: number, by: Assumption } | Question {
  const words = d.nouns[0]?.text ?? ''
  const density = row.id === 'sugar' && /granulated|kristall/.test(words)
    ? { gPerMl: GRANULATED_G_PER_ML }
    : densityOf(row.id)
  const unit = a.unit ?? ''
  if (METRIC_G[unit]) return { g: a.value * METRIC_G[unit], by: told('weighed') }
  if (unit === 'pound') return { g: a.value * POUND_G, by: told('ounce') }
  if (METRIC_ML[unit]) {
    if (!density) return ask('amount', unit)
    return { g: a.value * METRIC_ML[unit] * density.gPerMl, by: told('millilitres', { gPerMl: density.gPerMl }) }
  }
  if (unit === 'dessertspoon' && density)
    return {
      g: a.value * DESSERTSPOON_ML * density.gPerMl,
      by: told('measure', { measure: unit, ml: DESSERTSPOON_ML, system: 'metric' }),
    }
  if (unit === 'ounce') {
    const own = answersTo(s.answers, s.text).find(a => a === 'fluid' || a === 'weight') ?? s.answers.shared?.ounce
    if (own !== 'fluid' && own !== 'weight' && WET.includes(row.group) && !SPOONED.includes(row.id))
      return ask('ounce', words, ['fluid', 'weight'], 'fluid')
    if (own !== 'fluid') return { g: a.value * OUNCE_G, by: told('ounce') }
    return gramsOf({ value: a.value, unit: 'fluidOunce' }, row, d, s)
  }
  const measure = MEASURES[unit]
  if (measure) {
    const spoon = measure === 'tablespoon' || measure === 'teaspoon'
    const system: CupSystem | null = s.habits.cups ?? (spoon ? 'metric' : null)
    if (!system) return ask('cups', unit, ['us', 'metric', 'australian', 'imperial'], suggestedCups(s.habits), 'cups')
    if (!density) return ask('amount', unit)
    const ml = SYSTEM_ML[system][measure] * (unit === 'quart' ? 2 : 1)
    return { g: a.value * ml * density.gPerMl, by: told('measure', { measure: unit, ml, system }) }
  }
  if (unit === 'stick' && row.group === 'butter') return { g: a.value * STICK_G, by: told('stick', { stickG: STICK_G }) }
  if (unit === 'pinch') return { g: a.value * PINCH_G, by: told('pinch', { eachG: PINCH_G }) }
  return ask('amount', unit)
}
/** Grams that were answered to the line. */
const gramsSaid = (s: Scale): number | undefined => {
  for (const a of answersTo(s.answers, s.text)) {
    const g = typeof a === 'number' ? a : guessOf(a)
    if (g !== null) return g
  }
  return undefined
}
/** What was answered in grams: by the cook, or a guess that was taken. */
const answeredBy = (s: Scale): Assumption =>
  (answersTo(s.answers, s.text).some(a => guessOf(a) !== null) ? told('guessed') : told('answered'))
const suggestedCups = (h: Habits): CupSystem => (h.country === 'us' ? 'us' : h.country === 'au' ? 'australian' : 'metric')

/** What stands in brackets: a mass for the whole, for each, a count, a grade, a size in the shell. */
interface Said {
  whole: Amount | null
  each: Amount | null
  shellG: number | null
  count: number | null
}
function bracketsOf(d: Draft): Said {
  const out: Said = { whole: null, each: null, shellG: null, count: null }
  for (const ts of d.brackets) {
    const amounts = amountsIn(ts)
    const fruit = ts.some(t => t.k === 'fruit')
    const isFrom = ts.some(t => t.k === 'from') || ts.some(t => t.k === 'shell')
    const isEach = ts.some(t => t.k === 'each')
    for (const a of amounts) {
      const metric = METRIC_G[a.unit ?? ''] || METRIC_ML[a.unit ?? '']
      if (isFrom && metric) out.shellG = a.value * (METRIC_G[a.unit ?? ''] ?? 1)
      else if (isEach && a.unit) out.each = a
      else if (a.unit === null && !fruit && amounts.length === 1 && a.high === null) out.count = a.value
      else if (a.unit && weighable(a.unit) && !fruit && (metric ? !out.whole || !METRIC_G[out.whole.unit ?? ''] : !out.whole))
        out.whole = a
    }
  }
  return out
}
/** Leaves, cans and packets are counted, and say no weight. */
const weighable = (unit: string) =>
  METRIC_G[unit] !== undefined || METRIC_ML[unit] !== undefined || MEASURES[unit] !== undefined
  || ['ounce', 'pound', 'stick', 'dessertspoon'].includes(unit)
/** A bracket's words that change the noun: juice and zest, a grade, a size. */
function wordsInBrackets(d: Draft): void {
  for (const ts of d.brackets)
    for (const t of ts) {
      if (t.k === 'part' && !d.parts.has(t.part)) d.parts.set(t.part, null)
      if (t.k === 'ingredient' && t.id === 'zest' && d.nouns.some(n => n.k === 'fruit')) d.parts.set('zest', null)
      if (t.k === 'size') d.size ??= t.size
      if (t.k === 'grade') d.grade ??= t.grade
      const next = ts[ts.indexOf(t) + 1]
      if (t.k === 'num' && next?.k === 'sign' && next.sign === '%' && d.amounts.length > 0) d.fatPercent ??= t.value
      if (t.k === 'word' && /^[mls]$/.test(t.text)) d.size ??= { m: 'medium', l: 'large', s: 'small' }[t.text]!
    }
}

const creamRows = ['cream30', 'cream36', 'cream38', 'cream48']
/** "cream 35 %": the nearest row; "84 % butter". */
function byFat(row: Ingredient, percent: number | null): Ingredient {
  if (percent === null) return row
  const ids = creamRows.includes(row.id) ? creamRows : row.group === 'butter' ? ['butter80', 'butter82', 'butter84'] : []
  const near = ids.map(id => findIngredient(id)!)
    .map(r => ({ r, off: Math.abs((r.per100g.fat ?? 0) - percent) }))
    .sort((a, b) => a.off - b.off)[0]
  return near && near.off <= 2.5 ? near.r : row
}

/** @returns grams of every item, or what has to be asked */
export function weigh(d: Draft, s: Scale): Weighed {
  wordsInBrackets(d)
  const fruit = d.nouns.find((n): n is Noun & { k: 'fruit' } => n.k === 'fruit')
  const nouns = d.nouns.filter(n => n.k === 'ingredient')
  const chosen = answersTo(s.answers, s.text)
    .map(a => (typeof a === 'string' ? findIngredient(a) : undefined)).find(Boolean)
  const isPeel = d.parts.has('zest') || nouns.some(n => n.id === 'zest')
  if (!chosen && isPeel && CANDIED.test(s.text)) return open([item(null, null)], ask('ingredient', s.text))
  if (!chosen && nouns.length === 0 && fruit) return weighFruit(d, fruit.id, s)
  const noun = nouns[0]
  // "Almond milk", "coconut sugar": two things side by side are a third.
  const two = new Set(nouns.map(n => (n.k === 'ingredient' ? n.id : ''))).size > 1
  const strange = d.nouns.some(n => n.k === 'other') || d.beside.length > 0 || two
  const head = two ? nouns.at(-1)! : noun
  const row = chosen ?? (head?.k === 'ingredient' ? findIngredient(head.id) : undefined)
  if (!row) {
    // A berry on top is of no weight here, nor is a sprig of mint.
    const garnish = d.purpose === 'serve' && d.amounts.every(a => a.unit === 'some') && d.nouns.length > 0
    if (garnish || d.nouns.some(n => n.k === 'flavour'))
      return done([item(null, null)], [told('notCounted', { words: d.nouns[0]!.text })])
    return open([item(null, null)], ask('ingredient', d.nouns[0]?.text ?? s.text))
  }
  // "White choc" is no egg, "doz" no name; "Bantam eggs" are eggs.
  const safe = ((row.group === 'egg' && /egg|yolk|oeuf|huev|yema|ei|dotter|uov|tuorl|jaune/.test(head?.text ?? ''))
    || ['salt', 'water', 'zest'].includes(row.id)) && !two && d.beside.every(w => w.length > 4)
  const sureByFat = d.fatPercent !== null && byFat(row, d.fatPercent) !== row
  if (!chosen && ((noun?.k === 'ingredient' && !noun.sure && !sureByFat
    && !(creamRows.includes(row.id) && d.fatPercent !== null)) || (strange && !safe) || isInOrOn(row, d, s)))
    return open([item(row.id, null)], ask('ingredient', [...d.beside, ...nouns.map(n => n.text)].join(' '), [], row.id))
  const weighed = withZest(weighRow(byFat(row, d.fatPercent), d, s), row, d, s)
  return weighed.question && countsLittle(row, d)
    ? done([item(null, null)], [told('notCounted', { words: d.nouns[0]?.text ?? s.text })]) : weighed
}
/** Whole fruit is in the mix or on it: a list of ingredients says neither. */
const isInOrOn = (row: Ingredient, d: Draft, s: Scale) => row.group === 'fruit' && d.purpose === null && !s.fruitAlone
/** Peel that was cooked in sugar before is no fresh peel. */
const CANDIED = /candied|crystalli[sz]ed|glac[eé]|confit|candit|kandiert|escarchad/i
/** A pod, a sprig, a drop of colour, berries on top: where nobody says their weight, none is asked. */
const countsLittle = (row: Ingredient, d: Draft) =>
  is(row, 'scent') || (row.group === 'fruit' && d.purpose !== null)

/** "300 ml lemon juice, zest of four of them": the zest is weighed, too. */
function withZest(w: Weighed, row: Ingredient, d: Draft, s: Scale): Weighed {
  const n = d.parts.get('zest')
  const fruit = FRUITS.find(f => f.juiceId === row.id)
  if (row.group !== 'juice' || n == null || !fruit || w.question) return w
  const zest = fruitItems(fruit, ['zest'], () => n, () => 'zest', s)
  return { ...w, items: [...w.items, ...zest.items], assumptions: [...w.assumptions, ...zest.assumptions] }
}

/** Gelatine that is no leaf. */
const POWDER = /powder|poudre|pulver|polvo|polvere|bloom/i
/** A line of one ingredient of the table. */
function weighRow(row: Ingredient, d: Draft, s: Scale): Weighed {
  const bloom = row.id === 'gelatin' ? POWDER_BLOOM : null
  const answer = gramsSaid(s)
  if (answer !== undefined) return done([item(row.id, answer, { bloom })], [answeredBy(s)])
  const said = bracketsOf(d)
  // Leaves and cans are counted, whatever else is said of them.
  const held0 = ['leaf', 'can'].includes(d.amounts[0]?.unit ?? '')
  const amounts = inOneUnit(held0 ? d.amounts : bestOf(d))
  const first = amounts[0]
  if (!first) {
    if (said.count !== null && countable(row)) return counted(row, said.count, d, s)
    if (said.whole) return written(row, said.whole, null, d, s, bloom)
    return open([item(row.id, null)], ask('amount', ''))
  }
  const wide = amounts.find(a => a.high !== null)
  if (wide && !(said.whole && !said.each)) {
    const low = gramsOf({ value: wide.value, unit: wide.unit }, row, d, s)
    const high = gramsOf({ value: wide.high!, unit: wide.unit }, row, d, s)
    const choices = 'g' in low && 'g' in high ? [round(low.g), round((low.g + high.g) / 2), round(high.g)] : []
    return open([item(row.id, null)], ask('amount', `${wide.value}–${wide.high}`, choices, choices[1] ?? null))
  }
  const unit = first.unit
  const n = first.value
  if (unit === 'leaf' || (row.id === 'gelatin' && unit === null && n < BARE_GRAMS && !POWDER.test(s.text))) return leaves(row, n, first, said, d, s)
  if (unit === 'can') return can(row, n, first, said, d, s)
  if (first.each) {
    // "3 x 59 g eggs" are in their shells; "6 yolks of 18 g" are not.
    const isShell = row.group === 'egg' && first.each.unit === 'g' && first.each.value > YOLK_MOST_G
    if (isShell) return counted(row, n, d, s, n > 1 ? first.each.value : null)
    const each = gramsOf(first.each, row, d, s)
    if (!('g' in each)) return open([item(row.id, null)], each)
    return done([item(row.id, n * each.g, { count: n, bloom })], [told('each', { count: n, eachG: round(each.g) }), each.by])
  }
  // "2 (8 oz) packages" are of eight ounces each.
  const held = said.each ?? (d.bracketFirst && n !== 1 && ['packet', 'tub'].includes(unit ?? '') ? said.whole : null)
  if (held && ['packet', 'tub', 'piece', null].includes(unit)) {
    const each = gramsOf(held, row, d, s)
    if ('g' in each) {
      const piece = row.group === 'egg' ? pieceOf(row) : unit
      return done([item(row.id, n * each.g, { count: n, piece, bloom })], [told('each', { count: n, eachG: round(each.g) })])
    }
  }
  if (said.whole) return written(row, said.whole, first, d, s, bloom)
  if (unit === 'packet' || unit === 'tub') {
    const eachG = row.id === 'gelatin' ? PACKET_G
      : /vanill/.test(d.nouns[0]?.text ?? '') ? VANILLA_SUGAR_G : labelOf(row.id)?.pack ?? null
    if (eachG === null) return open([item(row.id, null)], ask('amount', unit))
    return done([item(row.id, n * eachG, { count: n, piece: 'packet', bloom })], [told('packet', { eachG })])
  }
  if (unit === null && countable(row) && !bare(first, d, s)) return counted(row, n, d, s, said.shellG)
  if (unit === 'piece' && countable(row)) return counted(row, n, d, s, said.shellG)
  if (unit === null) {
    if (!first.digits || (!s.bareGrams && !(n >= BARE_GRAMS && d.nameFirst))) return open([item(row.id, null)], ask('amount', '', n >= BARE_GRAMS ? [n] : [], n >= BARE_GRAMS ? n : null))
    return done([item(row.id, n, { bloom })], [told('bareGrams')])
  }
  return summed(row, amounts, d, s, bloom)
}

/** "200 + 50 g": the figures of a sum share the unit that is told. */
function inOneUnit(amounts: readonly Amount[]): readonly Amount[] {
  const unit = amounts.length > 1 ? amounts.find(a => a.unit !== null)?.unit : undefined
  return unit ? amounts.map(a => (a.unit === null && a.digits ? { ...a, unit } : a)) : amounts
}

const countable = (row: Ingredient) => ['egg', 'yolk_sep', 'white'].includes(row.id)
const pieceOf = (row: Ingredient) => (row.id === 'egg' ? 'egg' : row.id === 'white' ? 'white' : 'yolk')
/** "yolk 240" in a list of grams is grams; "30 eggs" are eggs. */
const bare = (a: Amount, d: Draft, s: Scale) => d.nameFirst && a.value >= BARE_GRAMS && Number.isInteger(a.value)
  && (s.bareGrams || a.value >= 40)

/** Amounts added up, less what is taken away. */
function summed(row: Ingredient, amounts: readonly Amount[], d: Draft, s: Scale, bloom: number | null): Weighed {
  let g = 0
  const by: Assumption[] = []
  for (const [sign, list] of [[1, amounts], [-1, d.minus]] as const)
    for (const a of list) {
      const got = gramsOf(a, row, d, s)
      if (!('g' in got)) return open([item(row.id, null)], got)
      g += sign * got.g
      by.push(got.by)
    }
  if (amounts.length > 1 || d.minus.length > 0) by.push(told('sum'))
  if (amounts.some(a => a.mended)) by.push(told('fraction', { value: amounts[0]!.value }))
  if (!(g > 0)) return open([item(row.id, null)], ask('amount', ''))
  const other = d.amounts.length === 1
    ? [...d.amounts, ...d.others].find(a => a !== amounts[0] && a.unit !== amounts[0]!.unit)
    : undefined
  const also = other ? gramsOf(other, row, d, s) : null
  return done([item(row.id, g, { bloom })], by, { contradicts: apart(g, also && 'g' in also ? also.g : null) })
}
/** Two weights of one line further apart than rounding makes them. */
const apart = (a: number, b: number | null): [number, number] | null =>
  b !== null && Math.abs(a / b - 1) > 0.2 ? [round(a), round(b)] : null

/** The mass in brackets counts; eggs keep their count. */
function written(
  row: Ingredient, said: Amount, outer: Amount | null, d: Draft, s: Scale, bloom: number | null,
): Weighed {
  const got = gramsOf(said, row, d, s)
  if (!('g' in got)) return open([item(row.id, null)], got)
  const also = outer && outer.unit ? gramsOf(outer, row, d, s) : null
  const exact = also !== null && 'g' in also && ['weighed', 'ounce'].includes(also.by.code)
  // "(divided: 100 g + 50 g)" says nothing against the whole.
  const alone = d.brackets.flatMap(b => amountsIn(b)).filter(a => a.unit !== null).length === 1
  const count = outer && outer.unit === null && countable(row) ? outer.value : null
  const cupMl = outer?.unit === 'cup' && said.unit === 'ml' ? said.value / outer.value : null
  // "600 ml (1 pint)": the metric one was measured.
  const isLoose = METRIC_G[said.unit ?? ''] === undefined && METRIC_ML[said.unit ?? ''] === undefined
  const outerCounts = also !== null && 'g' in also && (also.by.code === 'weighed' || (isLoose && METRIC_ML[outer!.unit!] !== undefined))
  return done(
    [item(row.id, outerCounts ? also.g : got.g, { count, piece: count ? pieceOf(row) : null, bloom })],
    outerCounts ? [also.by] : [told('written'), got.by],
    { contradicts: exact && alone && ['weighed', 'ounce'].includes(got.by.code) ? apart(got.g, also.g) : null, cupMl },
  )
}

/** Eggs by their number: of a size, of a weight in the shell. */
function counted(row: Ingredient, n: number, d: Draft, s: Scale, shellG: number | null = null): Weighed {
  const part = row.id === 'egg' ? 'wholeG' : row.id === 'white' ? 'whiteG' : 'yolkG'
  if (shellG !== null) {
    const edible = shellG * OUT_OF_SHELL
    const near = (Object.keys(EGG_GRADES) as EggGrade[])
      .sort((a, b) => Math.abs(EGG_GRADES[a].wholeG - edible) - Math.abs(EGG_GRADES[b].wholeG - edible))[0]!
    const eachG = row.id === 'egg' ? edible : EGG_GRADES[near][part] * (edible / EGG_GRADES[near].wholeG)
    return done([item(row.id, n * eachG, { count: n, piece: pieceOf(row) })], [told('shell', { shellG, eachG: round(eachG) })])
  }
  const grade = gradeOf(d.size, s)
  const eachG = EGG_GRADES[grade][part]
  return done(
    [item(row.id, n * eachG, { count: n, piece: pieceOf(row) })],
    [told('egg', { grade, eachG, size: d.size ?? '' })],
  )
}
const SIZES: Record<'us' | 'eu', Record<string, EggGrade>> = {
  us: { 'large': 'usL', 'medium': 'usM', 'small': 'usM', 'extra large': 'usXL', 'jumbo': 'usJ' },
  eu: { 'large': 'euL', 'medium': 'euM', 'small': 'euS', 'extra large': 'euXL', 'jumbo': 'euXL' },
}
function gradeOf(size: string | null, s: Scale): EggGrade {
  const own = s.answers.shared?.[`eggs:${size ?? ''}`]
  if (typeof own === 'string' && own in EGG_GRADES) return own as EggGrade
  if (!size) return s.habits.eggs.plain
  return size === 'large' ? s.habits.eggs.large : SIZES[s.habits.eggs.large.startsWith('us') ? 'us' : 'eu'][size]!
}

/** No yolk or white weighs more, g. */
const YOLK_MOST_G = 42
/** No leaf weighs more, g. */
const LEAF_MOST_G = 5
/** Leaves by their grade, or by what is said of their weight. */
function leaves(
  row: Ingredient, n: number, a: Amount, said: Said, d: Draft, s: Scale,
): Weighed {
  const own = a.grade ?? d.grade ?? s.answers.shared?.leafGrade
  const grade = typeof own === 'string' && own in LEAVES ? (own as LeafGrade) : null
  const bloom = grade ? LEAVES[grade].bloom : null
  // "4 leaves of 2 g".
  const after = d.others.find(o => o.unit === 'g' && o.value <= LEAF_MOST_G)
  const each = a.each ?? said.each ?? (after ? { value: after.value, unit: 'g' } : null)
  if (each && METRIC_G[each.unit ?? ''])
    return done([item(row.id, n * each.value, { count: n, piece: 'leaf', bloom })], [told('each', { count: n, eachG: each.value })])
  if (said.whole && METRIC_G[said.whole.unit ?? ''])
    return done([item(row.id, said.whole.value, { count: n, piece: 'leaf', bloom })], [told('written')])
  if (!grade)
    return open([item(row.id, null, { count: n, piece: 'leaf' })], ask('leafGrade', '', LEAF_GRADES, 'gold', 'leafGrade'))
  const { leafG } = LEAVES[grade]
  return done([item(row.id, n * leafG, { count: n, piece: 'leaf', bloom })], [told('leaf', { grade, eachG: leafG })])
}

/** An assumption by the kitchen's own rule. */
const OWN = { own: 1 }
/** A can by the size on it, by the answer, or by the kitchen's own. */
function can(
  row: Ingredient, n: number, a: Amount, said: Said, d: Draft, s: Scale,
): Weighed {
  const size = a.each ?? said.each ?? said.whole ?? d.others.find(o => o.unit)
  const key = `can:${row.id}`
  let eachG: number | null = null
  if (size) {
    const fluid = size.unit === 'ounce' && CANNED_WET.includes(row.id)
    const got = gramsOf(
      fluid ? { value: size.value, unit: 'fluidOunce' } : { value: size.value, unit: size.unit }, row, d,
      {
        ...s,
        habits: { ...s.habits, cups: 'us' },
        answers: { ...s.answers, lines: { [s.text]: 'weight' } },
      },
    )
    if ('g' in got) eachG = wholeOrEach(row, n, got.g, d.bracketFirst || size !== said.whole)
  } else if (typeof s.answers.shared?.[key] === 'number') eachG = s.answers.shared[key] as number
  const own = eachG === null ? s.house.ownCanG?.[row.id] ?? labelOf(row.id)?.pack ?? undefined : undefined
  eachG ??= own ?? null
  if (eachG === null)
    return open(
      [item(row.id, null, { count: n, piece: 'can' })],
      ask('can', '', CANS[row.id] ?? [400], CANS[row.id]?.[0] ?? null, key),
    )
  return done([item(row.id, n * eachG, { count: n, piece: 'can' })], [told('can', { eachG: round(eachG), ...(own ? OWN : {}) })])
}

/** What one can holds, where a bracket may speak of one or of all: by the sizes that are sold; of half a can, by it. */
function wholeOrEach(row: Ingredient, n: number, g: number, isEach: boolean): number {
  if (isEach || n === 1) return g
  const sold = (x: number) => CANS[row.id]?.some(c => Math.abs(x / c - 1) < 0.05) ?? false
  return sold(g / n) || (n < 1 && !sold(g)) ? g / n : g
}

/** Fruit by its number: juice and zest as asked for. */
function weighFruit(d: Draft, id: string, s: Scale): Weighed {
  const fruit = fruitOf(id, d.size)
  const said = bracketsOf(d)
  const answers = answersTo(s.answers, s.text)
  const answer = answers.find(a => a === 'juice' || a === 'zest' || a === 'both')
  if (answer === 'juice' || answer === 'both') d.parts.set('juice', null)
  if (answer === 'zest' || answer === 'both') d.parts.set('zest', null)
  // A passion fruit has no zest.
  const implied = d.parts.size === 0 && fruit.zestG === 0
  if (implied) d.parts.set('juice', null)
  const parts = [...d.parts.keys()]
  const idOf = (p: 'juice' | 'zest') => (p === 'juice' ? fruit.juiceId : 'zest')
  if (parts.length === 0)
    return open([item(null, null)], ask('fruitPart', d.nouns[0]!.text, ['juice', 'zest', 'both'], 'juice'))
  const a = bestOf(d)[0]
  const n = a?.value ?? said.count
  const shell = parts.map(p => item(idOf(p), null))
  const g = gramsSaid(s)
  if (g !== undefined && parts.length === 1) return done([item(idOf(parts[0]!), g)], [answeredBy(s)])
  // Grams of juice and zest together: so many fruit.
  if (g !== undefined) return fruitItems(fruit, parts, () => g / (juiceEachG(fruit, s) + fruit.zestG), idOf, s)
  if (n === undefined || n === null) return open(shell, ask('amount', ''))
  if (a && a.high !== null) return open(shell, ask('amount', `${a.value}–${a.high}`))
  // "170 g can passion fruit": of pulp, of fruit?
  if (implied && a?.unit && a.unit !== 'piece') return open(shell, ask('amount', ''))
  // "Jus yuzu 190" in a list of grams.
  if (a && a.unit === null && a.digits && d.nameFirst && parts.length === 1 && a.value >= BARE_GRAMS)
    return done([item(idOf(parts[0]!), a.value)], [told('bareGrams')])
  // "120 g lemons, juiced": the fruit is weighed, not its juice.
  if (a?.unit && a.unit !== 'piece') {
    const measured = METRIC_ML[a.unit] || MEASURES[a.unit] || d.partWeighed
    if (measured && parts.length === 1 && a.unit !== 'some')
      return weighRow(findIngredient(idOf(parts[0]!))!, {
        ...d, nouns: [{ k: 'ingredient', id: idOf(parts[0]!), sure: true, text: '' }],
      }, s)
    if (a.unit === 'some') return open(shell, ask('amount', a.unit))
    const weighed = METRIC_G[a.unit] ?? (a.unit === 'ounce' ? OUNCE_G : a.unit === 'pound' ? POUND_G : null)
    if (weighed === null) return open(shell, ask('amount', a.unit))
    const count = (a.value * weighed) / fruit.wholeG
    return fruitItems(fruit, parts, () => count, idOf, s)
  }
  // Of juice and zest together only a volume is surely the juice's.
  const isJuices = parts[0] === 'juice' ? parts.length === 1 : false
  const fluid = METRIC_ML[said.whole?.unit ?? ''] !== undefined || MEASURES[said.whole?.unit ?? ''] !== undefined
  const whole = said.whole && (isJuices || (fluid && parts.includes('juice')))
    ? gramsOf(said.whole, findIngredient(fruit.juiceId)!, d, s) : null
  if (whole && 'g' in whole) {
    const rest = parts.filter(p => p !== 'juice')
    const others = fruitItems(fruit, rest, p => d.parts.get(p) ?? n, idOf, s)
    const juice = item(fruit.juiceId, whole.g, { count: n, piece: fruit.id })
    return done(parts.map(p => (p === 'juice' ? juice : others.items[rest.indexOf(p)]!)),
      [told('written'), whole.by, ...others.assumptions])
  }
  return fruitItems(fruit, parts, p => d.parts.get(p) ?? n, idOf, s)
}
/** Juice of one, g: the kitchen's own rule, else the table's. */
const juiceEachG = (fruit: Fruit, s: Scale) => s.house.ownJuiceG?.[fruit.id] ?? fruit.juiceG
function fruitItems(
  fruit: Fruit, parts: ('juice' | 'zest')[], count: (p: 'juice' | 'zest') => number,
  idOf: (p: 'juice' | 'zest') => string, s: Scale,
): Weighed {
  const own = s.house.ownJuiceG?.[fruit.id]
  const each = (p: 'juice' | 'zest') => (p === 'juice' ? juiceEachG(fruit, s) : fruit.zestG)
  return done(
    parts.map(p => item(idOf(p), count(p) * each(p), { count: count(p), piece: fruit.id })),
    parts.map(p => told('fruit', { fruit: fruit.id, part: p, eachG: each(p), ...(own && p === 'juice' ? OWN : {}) })),
  )
}
function fruitOf(id: string, size: string | null): Fruit {
  const fruit = FRUITS.find(f => f.id === id)!
  return size === 'large' && id === 'lemon medium' ? FRUITS.find(f => f.id === 'lemon large')! : fruit
}
