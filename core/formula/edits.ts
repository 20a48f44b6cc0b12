/** Changes of a whole formula: grams, batch, way of making. The input is never changed. */
import { defaultHeat } from './create'
import type { Bench } from './bench'
import type { School } from './document'
import { schoolOf } from './schools'
import { type NewId, stepsFor } from './steps'

/**
 * The same formula by another way of making: its steps, its heat, what it sets; lines, vessel and cold stay.
 * @example withSchool(doc, 'emulsified', id).school // 'emulsified'
 */
export function withSchool(doc: Bench, school: School, id: NewId): Bench {
  const facts = schoolOf(school)
  return {
    ...doc,
    family: facts.family,
    school,
    heat: { ...defaultHeat(school), startTempC: facts.heat.startTempC ?? doc.heat.startTempC },
    set: { ...doc.set, fluidGel: false, ...facts.set },
    components: doc.components.map(c =>
      c.id === doc.componentId ? { ...c, steps: stepsFor(school, c.lines, id) } : c,
    ),
  }
}

/**
 * Scales every line of every component.
 * @example scaleFormula(doc, 2).components[0].lines[0].massG // 340
 */
export function scaleFormula(doc: Bench, factor: number): Bench {
  return {
    ...doc,
    components: doc.components.map(c => ({
      ...c,
      lines: c.lines.map(l => ({ ...l, massG: Math.round(l.massG * factor * 10) / 10 })),
    })),
  }
}

/**
 * The formula with a line's grams changed.
 * @example withMass(doc, lines[0].id, 180).components[0].lines[0].massG // 180
 */
export const withMass = (doc: Bench, lineId: string, massG: number): Bench =>
  withMasses(doc, new Map([[lineId, massG]]))

/** The formula with the grams of several lines changed, by line id. */
export const withMasses = (doc: Bench, masses: ReadonlyMap<string, number>): Bench => ({
  ...doc,
  components: doc.components.map(c => ({
    ...c,
    lines: c.lines.map(l => (masses.has(l.id) ? { ...l, massG: masses.get(l.id)! } : l)),
  })),
})
