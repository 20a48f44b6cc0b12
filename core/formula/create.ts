/** Making a formula document: the ways of making with their defaults, and what a use starts from. */
import { pHOfMix } from '../acidity/acidity'
import { heatStep } from '../heat/cooking'
import { cookEnd, eggTemperatures } from '../heat/egg'
import { waterActivityOf } from '../taste/taste'
import { findIngredient } from '../ingredients'
import { mix } from './mix'
import { stagesOf } from './stages'
import { FORMULA_FORMAT, SCHEMA_VERSION, type Assembly, type ChillLeg, type FormulaDocument, type HeatPlan, type Kitchen, type Line, type School, type Step, type Use, type UseKind } from './document'

/** Gives fresh ids; the caller owns chance, so that the core stays deterministic. */
export type NewId = () => string

/** Starting use by kind: heights and widths a tea room would serve; an hour on a 20 °C table. Common practice. */
export function defaultUse(kind: UseKind): Use {
  const size: Record<UseKind, [height: number, width: number]> = {
    spooned: [0.025, 0.05], glass: [0.06, 0.06], piped: [0.012, 0.025], cut: [0.025, 0.06], turnedOut: [0.04, 0.06],
  }
  const [pieceHeightM, pieceWidthM] = size[kind]
  return { kind, pieceHeightM, pieceWidthM, tableTempC: 20, tableTimeS: 3600 }
}

/** Heat defaults of a way of making. Targets: 82–83 °C with a minute's hold sets whole without grain (egg kinetics). */
export function defaultHeat(school: School): HeatPlan {
  const base = { startTempC: 18, burnerW: 250, course: { simulated: true } as const, evaporationG: { simulated: true } as const }
  switch (school) {
    case 'yolkBath': return { ...base, method: 'waterBath', targetTempC: 82, holdS: 60 }
    case 'wholeEggTempered': return { ...base, method: 'direct', targetTempC: 82, holdS: 60 }
    case 'emulsified': return { ...base, method: 'waterBath', targetTempC: 83, holdS: 30 }
  }
}

/** Steps of a way of making: what is cooked together, what goes in afterwards. */
export function stepsFor(school: School, lines: readonly Line[], id: NewId): Step[] {
  const butter = lines.filter(l => findIngredient(l.ingredientId)?.group === 'butter').map(l => l.id)
  const late = school === 'wholeEggTempered' ? [] : butter
  const first = lines.map(l => l.id).filter(x => !late.includes(x))
  return [
    { id: id(), kind: 'combine', lineIds: first },
    { id: id(), kind: 'cook' },
    { id: id(), kind: 'strain' },
    ...(late.length
      ? [{ id: id(), kind: 'stirIn' as const, lineIds: late, lineTempC: school === 'emulsified' ? 18 : 5, mixTempC: school === 'emulsified' ? { given: 55 } : { simulated: true as const } }]
      : []),
    { id: id(), kind: 'pour' },
  ]
}

/** Chill defaults: half an hour on the bench under film, then the kitchen's first fridge. */
export function defaultChill(kitchen: Kitchen, id: NewId): ChillLeg[] {
  const fridge = kitchen.places.find(p => p.kind === 'fanFridge' || p.kind === 'domesticFridge' || p.kind === 'walkIn')
  return [
    { id: id(), placeId: null, place: { kind: 'bench', airTempC: kitchen.roomTempC }, timeS: 20 * 60, cover: 'film' },
    { id: id(), placeId: fridge?.id ?? null, place: fridge ? { kind: fridge.kind, airTempC: fridge.airTempC } : { kind: 'domesticFridge', airTempC: 4 }, timeS: 6 * 3600, cover: 'film' },
  ]
}

