/** Percentages on a named basis, and the ratios that cooks speak in. */
import { findIngredient, hasTrait, isCream } from '../base/ingredients/ingredients'
import type { Kitchen } from '../kitchen/kitchen'
import { mix, sugarsG, toParts } from '../physics/matter/mix'
import { fillingOf, type Bench } from './bench'
import { strengthOf } from './document'
import { yolkMass } from './eggs'

/**
 * What 100 % is: the whole, the dairy, cream and sugar together, the water phase (water with the sugar and acid in it),
 * one chosen line, or several together.
 */
export type PercentBasis =
  | { kind: 'whole' } | { kind: 'dairy' } | { kind: 'creamSugar' } | { kind: 'water' }
  | { kind: 'line', lineId: string } | { kind: 'lines', lineIds: readonly string[] }

/**
 * Grams that count as 100 %; 0 where the formula has none of it.
 * @example basisG(doc, kitchen, { kind: 'whole' }) // 595
 */
export function basisG(doc: Bench, kitchen: Kitchen, basis: PercentBasis): number {
  const { lines } = fillingOf(doc)
  if (basis.kind === 'line') return lines.find(l => l.id === basis.lineId)?.massG ?? 0
  const sumOf = (test: (l: (typeof lines)[number]) => boolean) =>
    lines.filter(test).reduce((s, l) => s + l.massG, 0)
  const group = (l: (typeof lines)[number]) => findIngredient(l.ingredientId)!.group
  if (basis.kind === 'lines') return sumOf(l => basis.lineIds.includes(l.id))
  if (basis.kind === 'dairy') return sumOf(l => group(l) === 'dairy')
  if (basis.kind === 'creamSugar') return sumOf(l => isCream(l.ingredientId) || group(l) === 'sugar')
  const m = mix(toParts(lines, l => strengthOf(l, kitchen)))
  return basis.kind === 'whole' ? m.massG : m.grams.water + sugarsG(m) + m.acidG
}

export const RATIOS = ['sugarAcid', 'juiceCream', 'yolkJuice', 'crumbButter', 'sugarWhite', 'curdCream'] as const
export type RatioId = (typeof RATIOS)[number]
export interface Ratio {
  id: RatioId
  value: number
}

/**
 * Ratios, g per g; those of which a formula lacks a side are left out. Crumb and white may stand in any component.
 * @example ratiosOf(doc, kitchen)[0].id // 'sugarAcid'
 */
export function ratiosOf(doc: Bench, kitchen: Kitchen): Ratio[] {
  const { lines } = fillingOf(doc)
  const all = doc.components.flatMap(c => c.lines)
  const m = mix(toParts(lines, l => strengthOf(l, kitchen)))
  const sum = (from: typeof lines, test: (id: string) => boolean) =>
    from.filter(l => test(l.ingredientId)).reduce((s, l) => s + l.massG, 0)
  const group = (id: string) => findIngredient(id)!.group
  const cream = sum(lines, isCream)
  const juice = sum(lines, id => group(id) === 'juice')
  const yolk = yolkMass(lines)
  const butter = (from: typeof lines) => sum(from, id => group(id) === 'butter')
  const crumb = sum(all, id => group(id) === 'biscuit')
  const white = sum(all, id => hasTrait(id, 'white') && !hasTrait(id, 'dried'))
  const later = fillingOf(doc).steps.flatMap(s => (s.kind === 'foldIn' ? s.lineIds : []))
  const folded = lines.filter(l => later.includes(l.id)).reduce((s, l) => s + l.massG, 0)
  const sugar = sum(all, id => group(id) === 'sugar')
  const ratios: [RatioId, number, number][] = [
    ['sugarAcid', sugarsG(m), m.acidG],
    ['juiceCream', juice, cream],
    ['yolkJuice', yolk, juice],
    ['crumbButter', crumb, butter(all)],
    ['sugarWhite', sugar, white],
    ['curdCream', doc.school === 'lightenedCurd' ? sum(lines, () => true) - folded : 0, folded],
  ]
  return ratios.filter(([, a, b]) => a > 0 && b > 0).map(([id, a, b]) => ({ id, value: a / b }))
}
