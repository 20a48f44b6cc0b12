/**
 * The swap guard: one ingredient for another, in amounts that keep the acid, the set, the sweetness or the fat the
 * same,
 * and a plain word where it cannot. Every option is assessed whole.
 */
import { InputError } from '../base/errors'
import { findIngredient, hasTrait, OFFERED, part } from '../base/ingredients/ingredients'
import { INGREDIENTS } from '../base/ingredients/table'
import type { Ingredient } from '../base/ingredients/types'
import { bracketOf } from '../base/solveFor'
import { fillingOf, type Bench } from '../formula/bench'
import { type Line, type Step, strengthOf } from '../formula/document'
import { withMass } from '../formula/edits'
import { familyOf } from '../formula/families'
import { type NewId, renewSteps } from '../formula/steps'
import type { Kitchen } from '../kitchen/kitchen'
import { acidPercentOf, mix, toParts } from '../physics/matter/mix'
import type { AromaWord } from '../physics/matter/aroma'
import type { Sharpness } from '../physics/matter/taste'
import { swapGelatin } from '../physics/set/gelatin'
import { assess } from '../pipeline/assess'
import type { VerdictCode } from '../pipeline/assessment'
import { weighable } from './elasticity'
import { createQuick, type Point, pointOf } from './quick'

export const KEEPS = ['weight', 'acid', 'acidCitric', 'acidBlend', 'set', 'sweetness', 'fat'] as const
/** What an option keeps the same; the acid also by citric acid or by a sharper juice beside it. */
export type Keeps = (typeof KEEPS)[number]

export interface SwapOption {
  keeps: Keeps
  /** Lines that change, in grams; a line that is new has no `from`. */
  changes: { ingredientId: string, fromId: string, from: number, to: number }[]
  code: VerdictCode
  platePa: number
  sharpness: Sharpness
  aroma: AromaWord
  /** Against before: stress on the plate, sourness, sweetness, fat. */
  ratio: { set: number, sour: number, sweet: number, fat: number }
  doc: Bench
}

export type SwapWarning =
  /** The other juice carries this share of the acid: weight for weight it will not do. */
  | { kind: 'acidWeak', share: number, citricG: number, lemonG: number, sets: boolean }
  | { kind: 'acidStrong', share: number }
  /** Weight for weight it no longer holds as it did. */
  | { kind: 'noLongerHolds', code: VerdictCode }
  | { kind: 'fatLess', waterG: number }
  | { kind: 'waterMore', waterG: number }
  | { kind: 'cannotKeepSet', reach: number }

export interface Swap {
  lineId: string
  fromId: string
  toId: string
  options: SwapOption[]
  warnings: SwapWarning[]
}

/**
 * Ingredients that could stand in a line's place: of its own kind, and those that do the same work; the kitchen's own
 * (ids that carry a label) before the table's.
 * @example swapsFor('lemon').length > 5 // true
 */
export function swapsFor(ingredientId: string, own: readonly string[] = []): string[] {
  const row = findIngredient(ingredientId)
  if (!row) return []
  return [...own.flatMap(id => findIngredient(id) ?? []), ...INGREDIENTS]
    .filter(r => r.id !== ingredientId && r.standsFor?.includes(row.group)).map(r => r.id)
}

/** Below this share of the acid a swap is told off (judgement). */
const WEAK = 0.6
const STRONG = 1.6

const acidShare = (line: Line, kitchen: Kitchen) => acidPercentOf(toParts([line], l => strengthOf(l, kitchen))[0]!)
const fatOf = (doc: Bench, kitchen: Kitchen) =>
  mix(toParts(fillingOf(doc).lines, l => strengthOf(l, kitchen))).grams.fat
const sweetening = (row: Ingredient) => part(row, 'sucrose') + part(row, 'monosaccharides')

/** The formula with a line's ingredient replaced, its mass set, and lines added. */
function swapped(
  doc: Bench,
  line: Line,
  toId: string,
  massG: number,
  added: { ingredientId: string, massG: number }[],
  id: NewId,
): Bench {
  const filling = fillingOf(doc)
  const { strength: _s, piece: _p, ...rest } = line
  let lines: Line[] = filling.lines.map(l =>
    l.id === line.id ? { ...rest, ingredientId: toId, massG: weighable(massG), sourceText: '', assumption: '' } : l,
  )
  for (const a of added) {
    const there = lines.find(l => l.ingredientId === a.ingredientId && l.id !== line.id)
    lines = there
      ? lines.map(l => (l === there ? { ...l, massG: weighable(l.massG + a.massG) } : l))
      : [
          ...lines,
          { id: id(), ingredientId: a.ingredientId, massG: weighable(a.massG), sourceText: '', assumption: '' },
        ]
  }
  // What is of another kind joins where the way of making has it.
  const isOther = findIngredient(toId)?.group !== findIngredient(line.ingredientId)?.group
  const without = (s: Step): Step =>
    isOther && 'lineIds' in s ? { ...s, lineIds: s.lineIds.filter(x => x !== line.id) } : s
  return {
    ...doc,
    components: doc.components.map(c =>
      c === filling ? { ...c, lines, steps: renewSteps(doc.school, lines, c.steps.map(without), id) } : c,
    ),
  }
}