/** A vessel that suits a use, for about 650 g of mix. */
export function defaultAssembly(kind: UseKind): Assembly {
  const base = { vesselId: null, crustM: 0, count: 1, portions: 6 }
  switch (kind) {
    case 'cut': return { ...base, crustM: 0.004, portions: 8, vessel: { kind: 'tartRing', material: 'metal', lengthM: 0.2, widthM: 0.2, heightM: 0.03 } }
    case 'glass': return { ...base, count: 6, vessel: { kind: 'ramekin', material: 'glass', lengthM: 0.06, widthM: 0.06, heightM: 0.08 } }
    case 'turnedOut': return { ...base, count: 6, vessel: { kind: 'ramekin', material: 'metal', lengthM: 0.06, widthM: 0.06, heightM: 0.05 } }
    default: return { ...base, portions: 20, vessel: { kind: 'rectangle', material: 'metal', lengthM: 0.26, widthM: 0.16, heightM: 0.065 } }
  }
}

export interface NewFormula { name: string, school: School, use: Use, lines: Line[], note?: string, startAt?: string }

/** A complete document from lines, a way of making and a use. */
export function createFormula(n: NewFormula, kitchen: Kitchen, id: NewId): FormulaDocument {
  const assembly = defaultAssembly(n.use.kind)
  return {
    format: FORMULA_FORMAT,
    version: SCHEMA_VERSION,
    name: n.name,
    family: 'curd',
    school: n.school,
    note: n.note ?? '',
    use: n.use,
    components: [
      { id: id(), role: 'filling', name: 'Curd', lines: n.lines, steps: stepsFor(n.school, n.lines, id) },
      ...(assembly.crustM > 0 ? [{ id: id(), role: 'crust' as const, name: 'Shell', lines: [], steps: [] }] : []),
    ],
    assembly,
    losses: { sieveFraction: 0.03, panG: 10 },
    heat: defaultHeat(n.school),
    chill: defaultChill(kitchen, id),
    serve: { startAt: n.startAt ?? '', coldTempC: { simulated: true }, chilledS: { simulated: true } },
  }
}

/** A line in grams. */
export const line = (id: string, ingredientId: string, massG: number, sourceText = '', assumption = ''): Line => ({ id, ingredientId, massG, sourceText, assumption })

/** The school that fits a set of lines: whole eggs are tempered, yolks go on the bath, much butter is blended in cool. */
export function suggestSchool(lines: readonly Line[]): School {
  const total = lines.reduce((s, l) => s + l.massG, 0)
  const massOf = (ids: string[]) => lines.reduce((s, l) => s + (ids.includes(l.ingredientId) ? l.massG : 0), 0)
  if (massOf(['butter80', 'butter82', 'butter84']) > 0.28 * total) return 'emulsified'
  return massOf(['egg']) > massOf(['yolk', 'yolk_sep']) ? 'wholeEggTempered' : 'yolkBath'
}

/**
 * A target for the pot that sets the egg of these lines with the widest margin to grainy: the lowest whole degree at
 * which the pot, as it will run, sets 95 % of the egg; never under 75 °C (lethality with the thermometer's error in hand).
 */
export function suggestTarget(doc: FormulaDocument, kitchen: Kitchen): number {
  const cooked = mix(stagesOf(doc, kitchen).cooked)
  if (!(cooked.grams.water > 0)) return doc.heat.targetTempC
  const egg = eggTemperatures(cooked, pHOfMix(cooked))
  if (!egg) return doc.heat.targetTempC
  const first = Math.max(75, Math.ceil(egg.t60C - 5))
  for (let target = first; target < first + 12; target++) {
    const { pot } = heatStep({ ...doc, heat: { ...doc.heat, course: { simulated: true }, targetTempC: target } }, kitchen, cooked, waterActivityOf(cooked))
    if (pot.reachedS === null || cookEnd(pot.history, egg, pot.filmC).a >= 0.95) return target
  }
  return first + 12
}

/** Scales every line of every component. */
export function scaleFormula(doc: FormulaDocument, factor: number): FormulaDocument {
  return { ...doc, components: doc.components.map(c => ({ ...c, lines: c.lines.map(l => ({ ...l, massG: Math.round(l.massG * factor * 10) / 10 })) })) }
}
