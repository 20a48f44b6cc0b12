/** Making a formula document: the ways of making with their defaults, and what a use starts from. */
import { pHOfMix } from '../acidity/acidity'
import { heatStep } from '../heat/cooking'
import { cookEnd, eggTemperatures } from '../heat/egg'
import { waterActivityOf } from '../taste/taste'
import { findIngredient } from '../ingredients'
import { mix } from './mix'
import { stagesOf } from './stages'
import { familyOf } from '../families/families'
import { schoolOf, takes } from '../families/schools'
import { FORMULA_FORMAT, plainStock, SCHEMA_VERSION, type Assembly, type ChillLeg, type FormulaDocument, type HeatPlan, type Kitchen, type KitchenPlace, type Line, type Material, type School, type SetPlan, type Step, type Use, type UseKind, type Vessel, type VesselKind } from './document'

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

/** An oven that is not used. */
export const plainOven = (): HeatPlan['oven'] => ({ airTempC: 160, fan: false, bath: false, timeS: { simulated: true }, ovenId: null, offsetK: 0 })

/** A set of which everything follows from the steps and the heat. */
export const plainSet = (): SetPlan => ({
  stirred: { simulated: true }, milkHeat: { simulated: true }, air: { simulated: true }, whippedFat: { simulated: true }, whiteFoam: { simulated: true }, starch: { simulated: true },
  acidBoiled: { simulated: true }, amylase: { simulated: true }, bloom: 200, fluidGel: false,
})

/** Heat defaults of a way of making. */
export function defaultHeat(school: School): HeatPlan {
  const { heat } = schoolOf(school)
  return { startTempC: 18, burnerW: 250, burnerId: null, pan: null, course: { simulated: true }, evaporationG: { simulated: true }, until: 'hold', ...heat, oven: { ...plainOven(), ...heat.oven } }
}

/** Steps of a way of making: what is heated together, what goes in afterwards and how. Steps that would take nothing are left out. */
export function stepsFor(school: School, lines: readonly Line[], id: NewId): Step[] {
  const { steps, heat } = schoolOf(school)
  const taken = new Set<string>()
  const after: Step[] = []
  for (const t of steps) {
    if (t.kind !== 'stirIn' && t.kind !== 'foldIn') {
      after.push({ id: id(), kind: t.kind })
      continue
    }
    const lineIds = lines.filter(l => !taken.has(l.id) && takes(t.takes, findIngredient(l.ingredientId)!)).map(l => l.id)
    // Something must be left to heat.
    if (lineIds.length === 0 || lineIds.length + taken.size === lines.length) continue
    lineIds.forEach(x => taken.add(x))
    const mixTempC = t.mixTempC === null ? { simulated: true as const } : { given: t.mixTempC }
    after.push(t.kind === 'stirIn' ? { id: id(), kind: 'stirIn', lineIds, lineTempC: t.lineTempC, mixTempC } : { id: id(), kind: 'foldIn', lineIds, lineTempC: t.lineTempC, mixTempC, overrun: t.overrun })
  }
  const cooks = heat.method !== 'none' && heat.method !== 'oven'
  return [{ id: id(), kind: 'combine', lineIds: lines.map(l => l.id).filter(x => !taken.has(x)) }, ...(cooks ? [{ id: id(), kind: 'cook' as const }] : []), ...after]
}

/** Steps for lines that have changed: as the way of making has them, with the temperatures and whipping already chosen kept. */
export function renewSteps(school: School, lines: readonly Line[], old: readonly Step[], id: NewId): Step[] {
  const left = [...old]
  return stepsFor(school, lines, id).map((step) => {
    if (step.kind !== 'stirIn' && step.kind !== 'foldIn') return step
    const i = left.findIndex(o => o.kind === step.kind)
    const before = i < 0 ? undefined : left.splice(i, 1)[0]
    return before && 'mixTempC' in before ? { ...step, ...before, id: step.id, lineIds: step.lineIds } as Step : step
  })
}

/** Chill defaults of a way of making: the bench under film, then the kitchen's first fridge (a freezer before it for inserts). */
export function defaultChill(kitchen: Kitchen, id: NewId, school: School = 'yolkBath'): ChillLeg[] {
  const { chill, freezerH } = schoolOf(school)
  const fridge = kitchen.places.find(p => p.kind === 'fanFridge' || p.kind === 'domesticFridge' || p.kind === 'walkIn')
  const freezer = kitchen.places.find(p => p.kind === 'freezer')
  const leg = (known: KitchenPlace | undefined, usual: ChillLeg['place'], timeS: number): ChillLeg =>
    ({ id: id(), placeId: known?.id ?? null, place: known ? { kind: known.kind, airTempC: known.airTempC } : usual, timeS, cover: 'film' })
  return [
    ...(chill.benchMin > 0 ? [leg(undefined, { kind: 'bench', airTempC: kitchen.roomTempC }, chill.benchMin * 60)] : []),
    ...(freezerH ? [leg(freezer, { kind: 'freezer', airTempC: -18 }, freezerH * 3600)] : []),
    leg(fridge, { kind: 'domesticFridge', airTempC: 4 }, chill.fridgeH * 3600),
  ]
}

