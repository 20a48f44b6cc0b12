/** Eggs of a whole dessert, counted over all its parts: the whites of one meet the meringue of another. */
import { countEggs, eggPart } from '../formula/eggs'
import type { Component } from '../formula/document'
import { PART_FACTS } from '../formula/parts'
import type { Kitchen } from '../kitchen/kitchen'

/** What spare whites or yolks would make. */
export type SpareUse =
  | { code: 'meringue', massG: number }
  | { code: 'moreOf', componentId: string, factor: number, massG: number }
export interface Spares {
  eggs: number
  /** Whites and yolks, g, left when all parts have taken theirs. */
  whitesG: number
  yolksG: number
  /** Eggs that part by part would have been cracked over this. */
  saved: number
  uses: SpareUse[]
}

/** Spare under this is no use to anybody, g. */
const LEAST_G = 10
/** @example sparesOf([], kitchen).eggs // 0 */
export function sparesOf(components: readonly Component[], kitchen: Kitchen): Spares {
  const grade = kitchen.eggGrade
  const all = countEggs(components.flatMap(c => c.lines), grade)
  const apart = components.reduce((s, c) => s + countEggs(c.lines, grade).eggs, 0)
  const { whitesG, yolksG } = all.surplus
  const uses: SpareUse[] = []
  if (whitesG >= LEAST_G) {
    const { usual } = PART_FACTS.meringueBoiled.ratio!
    uses.push({ code: 'meringue', massG: whitesG * (1 + usual) })
  }
  for (const c of components) {
    const yolkG = c.lines.reduce((s, l) => s + (eggPart(l.ingredientId) === 'yolk' ? l.massG : 0), 0)
    if (yolksG < LEAST_G || !(yolkG > 0)) continue
    const factor = yolksG / yolkG
    uses.push({ code: 'moreOf', componentId: c.id, factor, massG: factor * c.lines.reduce((s, l) => s + l.massG, 0) })
  }
  return { eggs: all.eggs, whitesG, yolksG, saved: apart - all.eggs, uses }
}
