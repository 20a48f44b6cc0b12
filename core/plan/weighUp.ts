/**
 * What is weighed before work begins, component by component, with eggs counted in shells; and when an oven must go on.
 */
import { countEggs, type EggPart } from '../formula/eggs'
import type { Bench } from '../formula/bench'
import type { ComponentRole } from '../formula/document'
import type { Kitchen } from '../kitchen/kitchen'
import type { WorkStep } from './work'

export interface WeighLine {
  lineId: string
  ingredientId: string
  massG: number
  /** Shells it comes from, in the kitchen's grade or the line's own weight; null: not from the shell. */
  eggs: { part: EggPart, count: number } | null
}
export interface WeighGroup {
  componentId: string
  name: string
  role: ComponentRole
  lines: WeighLine[]
}

/**
 * Lines with grams, by component in the order of the document; components without any are left out.
 * @example weighUp(doc, kitchen)[0].lines[0].eggs.count // 10
 */
export function weighUp(doc: Bench, kitchen: Pick<Kitchen, 'eggGrade'>): WeighGroup[] {
  return doc.components.flatMap(({ id, name, role, lines }) => {
    const eggs = countEggs(lines, kitchen.eggGrade).lines
    const weighed = lines.filter(l => l.massG > 0).map((l): WeighLine => {
      const egg = eggs.find(e => e.lineId === l.id)
      return {
        lineId: l.id,
        ingredientId: l.ingredientId,
        massG: l.massG,
        eggs: egg ? { part: egg.part, count: egg.nearest } : null,
      }
    })
    return weighed.length ? [{ componentId: id, name, role, lines: weighed }] : []
  })
}

/** An oven is hot after so long, s (common practice). */
export const PREHEAT_S = 15 * 60

/**
 * When each oven temperature of an order must be switched on, s from the heat's start, and to what, °C: once where two
 * bakes at the same temperature follow one another.
 * @example preheats([]).length // 0
 */
export function preheats(order: readonly WorkStep[]): { atS: number, tempC: number }[] {
  const bakes = order.filter(s => s.uses.some(u => u.tool === 'oven')).flatMap((s) => {
    const tempC = s.code === 'bake' ? s.params.dialC : s.tempC
    return tempC === null ? [] : [{ atS: s.atS - PREHEAT_S, tempC }]
  }).sort((a, b) => a.atS - b.atS)
  return bakes.filter((b, i) => b.tempC !== bakes[i - 1]?.tempC)
}
