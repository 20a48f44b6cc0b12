/**
 * Whole desserts ready to begin with: their parts, from the bottom up, in a vessel of a usual size. Amounts are common
 * practice sized to that vessel and held by the pipeline (`kinds.test.ts`: each comes out as a piece that stands).
 */
import { benchOf, type Bench, fillingOf, type Planned, putBack } from '../formula/bench'
import { createFormula, defaultUse, line } from '../formula/create'
import type { Built, ComponentRole, PartKind, School } from '../formula/document'
import { withComponent, withLaid, withThickness, withWeight } from '../formula/layers'
import { plainMake, resizeParts, withPart } from '../formula/parts'
import { type NewId, stepsFor } from '../formula/steps'
import type { Kitchen } from '../kitchen/kitchen'
import { plainVessel, type Vessel } from '../physics/geometry/cavity'
import type { Use, UseKind } from '../physics/set/bands'

export const DESSERT_KINDS = [
  'meringuePie', 'gelatinTart', 'trifle', 'crustBar', 'mousseCake', 'filledSponge', 'curdRoll', 'pavlova',
  'filledChoux', 'possetJelly', 'domes', 'eclairs',
] as const
export type DessertKind = (typeof DESSERT_KINDS)[number]

/** What else is made for them. */
export const MADE_NAMES = ['custard', 'insert', 'glaze', 'jelly'] as const
export type MadeName = (typeof MADE_NAMES)[number]

type Grams = Readonly<Record<string, number>>
/** What lies in the vessel: the filling the dessert is named for, another that is made, or what is laid in. */
type Level =
  | { part: 'filling' }
  | { part: 'made', role: ComponentRole, name: MadeName, school: School, grams: Grams }
  | { part: 'laid', kind: PartKind, by: { thickM: number } | { massG: number } }
interface Plan {
  use: UseKind
  piece: Partial<Use>
  vessel: Vessel
  count: number
  portions: number
  built?: Built
  /** Hours of its last cold, where its way of making has too few. */
  fridgeH?: number
  crust?: { kind: PartKind, thickM: number, form: 'shell' | 'base', sealed?: boolean }
  topping?: { kind: PartKind, thickM: number }
  filling: { school: School, grams: Grams }
  levels: readonly Level[]
}
const FILLING: Level = { part: 'filling' }
const laid = (kind: PartKind, thickM: number): Level => ({ part: 'laid', kind, by: { thickM } })
const weighed = (kind: PartKind, massG: number): Level => ({ part: 'laid', kind, by: { massG } })
const made = (role: ComponentRole, name: MadeName, school: School, grams: Grams): Level =>
  ({ part: 'made', role, name, school, grams })

/** A curd of whole eggs and butter that spreads and stands. */
const CURD: Grams = { egg: 183, yolk_sep: 51, sugar: 170, lemon: 150, butter82: 150, zest: 3 }
/** One that much butter holds: it is cut under cream and sponge. */
const FIRM_CURD: Grams = { yolk_sep: 119, sugar: 140, lemon: 115, butter82: 255, zest: 2 }
const times = (grams: Grams, by: number): Grams =>
  Object.fromEntries(Object.entries(grams).map(([k, g]) => [k, Math.round(g * by * 10) / 10]))

