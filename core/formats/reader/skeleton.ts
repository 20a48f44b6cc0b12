/**
 * A recipe told without amounts, or spoken with corrections: the last correction wins; what has no weight gets one
 * proposed from its kind and its tin, as a guess that the cook takes or not.
 */
import { findIngredient, is, isCream } from '../../base/ingredients/ingredients'
import type { Family } from '../../formula/document'
import { suggestFamily } from '../../formula/suggest'
import type { Part } from './parts'
import type { Answers, Entry, ReadVessel } from './reading'

/** Said before what holds instead of what was said. */
const CORRECTS = /^(?:no|sorry|actually|wait|correction|rather|i mean|oh)\b[,:;.!–-]*\s*|^(?:make|let's make) (?:that|it)\b/i

/**
 * Lines that correct an earlier one: the earlier is left out. A correction that names nothing is of the line before.
 * @returns the lines that correct, marked for the page
 */
export function corrected(parts: readonly Part[], text: string, answers: Answers): void {
  const said: Part[] = []
  for (const p of parts) {
    if (p.kind !== 'ingredient' || !p.draft) continue
    const own = text.slice(...p.span)
    const before = CORRECTS.test(own) ? replacedBy(p, said) : undefined
    if (before) {
      if (p.draft.nouns.length === 0) p.draft.nouns = before.draft!.nouns
      p.draft.beside = []
      p.component = before.component
      p.corrects = true
      before.leftOut = !answers.takenIn?.includes(text.slice(...before.span))
    }
    said.push(p)
  }
}
const keysOf = (p: Part) => p.draft!.nouns.map(n => (n.k === 'ingredient' || n.k === 'fruit' ? n.id : n.text))
function replacedBy(p: Part, said: readonly Part[]): Part | undefined {
  const open = said.filter(x => !x.leftOut)
  const mine = keysOf(p)
  if (mine.length === 0) return p.draft!.amounts.length > 0 ? open.at(-1) : undefined
  return open.findLast(x => keysOf(x).some(k => mine.includes(k)))
}

/** What an ingredient is in a skeleton. */
type Place =
  | 'juice' | 'zest' | 'sugar' | 'yolk' | 'egg' | 'white' | 'butter' | 'cream' | 'milk' | 'condensed' | 'starch' | 'flour'
  | 'gelatin' | 'agar' | 'water'
/** g of each in a kilogram of the filling (common practice); what a kind does not name is not guessed. */
const SKELETONS: Readonly<Record<Family, Partial<Record<Place, number>>>> = {
  curd: { juice: 230, zest: 6, sugar: 230, yolk: 190, egg: 260, butter: 180 },
  posset: { cream: 700, sugar: 170, juice: 130, zest: 4 },
  bar: { sugar: 420, egg: 280, juice: 220, flour: 50, starch: 30, yolk: 90, butter: 60, zest: 5 },
  condensedPie: { condensed: 620, juice: 190, yolk: 110, egg: 130, zest: 4, cream: 150 },
  starchFilling: { water: 460, milk: 520, sugar: 240, starch: 45, juice: 150, yolk: 80, butter: 40, zest: 5 },
  gelatinCream: { cream: 520, milk: 150, sugar: 110, juice: 130, egg: 120, yolk: 80, white: 90, gelatin: 8, zest: 3 },
  unsetMousse: { cream: 520, sugar: 110, juice: 120, white: 120, zest: 3 },
  fluidGel: { juice: 560, water: 250, sugar: 180, agar: 10 },
  // How much fruit, peel or spirit there is, nobody else can say.
  fruit: {},
  lightCustard: { milk: 330, juice: 180, sugar: 210, yolk: 145, starch: 27, gelatin: 11, white: 165 },
}
/** g of each as a recipe usually has it: what kind the names alone mean goes by that (judgement). */
const USUAL_G: Readonly<Record<Place, number>> = {
  juice: 120, zest: 4, sugar: 150, yolk: 80, egg: 150, white: 100, butter: 100, cream: 600, milk: 400, condensed: 400,
  starch: 30, flour: 40, gelatin: 8, agar: 5, water: 200,
}
/** As which part of a skeleton an ingredient counts; null: it is in none. */
function placeOf(id: string): Place | null {
  const row = findIngredient(id)
  if (!row) return null
  if (is(row, 'gelatin')) return 'gelatin'
  if (is(row, 'agar')) return 'agar'
  if (is(row, 'condensedMilk')) return 'condensed'
  if (is(row, 'wheat')) return 'flour'
  if (is(row, 'starch')) return 'starch'
  if (isCream(id)) return 'cream'
  if (is(row, 'wholeEgg')) return 'egg'
  if (is(row, 'yolk')) return 'yolk'
  if (is(row, 'white')) return 'white'
  if (id === 'milk') return 'milk'
  const { group } = row
  return group === 'juice' || group === 'zest' || group === 'sugar' || group === 'butter' || group === 'water' ? group : null
}

/** A filling is about this heavy in a litre, and fills so much of its tin (judgement). */
const KG_L = 1.05
const FILLS = 0.8
/** A portion where nobody says a tin, g; how many where nobody says that either. */
const PORTION_G = 90
const PORTIONS = 8

/** Litres of the tins a text speaks of; null: it says none, or not how large. */
function litresOf(v: ReadVessel | null): number | null {
  if (!v || v.heightM === null) return null
  const plan = v.diameterM !== null ? (Math.PI * v.diameterM ** 2) / 4
    : v.lengthM !== null ? v.lengthM * (v.widthM ?? v.lengthM) : null
  return plan === null ? null : 1000 * plan * v.heightM * (v.count ?? 1)
}

/** An answer that takes a guess. @example guessOf('guess:150') // 150 */
export const guessOf = (answer: unknown): number | null => {
  const said = typeof answer === 'string' ? /^guess:(\d+(?:\.\d+)?)$/.exec(answer) : null
  return said ? Number(said[1]) : null
}
const rounded = (g: number) => (g >= 50 ? 5 * Math.round(g / 5) : g >= 10 ? Math.round(g) : Math.round(2 * g) / 2)

/**
 * Proposes weights for lines of the filling that have none, on the scale of those that have one, else of the tin or the
 * portions. A guess is the one choice of its question, and is told as a guess once it is taken.
 */
export function proposeGrams(lines: readonly Entry[], vessel: ReadVessel | null, portions: number | null): void {
  const filling = lines.filter(l => l.kind === 'ingredient' && !l.leftOut && l.component?.role === 'filling')
  const idOf = (l: Entry) => (l.items.length === 1 ? l.items[0]!.ingredientId : null)
  const open = filling.filter(l => l.question?.kind === 'amount' && l.question.choices.length === 0 && idOf(l) !== null)
  if (open.length === 0) return
  const known = filling.flatMap(l => l.items)
    .flatMap(i => (i.ingredientId && i.massG ? [{ id: i.ingredientId, g: i.massG }] : []))
  const ids = [...new Set(filling.flatMap(l => l.items.flatMap(i => i.ingredientId ?? [])))]
  const pseudo = ids.map((ingredientId, i) => ({
    id: String(i), ingredientId, massG: USUAL_G[placeOf(ingredientId) ?? 'zest'], sourceText: '', assumption: '',
  }))
  const skeleton = SKELETONS[suggestFamily(pseudo, null)]
  const shareOf = (id: string) => skeleton[placeOf(id) ?? 'water'] ?? null
  // Of two of one place, each is half of it.
  const among = (id: string) => ids.filter(x => placeOf(x) === placeOf(id)).length
  const told = known.filter(k => shareOf(k.id) !== null)
  const weighed = told.reduce((s, k) => s + k.g, 0)
  const shares = told.reduce((s, k) => s + shareOf(k.id)! / among(k.id), 0)
  const all = ids.reduce((s, id) => s + (placeOf(id) === null ? 0 : (shareOf(id) ?? 0) / among(id)), 0)
  const litres = litresOf(vessel)
  const wholeG = litres !== null ? 1000 * litres * KG_L * FILLS : PORTION_G * (portions ?? PORTIONS)
  const scale = shares > 0 ? weighed / shares : all > 0 ? wholeG / all : 0
  for (const l of open) {
    const id = idOf(l)!
    const share = placeOf(id) === null ? null : shareOf(id)
    if (share === null || !(scale > 0)) continue
    const guess = `guess:${rounded((share / among(id)) * scale)}`
    l.question = { ...l.question!, choices: [guess], suggested: guess }
  }
}
