/** What a shared link shows: what is made and how, nothing of stock and nothing of people. */
import type { FormulaDocument } from '#core/formula/document'
import type { DaySheet, SheetDessert } from './day'

/** A formula as others see it: no words that somebody pasted or noted beside a line. */
export const sharedFormula = (f: FormulaDocument): FormulaDocument => ({
  ...f,
  components: f.components.map(c => ({ ...c, lines: c.lines.map(l => ({ ...l, sourceText: '', assumption: '' })) })),
})

export interface SharedDay {
  desserts: (Pick<SheetDessert, 'name' | 'count' | 'countOf' | 'serveAt'> & {
    steps: { name: string, minutes: number }[]
  })[]
}
/** A day as others see it: what is served when; no hands. */
export const sharedDay = ({ desserts }: DaySheet): SharedDay => ({
  desserts: desserts.map(({ name, count, countOf, serveAt, steps }) => ({
    name, count, serveAt, ...(countOf ? { countOf } : {}),
    steps: (steps ?? []).map(s => ({ name: s.name, minutes: s.minutes })),
  })),
})
