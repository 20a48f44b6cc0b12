/** Changes of a whole formula: grams, batch, way of making. The input is never changed. */
import { defaultHeat } from './create'
import type { FormulaDocument, School } from './document'
import { schoolOf } from './schools'
import { type NewId, stepsFor } from './steps'

/** The same formula by another way of making: its steps, its heat, what it sets; lines, vessel and cold stay. */
export function withSchool(doc: FormulaDocument, school: School, id: NewId): FormulaDocument {
  const facts = schoolOf(school)
  return {
    ...doc,
    family: facts.family,
    school,
    heat: { ...defaultHeat(school), startTempC: facts.heat.startTempC ?? doc.heat.startTempC },
    set: { ...doc.set, fluidGel: false, ...facts.set },
    components: doc.components.map(c => (c.role === 'filling' ? { ...c, steps: stepsFor(school, c.lines, id) } : c)),
  }
}

/** Scales every line of every component. */
export function scaleFormula(doc: FormulaDocument, factor: number): FormulaDocument {
  return {
    ...doc,
    components: doc.components.map(c => ({
      ...c,
      lines: c.lines.map(l => ({ ...l, massG: Math.round(l.massG * factor * 10) / 10 })),
    })),
  }
}

/** The formula with a line's grams changed. */
export const withMass = (doc: FormulaDocument, lineId: string, massG: number): FormulaDocument =>
  withMasses(doc, new Map([[lineId, massG]]))

/** The formula with the grams of several lines changed, by line id. */
export const withMasses = (doc: FormulaDocument, masses: ReadonlyMap<string, number>): FormulaDocument => ({
  ...doc,
  components: doc.components.map(c => ({
    ...c,
    lines: c.lines.map(l => (masses.has(l.id) ? { ...l, massG: masses.get(l.id)! } : l)),
  })),
})