/** A straight-sided vessel of a size. */
export const plainVessel = (kind: VesselKind, material: Material, lengthM: number, widthM: number, heightM: number): Vessel => ({ kind, material, lengthM, widthM, heightM, taper: 1, heldM3: null })

/** A vessel that suits a use and a way of making, for about 650 g of mix. */
export function defaultAssembly(kind: UseKind, school: School = 'yolkBath'): Assembly {
  const { family, crustM } = schoolOf(school)
  const base = { vesselId: null, crustM, crustForm: 'shell' as const, toppingM: 0, insertM3: 0, tiltDeg: 0, count: 1, portions: 6 }
  if (school === 'tartlets') return { ...base, count: 24, portions: 24, vessel: plainVessel('tartRing', 'metal', 0.06, 0.06, 0.02) }
  if (family === 'bar') return { ...base, crustForm: 'base', portions: 16, vessel: plainVessel('rectangle', 'metal', 0.2, 0.2, 0.05) }
  if (family === 'condensedPie' && kind === 'cut') return { ...base, portions: 8, vessel: plainVessel('round', 'metal', 0.23, 0.23, 0.04) }
  switch (kind) {
    case 'cut': return { ...base, crustM: family === 'curd' ? 0.004 : crustM, portions: 8, vessel: plainVessel('tartRing', 'metal', 0.2, 0.2, 0.03) }
    case 'glass': return { ...base, count: 6, vessel: plainVessel('glass', 'glass', 0.06, 0.06, 0.08) }
    case 'turnedOut': return { ...base, count: 6, vessel: plainVessel('ramekin', 'metal', 0.06, 0.06, 0.05) }
    default: return { ...base, portions: 20, vessel: plainVessel('rectangle', 'metal', 0.26, 0.16, 0.065) }
  }
}

export interface NewFormula { name: string, school: School, use: Use, lines: Line[], crust?: Line[], topping?: Line[], note?: string, startAt?: string }

/** A complete document from lines, a way of making and a use. */
export function createFormula(n: NewFormula, kitchen: Kitchen, id: NewId): FormulaDocument {
  const assembly = defaultAssembly(n.use.kind, n.school)
  const facts = schoolOf(n.school)
  return {
    format: FORMULA_FORMAT,
    version: SCHEMA_VERSION,
    name: n.name,
    family: facts.family,
    school: n.school,
    note: n.note ?? '',
    use: n.use,
    stock: plainStock(),
    components: [
      { id: id(), role: 'filling', name: 'Filling', lines: n.lines, steps: stepsFor(n.school, n.lines, id) },
      ...(assembly.crustM > 0 || n.crust?.length ? [{ id: id(), role: 'crust' as const, name: 'Shell', lines: n.crust ?? [], steps: [] }] : []),
      ...(n.topping?.length ? [{ id: id(), role: 'topping' as const, name: 'Topping', lines: n.topping, steps: [] }] : []),
    ],
    assembly,
    losses: { sieveFraction: facts.sieve, panG: 10 },
    heat: defaultHeat(n.school),
    set: { ...plainSet(), ...facts.set },
    chill: defaultChill(kitchen, id, n.school),
    serve: { startAt: n.startAt ?? '', coldTempC: { simulated: true }, chilledS: { simulated: true }, claimDays: null, temperC: null },
  }
}

/** The same formula by another way of making: its steps, its heat, what it sets; lines, vessel and cold stay. */
export function withSchool(doc: FormulaDocument, school: School, id: NewId): FormulaDocument {
  const facts = schoolOf(school)
  return {
    ...doc, family: facts.family, school, heat: { ...defaultHeat(school), startTempC: facts.heat.startTempC ?? doc.heat.startTempC }, set: { ...doc.set, fluidGel: false, ...facts.set },
    components: doc.components.map(c => c.role === 'filling' ? { ...c, steps: stepsFor(school, c.lines, id) } : c),
  }
}

/** A line in grams. */
export const line = (id: string, ingredientId: string, massG: number, sourceText = '', assumption = ''): Line => ({ id, ingredientId, massG, sourceText, assumption })

/**
 * A target for the pot that sets the egg of these lines with the widest margin to grainy: the lowest whole degree at
 * which the pot, as it will run, sets 95 % of the egg; never under 75 °C (lethality with the thermometer's error in hand).
 */
export function suggestTarget(doc: FormulaDocument, kitchen: Kitchen): number {
  if (!familyOf(doc.family).eggSets || doc.heat.method === 'oven' || doc.heat.method === 'none') return doc.heat.targetTempC
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
