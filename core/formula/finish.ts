/**
 * What goes onto each portion at the last: berries, leaves, wheels, rosettes, a dusting, a line of sauce, a scoop, a
 * shard. They are lines of a component of their own, so that cost, allergens, label and shopping have them; how late
 * they go on and how long they last there is common practice (L).
 */
import type { Bench } from './bench'
import type { Component, FinishKind, Line } from './document'
import { weighedAs } from './edits'

export interface FinishFacts {
  ingredientId: string
  /** Of a portion: grams, and pieces they are where they are counted. */
  eachG: number
  pieces: number | null
  /** Put on no longer before it is eaten, min; it looks as it should for so long, min. */
  onMin: number
  holdsMin: number
}
export const FINISH_FACTS: Readonly<Record<FinishKind, FinishFacts>> = {
  berries: { ingredientId: 'raspberry_whole', eachG: 12, pieces: 3, onMin: 60, holdsMin: 180 },
  leaf: { ingredientId: 'herbs', eachG: 0.4, pieces: 2, onMin: 15, holdsMin: 30 },
  wheel: { ingredientId: 'lemon', eachG: 6, pieces: 1, onMin: 60, holdsMin: 120 },
  rosette: { ingredientId: 'cream36', eachG: 9, pieces: 1, onMin: 120, holdsMin: 240 },
  dust: { ingredientId: 'icing', eachG: 0.8, pieces: null, onMin: 5, holdsMin: 20 },
  sauce: { ingredientId: 'raspberry', eachG: 8, pieces: null, onMin: 5, holdsMin: 20 },
  scoop: { ingredientId: 'raspberry', eachG: 45, pieces: 1, onMin: 1, holdsMin: 6 },
  shard: { ingredientId: 'sugar', eachG: 5, pieces: 1, onMin: 5, holdsMin: 30 },
}

/** A star of this nozzle makes a rosette three nozzles wide, seven tenths as high; half of that box is cream. */
const WIDE = 3
const HIGH = 0.7
const FULL = 0.5
/** Whipped cream, kg/m³. */
const WHIPPED = 500
/**
 * Cream of one rosette, g: ½ · π/4·D² · .7·D, D three nozzles (common sizes, judgement).
 * @example rosetteG(0.014) // 10.18
 */
export const rosetteG = (nozzleM: number): number =>
  1000 * WHIPPED * FULL * (Math.PI / 4) * (WIDE * nozzleM) ** 3 * HIGH

/** The component of what goes on at the last; undefined: nothing does. */
export const finishOf = (b: Pick<Bench, 'components'>): Component | undefined =>
  b.components.find(c => c.role === 'finish')

export interface FinishRow extends Omit<FinishFacts, 'ingredientId' | 'eachG' | 'pieces'> {
  line: Line
  as: FinishKind
  /** Of a portion, g; and pieces, as the kind counts them. */
  eachG: number
  pieces: number | null
}
/**
 * What goes onto a portion, the earliest first. @example finishRows(doc) // []
 */
export const finishRows = (b: Pick<Bench, 'components' | 'assembly'>): FinishRow[] =>
  (finishOf(b)?.lines ?? []).map((line): FinishRow => {
    const as = line.finish ?? 'berries'
    const { onMin, holdsMin, pieces } = FINISH_FACTS[as]
    const eachG = line.massG / b.assembly.portions
    return { line, as, onMin, holdsMin, eachG, pieces }
  }).sort((x, y) => y.onMin - x.onMin)

const withLines = (b: Bench, lines: (old: readonly Line[]) => Line[], id: () => string): Bench => {
  const old = finishOf(b)
  const next = lines(old?.lines ?? [])
  const others = b.components.filter(c => c.role !== 'finish')
  if (next.length === 0) return { ...b, components: others }
  return { ...b, components: [...others, { ...(old ?? { id: id(), role: 'finish', name: '', steps: [] }), lines: next }] }
}
/** The dessert with one more thing on each portion, as its kind usually is. */
export function withFinish(b: Bench, as: FinishKind, id: () => string): Bench {
  const { ingredientId, eachG } = FINISH_FACTS[as]
  const massG = Math.round(10 * eachG * b.assembly.portions) / 10
  return withLines(b, old => [...old, { id: id(), ingredientId, massG, sourceText: '', assumption: '', finish: as }], id)
}
/** With so much of it on a portion, or of something else. */
export const withFinishOf = (b: Bench, lineId: string, change: { eachG?: number, ingredientId?: string }): Bench =>
  withLines(b, old => old.map((l) => {
    if (l.id !== lineId) return l
    const of = { ...l, ingredientId: change.ingredientId ?? l.ingredientId }
    return change.eachG === undefined ? of : weighedAs(of, Math.round(10 * change.eachG * b.assembly.portions) / 10)
  }), () => '')
/** Without it. */
export const withoutFinish = (b: Bench, lineId: string): Bench =>
  withLines(b, old => old.filter(l => l.id !== lineId), () => '')