const PLANS: Readonly<Record<DessertKind, Plan>> = {
  meringuePie: {
    use: 'cut', piece: { pieceHeightM: 0.025, tableTimeS: 2700 },
    vessel: plainVessel('round', 'metal', 0.23, 0.23, 0.04), count: 1, portions: 8,
    crust: { kind: 'blindShell', thickM: 0.004, form: 'shell', sealed: true },
    topping: { kind: 'meringueCold', thickM: 0.03 },
    filling: {
      school: 'juiceAfter',
      grams: { water: 330, sugar: 210, cornflour: 56, yolk_sep: 80, lemon: 125, butter82: 40, zest: 3 },
    },
    levels: [FILLING],
  },
  gelatinTart: {
    use: 'cut', piece: { pieceHeightM: 0.02 }, vessel: plainVessel('tartRing', 'metal', 0.24, 0.24, 0.035), count: 1,
    portions: 12,
    crust: { kind: 'blindShell', thickM: 0.004, form: 'shell', sealed: true },
    topping: { kind: 'meringueBoiled', thickM: 0.025 },
    filling: {
      school: 'gelatinBacked', grams: { egg: 243, sugar: 225, lemon: 190, butter82: 190, gelatin: 6, zest: 3 },
    },
    levels: [FILLING],
  },
  trifle: {
    use: 'glass', piece: { pieceHeightM: 0.1, pieceWidthM: 0.2 },
    vessel: { ...plainVessel('round', 'glass', 0.21, 0.21, 0.11), taper: 0.9 }, count: 1, portions: 14,
    filling: { school: 'wholeEggTempered', grams: times(CURD, 1.1) },
    levels: [
      weighed('spongeLayer', 210), weighed('berryLayer', 225), FILLING,
      made('cream', 'custard', 'milkPudding', { milk: 720, sugar: 80, cornflour: 40, zest: 2 }),
      weighed('whippedLayer', 320),
    ],
  },
  crustBar: {
    use: 'cut', piece: { pieceHeightM: 0.015, pieceWidthM: 0.05 },
    vessel: plainVessel('rectangle', 'metal', 0.2, 0.2, 0.05), count: 1, portions: 16,
    crust: { kind: 'shortbread', thickM: 0.008, form: 'base' },
    filling: { school: 'cooledBase', grams: { egg: 243, sugar: 285, lemon: 140, flour: 35, zest: 4 } },
    levels: [FILLING],
  },
  mousseCake: {
    use: 'cut', piece: { pieceHeightM: 0.05, pieceWidthM: 0.06, tableTimeS: 1800 },
    vessel: plainVessel('tartRing', 'metal', 0.2, 0.2, 0.06), count: 1, portions: 12,
    crust: { kind: 'spongeBase', thickM: 0.01, form: 'base' },
    filling: {
      school: 'foldedMousse', grams: { egg: 122, sugar: 150, lemon: 110, gelatin: 11, cream36: 420, zest: 3 },
    },
    levels: [
      made('insert', 'insert', 'frozenInsert', { water: 70, sugar: 70, agar: 2.4, passion: 160 }),
      FILLING,
      made('glaze', 'glaze', 'setCream', { cream36: 90, choc_white: 70, glucose_syr: 40, gelatin: 3, lemon: 12 }),
    ],
  },
  filledSponge: {
    use: 'cut', piece: { pieceHeightM: 0.06, pieceWidthM: 0.06, tableTimeS: 1800 },
    vessel: plainVessel('round', 'metal', 0.2, 0.2, 0.08), count: 1, portions: 10, fridgeH: 14,
    filling: { school: 'emulsified', grams: FIRM_CURD },
    levels: [laid('spongeLayer', 0.025), FILLING, laid('whippedLayer', 0.012), laid('spongeLayer', 0.025)],
  },
  curdRoll: {
    use: 'cut', piece: { pieceHeightM: 0.07, pieceWidthM: 0.025 },
    vessel: plainVessel('rectangle', 'metal', 0.38, 0.28, 0.025), count: 1, portions: 12, built: 'roll',
    filling: { school: 'emulsified', grams: { yolk_sep: 102, sugar: 140, lemon: 120, butter82: 200, zest: 2 } },
    levels: [laid('rollSheet', 0.01), FILLING],
  },
  pavlova: {
    use: 'cut', piece: { pieceHeightM: 0.04, pieceWidthM: 0.07, tableTimeS: 1200 },
    vessel: plainVessel('tartRing', 'metal', 0.24, 0.24, 0.09), count: 1, portions: 10, built: 'heaped', fridgeH: 14,
    crust: { kind: 'meringueDry', thickM: 0.035, form: 'base' },
    filling: { school: 'emulsified', grams: FIRM_CURD },
    levels: [FILLING, laid('whippedLayer', 0.02), laid('berryLayer', 0.015)],
  },
  filledChoux: {
    use: 'piped', piece: { pieceHeightM: 0.03, pieceWidthM: 0.045, tableTimeS: 1800 },
    vessel: plainVessel('mould', 'silicone', 0.05, 0.05, 0.04), count: 20, portions: 20, built: 'shells',
    crust: { kind: 'chouxShell', thickM: 0.006, form: 'shell' },
    filling: {
      school: 'gelatinBacked',
      grams: { egg: 183, yolk_sep: 51, sugar: 170, lemon: 150, butter82: 170, gelatin: 3 },
    },
    levels: [FILLING],
  },
  possetJelly: {
    use: 'glass', piece: { pieceHeightM: 0.055, pieceWidthM: 0.065, tableTimeS: 1800 },
    vessel: plainVessel('glass', 'glass', 0.065, 0.065, 0.08), count: 6, portions: 6,
    filling: { school: 'reduced', grams: { cream48: 620, sugar: 115, lemon: 80, zest: 2 } },
    levels: [
      FILLING,
      made('sauce', 'jelly', 'setCream', { water: 170, sugar: 45, lemon: 35, gelatin: 4 }),
      laid('biscuitLayer', 0.006),
    ],
  },
  domes: {
    use: 'turnedOut', piece: { pieceHeightM: 0.035, pieceWidthM: 0.07, tableTimeS: 1200 },
    vessel: plainVessel('bowl', 'silicone', 0.07, 0.07, 0.035), count: 8, portions: 8, built: 'domed',
    filling: {
      school: 'foldedMousse', grams: { egg: 64, sugar: 72, lemon: 58, gelatin: 5.3, cream36: 202, zest: 2 },
    },
    levels: [FILLING, laid('spongeLayer', 0.006)],
  },
  eclairs: {
    use: 'piped', piece: { pieceHeightM: 0.028, pieceWidthM: 0.035, tableTimeS: 1800 },
    vessel: plainVessel('rectangle', 'silicone', 0.13, 0.035, 0.03), count: 12, portions: 12, built: 'shells',
    crust: { kind: 'chouxShell', thickM: 0.006, form: 'shell' },
    filling: {
      school: 'gelatinBacked',
      grams: { egg: 150, yolk_sep: 42, sugar: 140, lemon: 123, butter82: 140, gelatin: 2.5 },
    },
    levels: [FILLING],
  },
}
/** @example dessertPlan('pavlova').portions // 10 */
export const dessertPlan = (kind: DessertKind): Plan => PLANS[kind]

