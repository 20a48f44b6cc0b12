/** Changes of a whole formula: grams, batch, way of making. The input is never changed. */
import { defaultHeat } from './create'
import type { Bench } from './bench'
import type { Component, Line, School } from './document'
import { schoolOf } from './schools'
import { type NewId, renewSteps, stepsFor } from './steps'

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

/** A tenth of a gram is what a scale reads: less is the same line. */
const SAME_G = 0.05
/**
 * A line with other grams: the measure it was written in, and what was assumed of it, were of the old ones.
 * @example weighedAs({ ...lines[0], sourceText: '10 yolks' }, 180).sourceText // ''
 */
export const weighedAs = (l: Line, massG: number): Line =>
  Math.abs(massG - l.massG) < SAME_G ? { ...l, massG } : { ...l, massG, sourceText: '', assumption: '' }

/**
 * Scales every line of every component.
 * @example scaleFormula(doc, 2).components[0].lines[0].massG // 340
 */
export function scaleFormula(doc: Bench, factor: number): Bench {
  return {
    ...doc,
    components: doc.components.map(c => ({
      ...c,
      lines: c.lines.map(l => weighedAs(l, Math.round(l.massG * factor * 10) / 10)),
    })),
  }
}

/**
 * The formula with a line's grams changed.
 * @example withMass(doc, lines[0].id, 180).components[0].lines[0].massG // 180
 */
export const withMass = (doc: Bench, lineId: string, massG: number): Bench =>
  withMasses(doc, new Map([[lineId, massG]]))

/**
 * Lines of which one is given other grams, to a tenth.
 * @example weighLine(lines, lines[0].id, 180.04)[0].massG // 180
 */
export const weighLine = (lines: readonly Line[], lineId: string, massG: number): Line[] =>
  lines.map(l => (l.id === lineId ? weighedAs(l, Math.round(massG * 10) / 10) : l))

/** The formula with the grams of several lines changed, by line id. */
export const withMasses = (doc: Bench, masses: ReadonlyMap<string, number>): Bench => ({
  ...doc,
  components: doc.components.map(c => ({
    ...c,
    lines: c.lines.map(l => (masses.has(l.id) ? weighedAs(l, masses.get(l.id)!) : l)),
  })),
})

/**
 * A line moved to another component of the dessert, with the steps of both as their ways of making have them.
 * @example withLineIn(doc, doc.components[0].lines[0].id, 'nobody', id) // doc
 */
export function withLineIn(doc: Bench, lineId: string, toId: string, id: NewId): Bench {
  const from = doc.components.find(c => c.lines.some(l => l.id === lineId))
  const line = from?.lines.find(l => l.id === lineId)
  if (!line || from!.id === toId || !doc.components.some(c => c.id === toId)) return doc
  const schoolOfThe = (c: Component) => (c.id === doc.componentId ? doc.school : c.process?.school)
  const withLines = (c: Component, lines: Component['lines']): Component => {
    const school = schoolOfThe(c)
    return { ...c, lines, steps: school ? renewSteps(school, lines, c.steps, id) : c.steps }
  }
  return {
    ...doc,
    components: doc.components.map((c) => {
      if (c.id === from!.id) return withLines(c, c.lines.filter(l => l.id !== lineId))
      return c.id === toId ? withLines(c, [...c.lines, line]) : c
    }),
  }
}
