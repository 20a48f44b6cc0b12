/** Formulas and a kitchen for tests. Figures are made up unless a test names their source. */
import { createFormula, defaultUse, line } from '../../core/formula/create'
import type { FormulaDocument, Kitchen, School, UseKind } from '../../core/formula/document'
import type { MixPart } from '../../core/formula/mix'
import { findIngredient } from '../../core/ingredients'

export const kitchen: Kitchen = {
  altitudeM: 0, roomTempC: 20, foodCode: 'us', business: true, eggGrade: 'usL', vessels: [], ovens: [], burners: [], pans: [], lots: [], prices: {},
  places: [{ id: 'fan', name: 'Fan fridge', kind: 'fanFridge', airTempC: 3 }, { id: 'still', name: 'Still fridge', kind: 'domesticFridge', airTempC: 4 }],
}

/** Ids that count up: the core asks its caller for them. */
export function counter(prefix = 'i') {
  let n = 0
  return () => `${prefix}${++n}`
}

export type Grams = Record<string, number>
export const YOLK_CURD: Grams = { yolk_sep: 170, sugar: 170, lemon: 170, butter82: 85 }
export const EGG_CURD: Grams = { egg: 240, sugar: 200, lemon: 200, butter82: 115 }

/** Parts of a mix from grams by ingredient. */
export const parts = (grams: Grams): MixPart[] => Object.entries(grams).map(([id, massG]) => ({ row: findIngredient(id)!, massG, strength: { kind: 'typical' } }))

/** A document from grams; `edit` changes what the test is about. */
export function formula(grams: Grams = YOLK_CURD, edit: (d: FormulaDocument) => void = () => {}, options: { school?: School, use?: UseKind } = {}): FormulaDocument {
  const id = counter()
  const lines = Object.entries(grams).map(([ingredientId, massG]) => line(id(), ingredientId, massG))
  const doc = createFormula({ name: 'Test curd', school: options.school ?? 'yolkBath', use: defaultUse(options.use ?? 'spooned'), lines, startAt: '2026-11-28T09:00' }, kitchen, id)
  doc.heat.targetTempC = 80
  edit(doc)
  return doc
}
