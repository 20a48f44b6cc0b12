/** Making a formula: the ways of making with their defaults, and what a use starts from. */
import type { Kitchen, KitchenPlace } from '../kitchen/kitchen'
import { plainVessel } from '../physics/geometry/cavity'
import type { Use, UseKind } from '../physics/set/bands'
import type { Bench, BenchAssembly } from './bench'
import {
  type ChillLeg, type HeatPlan, type Line, pouredLayer, type Process, type School, type SetPlan,
} from './document'
import { familyOf } from './families'
import { plainStock } from './occasion'
import { schoolOf } from './schools'
import { type NewId, stepsFor } from './steps'

/**
 * Starting use by kind: heights and widths a tea room would serve; an hour on a 20 °C table. Common practice.
 * @example defaultUse('cut').pieceHeightM // 0.025
 */
export function defaultUse(kind: UseKind): Use {
  const size: Record<UseKind, [height: number, width: number]> = {
    spooned: [0.025, 0.05],
    glass: [0.06, 0.06],
    piped: [0.012, 0.025],
    cut: [0.025, 0.06],
    turnedOut: [0.04, 0.06],
    over: [0.004, 0.09],
  }
  const [pieceHeightM, pieceWidthM] = size[kind]
  return { kind, pieceHeightM, pieceWidthM, tableTempC: 20, tableTimeS: 3600 }
}

/**
 * An oven that is not used.
 * @example plainOven().airTempC // 160
 */
export const plainOven = (): HeatPlan['oven'] => ({
  airTempC: 160,
  fan: false,
  bath: false,
  timeS: { simulated: true },
  ovenId: null,
  offsetK: 0,
})

/**
 * A set of which everything follows from the steps and the heat.
 * @example plainSet().bloom // 200
 */
export const plainSet = (): SetPlan => ({
  stirred: { simulated: true },
  milkHeat: { simulated: true },
  air: { simulated: true },
  whippedFat: { simulated: true },
  whiteFoam: { simulated: true },
  starch: { simulated: true },
  acidBoiled: { simulated: true },
  amylase: { simulated: true },
  bloom: 200,
  fluidGel: false,
})

/**
 * Heat defaults of a way of making.
 * @example defaultHeat('yolkBath').method // 'waterBath'
 */
export function defaultHeat(school: School): HeatPlan {
  const { heat } = schoolOf(school)
  return {
    startTempC: 18,
    burnerW: 250,
    burnerId: null,
    pan: null,
    course: { simulated: true },
    evaporationG: { simulated: true },
    until: 'hold',
    ...heat,
    oven: { ...plainOven(), ...heat.oven },
  }
}

/**
 * Chill defaults of a way of making: the bench under film, then the kitchen's first fridge (a freezer before it for
 * inserts).
 * @example defaultChill(kitchen, id).length // 2
 */
export function defaultChill(kitchen: Kitchen, id: NewId, school: School = 'yolkBath'): ChillLeg[] {
  const { chill, freezerH } = schoolOf(school)
  const fridge = kitchen.places.find(
    p => p.kind === 'fanFridge' || p.kind === 'domesticFridge' || p.kind === 'walkIn',
  )
  const freezer = kitchen.places.find(p => p.kind === 'freezer')
  const leg = (known: KitchenPlace | undefined, usual: ChillLeg['place'], timeS: number): ChillLeg => ({
    id: id(),
    placeId: known?.id ?? null,
    place: known ? { kind: known.kind, airTempC: known.airTempC } : usual,
    timeS,
    cover: 'film',
  })
  return [
    ...(chill.benchMin > 0
      ? [leg(undefined, { kind: 'bench', airTempC: kitchen.roomTempC }, chill.benchMin * 60)]
      : []),
    ...(freezerH ? [leg(freezer, { kind: 'freezer', airTempC: -18 }, freezerH * 3600)] : []),
    leg(fridge, { kind: 'domesticFridge', airTempC: 4 }, chill.fridgeH * 3600),
  ]
}

/**
 * A vessel that suits a use and a way of making, for about 650 g of mix.
 * @example defaultAssembly('glass').count // 6
 */
export function defaultAssembly(kind: UseKind, school: School = 'yolkBath'): BenchAssembly {
  const { family, crustM, assembly: own } = schoolOf(school)
  const base = {
    vesselId: null,
    crustM,
    crustForm: 'shell' as const,
    toppingM: 0,
    insertM3: 0,
    tiltDeg: 0,
    count: 1,
  }
  const { assembly: byFamily = {} } = familyOf(family)
  return { ...base, ...usual(kind), ...(own ?? byFamily.any ?? byFamily[kind]) }
}

/** What a use is usually made in. */
function usual(kind: UseKind): Pick<BenchAssembly, 'vessel' | 'portions'> & Partial<BenchAssembly> {
  switch (kind) {
    case 'cut':
      return {
        portions: 8,
        vessel: plainVessel('tartRing', 'metal', 0.2, 0.2, 0.03),
      }
    case 'glass':
      return { portions: 6, count: 6, vessel: plainVessel('glass', 'glass', 0.06, 0.06, 0.08) }
    case 'turnedOut':
      return { portions: 6, count: 6, vessel: plainVessel('ramekin', 'metal', 0.06, 0.06, 0.05) }
    default:
      return { portions: 20, vessel: plainVessel('rectangle', 'metal', 0.26, 0.16, 0.065) }
  }
}

export interface NewFormula {
  name: string
  school: School
  use: Use
  lines: Line[]
  crust?: Line[]
  topping?: Line[]
  note?: string
  startAt?: string
}

/**
 * Family, heat, set and losses as a way of making has them. Grams left in a pan are common practice.
 * @example processOf('setCream').family // 'gelatinCream'
 */
export function processOf(school: School): Process {
  const facts = schoolOf(school)
  return {
    family: facts.family,
    school,
    heat: defaultHeat(school),
    set: { ...plainSet(), ...facts.set },
    losses: { sieveFraction: facts.sieve, panG: facts.panG ?? 10 },
  }
}

/** A complete formula from lines, a way of making and a use, laid out on the bench. */
export function createFormula(n: NewFormula, kitchen: Kitchen, id: NewId): Bench {
  const assembly = defaultAssembly(n.use.kind, n.school)
  const filling = id()
  return {
    componentId: filling,
    name: n.name,
    ...processOf(n.school),
    note: n.note ?? '',
    use: n.use,
    stock: plainStock(),
    components: [
      { id: filling, role: 'filling', name: 'Filling', lines: n.lines, steps: stepsFor(n.school, n.lines, id) },
      ...(assembly.crustM > 0 || n.crust?.length
        ? [{ id: id(), role: 'crust' as const, name: 'Shell', lines: n.crust ?? [], steps: [] }]
        : []),
      ...(n.topping?.length
        ? [{ id: id(), role: 'topping' as const, name: 'Topping', lines: n.topping, steps: [] }]
        : []),
    ],
    assembly,
    layers: [pouredLayer(filling)],
    chill: defaultChill(kitchen, id, n.school),
    serve: {
      startAt: n.startAt ?? '',
      serveAt: '',
      coldTempC: { simulated: true },
      chilledS: { simulated: true },
      claimDays: null,
      temperC: null,
      ...(schoolOf(n.school).restS ? { ownS: { rest: schoolOf(n.school).restS! } } : {}),
    },
  }
}

/**
 * A line in grams.
 * @example line('a', 'sugar', 200).massG // 200
 */
export const line = (id: string, ingredientId: string, massG: number, sourceText = '', assumption = ''): Line => ({
  id,
  ingredientId,
  massG,
  sourceText,
  assumption,
})