/** A swap that is being tried: what stands, what shall, and what was found of it. */
interface Trying {
  doc: Bench
  kitchen: Kitchen
  line: Line
  from: Ingredient
  to: Ingredient
  start: Point
  startFat: number
  make: (massG: number, added?: { ingredientId: string, massG: number }[]) => Bench
  options: (SwapOption | null)[]
  warnings: SwapWarning[]
}

/** Lines that differ. */
function changesBetween(doc: Bench, next: Bench): SwapOption['changes'] {
  const ids = new Set([...fillingOf(doc).lines, ...fillingOf(next).lines].map(l => l.id))
  return [...ids].flatMap((x) => {
    const b = fillingOf(doc).lines.find(l => l.id === x)
    const n = fillingOf(next).lines.find(l => l.id === x)!
    return b && b.massG === n.massG && b.ingredientId === n.ingredientId
      ? []
      : [{ ingredientId: n.ingredientId, fromId: b?.ingredientId ?? '', from: b?.massG ?? 0, to: n.massG }]
  })
}

/** Notes an option with what it comes to; one that cannot be is none. */
function option(t: Trying, keeps: Keeps, next: Bench): void {
  try {
    const a = assess(next, t.kitchen)
    const p = pointOf(a)
    t.options.push({
      keeps,
      changes: changesBetween(t.doc, next),
      code: a.verdict.code,
      platePa: p.platePa,
      sharpness: a.balance.sharpness,
      aroma: a.balance.aroma.word,
      ratio: {
        set: p.platePa / Math.max(t.start.platePa, 1e-9),
        sour: p.sour / Math.max(t.start.sour, 1e-9),
        sweet: p.sweet / Math.max(t.start.sweet, 1e-9),
        fat: t.startFat > 0 ? fatOf(next, t.kitchen) / t.startFat : 1,
      },
      doc: next,
    })
  } catch (error) {
    if (!(error instanceof InputError)) throw error
    t.options.push(null)
  }
}

/** Juice for juice: the same acid by weight, by citric acid, by some of a sharper juice beside it. */
function keepAcid(t: Trying): void {
  const { line, from, to, kitchen } = t
  if (!(from.acid && to.acid && from.group === 'juice' && to.group === 'juice')) return
  const was = acidShare(line, kitchen)
  const is = to.acid.typical
  const share = is / was
  const lackG = (line.massG * (was - is)) / 100
  if (share >= WEAK && Math.abs(share - 1) > 0.02) option(t, 'acid', t.make((line.massG * was) / is))
  if (lackG <= 0.05) {
    if (share > STRONG) t.warnings.push({ kind: 'acidStrong', share })
    return
  }
  const { sharpJuice, acid } = OFFERED
  const lemon = findIngredient(sharpJuice)!.acid!.typical
  const sharper = to.id === sharpJuice || line.ingredientId === sharpJuice ? sharpJuice : line.ingredientId
  const sharpPercent = sharper === line.ingredientId ? was : lemon
  option(t, 'acidCitric', t.make(line.massG, [{ ingredientId: acid, massG: lackG }]))
  // Part of the old juice (or lemon) beside the new one, the whole weight kept: x·b + (m − x)·a = m·was.
  const x = (line.massG * (was - is)) / (sharpPercent - is)
  const beside = [{ ingredientId: sharper, massG: (100 * lackG) / sharpPercent }]
  option(t, 'acidBlend', x < line.massG * 0.95
    ? t.make(line.massG - x, [{ ingredientId: sharper, massG: x }])
    : t.make(line.massG, beside))
  const weak = t.options[0]
  const sets = weak ? weak.code === 'good' || weak.ratio.set > 0.6 : false
  if (share < WEAK)
    t.warnings.push({ kind: 'acidWeak', share, citricG: lackG, lemonG: (100 * lackG) / lemon, sets })
}