const linesOf = (grams: Grams, id: NewId) =>
  Object.entries(grams).map(([ingredientId, g]) => line(id(), ingredientId, g))

/** One more level on top of the others; its component's id. */
function withLevel(
  planned: Planned, level: Exclude<Level, { part: 'filling' }>, kitchen: Kitchen, names: Names, id: NewId,
) {
  if (level.part === 'laid') {
    const wider = withLaid(planned, kitchen, level.kind, names.part(level.kind), id)
    const { by } = level
    const put = 'thickM' in by
      ? withThickness(wider.planned, kitchen, wider.id, by.thickM)
      : withWeight(wider.planned, kitchen, wider.id, by.massG)
    return { id: wider.id, planned: put }
  }
  const { role, school, grams } = level
  // A jelly is a sauce that lies in the vessel.
  const as = { role: role === 'sauce' ? 'filling' as const : role, name: names.made(level.name), school }
  const wider = withComponent(planned, as, id)
  const bench = benchOf(wider.planned, wider.id)
  const lines = linesOf(grams, id)
  const own = { ...fillingOf(bench), role, lines, steps: stepsFor(school, lines, id) }
  return {
    id: wider.id,
    planned: putBack({ ...bench, components: bench.components.map(c => (c.id === wider.id ? own : c)) }),
  }
}

/** What a dessert and its parts are called. */
export interface Names {
  dessert: (kind: DessertKind) => string
  part: (kind: PartKind) => string
  made: (name: MadeName) => string
}

/**
 * A dessert of a kind, complete.
 * @example dessertOf('pavlova', kitchen, { dessert: k => k, part: k => k, made: k => k }, id).formula.name // 'pavlova'
 */
export function dessertOf(kind: DessertKind, kitchen: Kitchen, names: Names, id: NewId): Planned {
  const p = PLANS[kind]
  const use: Use = { ...defaultUse(p.use), ...p.piece }
  const plain = createFormula(
    { name: names.dessert(kind), school: p.filling.school, use, lines: linesOf(p.filling.grams, id) }, kitchen, id)
  if (p.fridgeH) plain.chill.at(-1)!.timeS = p.fridgeH * 3600
  const bare: Bench = {
    ...plain,
    components: plain.components.filter(c => c.id === plain.componentId),
    assembly: {
      ...plain.assembly, vesselId: null, vessel: p.vessel, count: p.count, portions: p.portions, crustM: 0, toppingM: 0,
      insertM3: 0, tiltDeg: 0, ...(p.built ? { built: p.built } : {}),
    },
  }
  let planned = putBack(bare)
  const order = p.levels.map((level) => {
    if (level.part === 'filling') return plain.componentId
    const wider = withLevel(planned, level, kitchen, names, id)
    planned = wider.planned
    return wider.id
  })
  const { layers } = planned.formula.assembly
  planned.formula.assembly.layers = order.map(own => layers.find(l => l.componentId === own)!)
  return putBack(withEnds(benchOf(planned), p, kitchen, names, id))
}
/** Crust and topping, and every part sized to the vessel. */
function withEnds(b: Bench, p: Plan, kitchen: Kitchen, names: Names, id: NewId): Bench {
  let bench = b
  for (const [role, part] of [['crust', p.crust], ['topping', p.topping]] as const) {
    if (!part) continue
    const seal = 'sealed' in part && part.sealed ? { sealed: true } : {}
    bench = withPart(bench, kitchen, role, { ...plainMake(part.kind), ...seal }, id, names.part(part.kind))
    bench = { ...bench, assembly: { ...bench.assembly, [role === 'crust' ? 'crustM' : 'toppingM']: part.thickM } }
    if ('form' in part) bench = { ...bench, assembly: { ...bench.assembly, crustForm: part.form } }
  }
  return resizeParts(bench, kitchen)
}