/** The same fat, the same sweetness, the same set. */
function keepRest(t: Trying): void {
  const { line, from, to, doc, kitchen } = t
  const differs = (equal: number) => Math.abs(equal / line.massG - 1) > 0.01
  if (part(from, 'fat') > 5 && part(to, 'fat') > 5 && from.group !== 'egg') {
    const equal = (line.massG * part(from, 'fat')) / part(to, 'fat')
    if (differs(equal)) option(t, 'fat', t.make(equal))
    const waterG = (equal * part(to, 'water')) / 100 - (line.massG * part(from, 'water')) / 100
    if (part(to, 'fat') < part(from, 'fat') * 0.9) t.warnings.push({ kind: 'fatLess', waterG })
  }
  if (from.group === 'sugar' && to.group === 'sugar' && sweetening(to) > 0) {
    const equal = (line.massG * sweetening(from)) / sweetening(to)
    if (differs(equal)) option(t, 'sweetness', t.make(equal))
    const waterG = (equal * (part(to, 'water') - part(from, 'water'))) / 100
    if (waterG > 3) t.warnings.push({ kind: 'waterMore', waterG })
  }
  const sets = from.group === 'egg' || from.group === 'setter'
  if (!sets && !(from.group === 'dairy' && familyOf(doc.family).acidGelsMilk)) return
  const found = sameSet(m => t.make(m), doc, line, kitchen, t.start)
  if ('massG' in found) option(t, 'set', t.make(found.massG))
  else t.warnings.push({ kind: 'cannotKeepSet', reach: found.reach })
}

/**
 * Options of a swap, the plainest first.
 * @param id gives fresh ids for lines and steps
 * @throws {InputError} for a line or an ingredient that is not known
 */
export function swapGuard(doc: Bench, kitchen: Kitchen, lineId: string, toId: string, id: NewId): Swap {
  const line = fillingOf(doc).lines.find(l => l.id === lineId)
  const to = findIngredient(toId)
  if (!line) throw new InputError('missing', 'lineId')
  if (!to) throw new InputError('unknownIngredient', 'toId', { id: toId })
  const before = assess(doc, kitchen)
  const t: Trying = {
    doc,
    kitchen,
    line,
    from: findIngredient(line.ingredientId)!,
    to,
    start: pointOf(before),
    startFat: fatOf(doc, kitchen),
    make: (massG, added = []) => swapped(doc, line, toId, massG, added, id),
    options: [],
    warnings: [],
  }
  option(t, 'weight', t.make(line.massG))
  keepAcid(t)
  keepRest(t)
  const plain = t.options[0]
  if (plain && before.verdict.code === 'good' && plain.code !== 'good')
    t.warnings.push({ kind: 'noLongerHolds', code: plain.code })
  const seen = new Set<string>()
  const isNew = (o: SwapOption) => !seen.has(JSON.stringify(o.changes)) && !!seen.add(JSON.stringify(o.changes))
  return {
    lineId,
    fromId: line.ingredientId,
    toId,
    warnings: t.warnings,
    options: t.options.filter((o): o is SwapOption => o !== null && isNew(o)),
  }
}

/** Mass of the other ingredient that keeps the plate's stress, by halving on quick points; else how near it comes. */
function sameSet(
  make: (g: number) => Bench,
  doc: Bench,
  line: Line,
  kitchen: Kitchen,
  start: Point,
): { massG: number } | { reach: number } {
  const low = line.massG * 0.1
  const high = line.massG * 3
  let quick
  try {
    quick = createQuick(make(line.massG), kitchen)
  } catch {
    return { reach: 0 }
  }
  const at = (g: number) => quick(withMass(make(line.massG), line.id, g)).platePa
  if (at(high) < start.platePa || at(low) > start.platePa)
    return { reach: Math.max(at(high), at(low)) / Math.max(start.platePa, 1e-9) }
  return { massG: bracketOf(g => at(g) < start.platePa, low, high, { ratio: true, within: 1.002 }).high }
}

/** Another grade of gelatin: the grams that set the same, m₂ = m₁·√(B₁/B₂), and the grade with them. */
export function swapBloom(doc: Bench, toBloom: number): Bench {
  return {
    ...doc,
    set: { ...doc.set, bloom: toBloom },
    components: doc.components.map(c => ({
      ...c,
      lines: c.lines.map((l) => {
        if (!hasTrait(l.ingredientId, 'gelatin')) return l
        const { piece: _, ...rest } = l
        return { ...rest, massG: Math.round(100 * swapGelatin(l.massG, doc.set.bloom, toBloom)) / 100 }
      }),
    })),
  }
}
