/**
 * Crusts, toppings and laid-in levels with formulas of their own, sized to the vessel. Shares, thicknesses, oven times
 * and densities are common practice, from memory (M); the boiled-sugar temperature is computed.
 */
import { labelOf } from '../base/ingredients/label'
import type { Kitchen } from '../kitchen/kitchen'
import { areaAt, cavityOf, cavityVolume, UNLINED, volumeTo } from '../physics/geometry/cavity'
import { stirInTemperature } from '../physics/heat/pot'
import { mix, toParts } from '../physics/matter/mix'
import { minutesEquivalent } from '../physics/safety/lethality'
import { fractionsOf, thermalProperties } from '../physics/thermal/properties'
import { type Bench, vesselOf } from './bench'
import type { Component, Layer, Line, PartKind, PartMake } from './document'

export type PartStep =
  | 'asWritten'
  | 'crush'
  | 'meltButter'
  | 'press'
  | 'chillBase'
  | 'rub'
  | 'rollOut'
  | 'rest'
  | 'dock'
  | 'bakeBlind'
  | 'bakeOpen'
  | 'bakeBase'
  | 'whiskEggs'
  | 'foldFlour'
  | 'bakeSponge'
  | 'starchPaste'
  | 'beatWhites'
  | 'sugarIn'
  | 'pasteIn'
  | 'warmWhites'
  | 'boilSugar'
  | 'pourSugar'
  | 'beatCool'
  | 'whipCream'
  | 'spread'
  | 'brown'
  | 'dryOut'
  | 'coolInOven'
  | 'cookPaste'
  | 'eggsIn'
  | 'pipe'
  | 'bakePuffs'
  | 'rollWarm'
  | 'hull'
  | 'meltSugar'
  | 'spreadThin'
  | 'bakeThin'
  | 'blendFruit'
  | 'sieveFruit'
  | 'bindSauce'
  | 'roastFruit'
  | 'macerate'
  | 'blanchThrice'
  | 'simmerPeel'
  | 'dryPeel'
  | 'grindPeel'
  | 'steepPeel'
  | 'boilSyrup'
  | 'juiceInCold'
  | 'cookBase'
  | 'chillMix'
  | 'churn'
  | 'harden'
  | 'thawPack'
  | 'stirSmooth'
export interface PartFacts {
  /** Under or up the sides of what is poured, on top of it, a level in between, or beside it on the plate. */
  role: 'crust' | 'topping' | 'level' | 'beside'
  /** g of each ingredient to a ratio. */
  shares: (ratio: number, withAcid?: boolean) => readonly (readonly [ingredientId: string, g: number])[]
  /** What the ratio is between, its usual value and its limits; absent: it has none. */
  ratio?: { of: 'crumbButter' | 'sugarWhite', usual: number, min: number, max: number }
  /** As it lies in or on the vessel, kg/m³. */
  density: number
  thicknessM: number
  /** Weight it loses in the oven, and what is made over for trimming, shares. */
  bakeLoss: number
  over: number
  oven: { tempC: number, minutes: number } | null
  steps: readonly PartStep[]
}

/** Water in a sugar syrup on the stove, of the sugar's weight; most of it boils off (common practice). */
const SYRUP_WATER = 0.3
/** An eighth of a teaspoon of cream of tartar to a white, g to 100 g of white (common practice). */
const TARTAR = 1.2
const white = (id: 'white' | 'white_carton', ratio: number, withAcid = false) =>
  [
    [id, 100],
    ['sugar', 100 * ratio],
    ...(withAcid ? [['tartar', TARTAR] as const] : []),
  ] as const
const SPONGE = () =>
  [
    ['egg', 120],
    ['sugar', 85],
    ['flour', 85],
  ] as const
export const PART_FACTS: Readonly<Record<PartKind, PartFacts>> = {
  crumbChilled: {
    role: 'crust',
    shares: r => [
      ['digestive', 100 * r],
      ['butter82', 100],
    ],
    ratio: { of: 'crumbButter', usual: 2, min: 1.2, max: 4 },
    density: 1000,
    thicknessM: 0.006,
    bakeLoss: 0,
    over: 0,
    oven: null,
    steps: ['crush', 'meltButter', 'press', 'chillBase'],
  },
  crumbBaked: {
    role: 'crust',
    shares: r => [
      ['digestive', 100 * r],
      ['butter82', 100],
    ],
    ratio: { of: 'crumbButter', usual: 2.2, min: 1.2, max: 4 },
    density: 950,
    thicknessM: 0.006,
    bakeLoss: 0.02,
    over: 0,
    oven: { tempC: 170, minutes: 10 },
    steps: ['crush', 'meltButter', 'press', 'bakeBase'],
  },
  // 120 g of crumb, 60 g of butter with a spoon each of sugar and milk melted in it, a spoon of zest.
  crumbMelted: {
    role: 'crust',
    shares: r => [
      ['digestive', 60 * r],
      ['butter82', 60],
      ['sugar', 12],
      ['milk', 15],
      ['zest', 6],
    ],
    ratio: { of: 'crumbButter', usual: 2, min: 1.2, max: 4 },
    density: 1000,
    thicknessM: 0.006,
    bakeLoss: 0,
    over: 0,
    oven: null,
    steps: ['crush', 'meltSugar', 'press', 'chillBase'],
  },
  shortbread: {
    role: 'crust',
    shares: () => [
      ['flour', 150],
      ['butter82', 100],
      ['sugar', 50],
    ],
    density: 900,
    thicknessM: 0.008,
    bakeLoss: 0.08,
    over: 0,
    oven: { tempC: 165, minutes: 25 },
    steps: ['rub', 'press', 'dock', 'bakeBase'],
  },
  blindShell: {
    role: 'crust',
    shares: () => [
      ['flour', 250],
      ['butter82', 125],
      ['icing', 90],
      ['egg', 50],
    ],
    density: 1050,
    thicknessM: 0.004,
    bakeLoss: 0.1,
    over: 0.2,
    oven: { tempC: 175, minutes: 22 },
    steps: ['rub', 'rest', 'rollOut', 'dock', 'bakeBlind', 'bakeOpen'],
  },
  spongeBase: {
    role: 'crust',
    shares: SPONGE,
    density: 330,
    thicknessM: 0.01,
    bakeLoss: 0.1,
    over: 0.1,
    oven: { tempC: 190, minutes: 10 },
    steps: ['whiskEggs', 'foldFlour', 'spread', 'bakeSponge'],
  },
  meringueCold: {
    role: 'topping',
    shares: (r, acid) => [...white('white_carton', r, acid), ['cornflour', 6], ['water', 40]],
    ratio: { of: 'sugarWhite', usual: 1.5, min: 0.8, max: 2.2 },
    density: 250,
    thicknessM: 0.03,
    bakeLoss: 0.05,
    over: 0.05,
    oven: { tempC: 165, minutes: 20 },
    steps: ['starchPaste', 'beatWhites', 'sugarIn', 'pasteIn', 'spread', 'brown'],
  },
  meringueWarm: {
    role: 'topping',
    shares: (r, acid) => white('white', r, acid),
    ratio: { of: 'sugarWhite', usual: 1.8, min: 1, max: 2.2 },
    density: 280,
    thicknessM: 0.03,
    bakeLoss: 0,
    over: 0.05,
    oven: null,
    steps: ['warmWhites', 'beatCool', 'spread', 'brown'],
  },
  meringueBoiled: {
    role: 'topping',
    shares: (r, acid) => [...white('white_carton', r, acid), ['water', 100 * r * SYRUP_WATER]],
    ratio: { of: 'sugarWhite', usual: 2, min: 1.2, max: 2.4 },
    density: 280,
    thicknessM: 0.03,
    bakeLoss: 0,
    over: 0.05,
    oven: null,
    steps: ['boilSugar', 'beatWhites', 'pourSugar', 'beatCool', 'spread', 'brown'],
  },
  whippedTop: {
    role: 'topping',
    shares: () => [
      ['cream36', 100],
      ['icing', 8],
    ],
    density: 500,
    thicknessM: 0.015,
    bakeLoss: 0,
    over: 0.05,
    oven: null,
    steps: ['whipCream', 'spread'],
  },
  meringueDry: {
    role: 'crust',
    shares: (r, acid) => white('white', r, acid),
    ratio: { of: 'sugarWhite', usual: 2, min: 1.5, max: 2.4 },
    density: 230,
    thicknessM: 0.03,
    bakeLoss: 0.25,
    over: 0.05,
    oven: { tempC: 93, minutes: 90 },
    steps: ['beatWhites', 'sugarIn', 'spread', 'dryOut', 'coolInOven'],
  },
  chouxShell: {
    role: 'crust',
    shares: () => [
      ['water', 125],
      ['milk', 125],
      ['butter82', 100],
      ['flour', 150],
      ['egg', 240],
    ],
    density: 450,
    thicknessM: 0.006,
    bakeLoss: 0.4,
    over: 0.1,
    oven: { tempC: 180, minutes: 35 },
    steps: ['cookPaste', 'eggsIn', 'pipe', 'bakePuffs'],
  },
  // Spread thin, baked brown, broken over what is served.
  tuile: {
    role: 'topping',
    shares: () => [
      ['sugar', 100],
      ['butter82', 60],
      ['flour', 60],
      ['orange', 40],
    ],
    density: 1100,
    thicknessM: 0.003,
    bakeLoss: 0.15,
    over: 0.1,
    oven: { tempC: 190, minutes: 17 },
    steps: ['meltSugar', 'spreadThin', 'bakeThin'],
  },
  // Blended and sieved: the seeds stay behind.
  coulis: {
    role: 'level',
    shares: () => [
      ['raspberry_whole', 100],
      ['icing', 15],
      ['lemon', 6],
    ],
    density: 1080,
    thicknessM: 0.004,
    bakeLoss: 0.18,
    over: 0,
    oven: null,
    steps: ['blendFruit', 'sieveFruit'],
  },
  // Juice brought to the boil with its starch.
  boundSauce: {
    role: 'level',
    shares: () => [
      ['orange', 100],
      ['sugar', 12],
      ['cornflour', 2.5],
    ],
    density: 1060,
    thicknessM: 0.004,
    bakeLoss: 0.05,
    over: 0,
    oven: null,
    steps: ['bindSauce'],
  },
  // 1.5 kg of stone fruit with 60 ml each of juice and sugar.
  roastedFruit: {
    role: 'level',
    shares: () => [
      ['peach', 1500],
      ['orange', 62],
      ['sugar', 51],
    ],
    density: 950,
    thicknessM: 0.02,
    bakeLoss: 0.25,
    over: 0,
    oven: { tempC: 210, minutes: 17.5 },
    steps: ['hull', 'roastFruit'],
  },
  // Sugar draws juice out of cut berries.
  maceratedFruit: {
    role: 'level',
    shares: () => [
      ['strawberry', 100],
      ['sugar', 10],
      ['lemon', 3],
    ],
    density: 700,
    thicknessM: 0.015,
    bakeLoss: 0,
    over: 0.03,
    oven: null,
    steps: ['hull', 'macerate'],
  },
  // Blanched three times, then simmered clear in syrup.
  confitPeel: {
    role: 'level',
    shares: () => [
      ['zest', 100],
      ['sugar', 150],
      ['water', 150],
    ],
    density: 900,
    thicknessM: 0.004,
    bakeLoss: 0.45,
    over: 0.05,
    oven: null,
    steps: ['blanchThrice', 'simmerPeel'],
  },
  // Dried at 60 °C, or about seven minutes at 600 W, and ground.
  peelPowder: {
    role: 'level',
    shares: () => [
      ['zest', 100],
    ],
    density: 500,
    thicknessM: 0.001,
    bakeLoss: 0.75,
    over: 0,
    oven: { tempC: 60, minutes: 240 },
    steps: ['dryPeel', 'grindPeel'],
  },
  // Peel in spirit, days long.
  steepedSpirit: {
    role: 'level',
    shares: () => [
      ['spirit', 100],
      ['zest', 6],
      ['sugar', 20],
    ],
    density: 980,
    thicknessM: 0.003,
    bakeLoss: 0.05,
    over: 0,
    oven: null,
    steps: ['steepPeel'],
  },
  // 31 °Brix, half of it ice at −12 °C (section 30 of docs/science.md).
  sorbet: {
    role: 'beside',
    shares: () => [
      ['water', 450],
      ['sugar', 240],
      ['glucose_syr', 60],
      ['lemon', 220],
      ['zest', 4],
    ],
    density: 850,
    thicknessM: 0.04,
    bakeLoss: 0,
    over: 0.1,
    oven: null,
    steps: ['boilSyrup', 'juiceInCold', 'chillMix', 'churn', 'harden'],
  },
  curdIce: {
    role: 'beside',
    shares: () => [
      ['yolk_sep', 100],
      ['sugar', 180],
      ['lemon', 150],
      ['cream36', 250],
      ['milk', 300],
      ['zest', 4],
    ],
    density: 800,
    thicknessM: 0.04,
    bakeLoss: 0,
    over: 0.1,
    oven: null,
    steps: ['cookBase', 'chillMix', 'churn', 'harden'],
  },
  // Its lines are what is in the pack; its weight and set are the label's.
  readyFilling: {
    role: 'level',
    shares: () => [],
    density: 1080,
    thicknessM: 0.015,
    bakeLoss: 0,
    over: 0.03,
    oven: null,
    steps: ['thawPack', 'stirSmooth'],
  },
  spongeLayer: {
    role: 'level',
    shares: SPONGE,
    density: 300,
    thicknessM: 0.015,
    bakeLoss: 0.1,
    over: 0.1,
    oven: { tempC: 180, minutes: 20 },
    steps: ['whiskEggs', 'foldFlour', 'bakeSponge'],
  },
  rollSheet: {
    role: 'level',
    shares: () => [
      ['egg', 200],
      ['sugar', 110],
      ['flour', 80],
    ],
    density: 330,
    thicknessM: 0.01,
    bakeLoss: 0.1,
    over: 0.05,
    oven: { tempC: 200, minutes: 9 },
    steps: ['whiskEggs', 'foldFlour', 'spread', 'bakeSponge', 'rollWarm'],
  },
  biscuitLayer: {
    role: 'level',
    shares: () => [['digestive', 100]],
    density: 600,
    thicknessM: 0.008,
    bakeLoss: 0,
    over: 0,
    oven: null,
    steps: ['crush'],
  },
  whippedLayer: {
    role: 'level',
    shares: () => [
      ['cream36', 100],
      ['icing', 8],
    ],
    density: 500,
    thicknessM: 0.02,
    bakeLoss: 0,
    over: 0.05,
    oven: null,
    steps: ['whipCream'],
  },
  berryLayer: {
    role: 'level',
    shares: () => [['raspberry_whole', 100]],
    density: 620,
    thicknessM: 0.015,
    bakeLoss: 0,
    over: 0.03,
    oven: null,
    steps: ['hull'],
  },
}
/** @example partFacts('blindShell').thicknessM // 0.004 */
export const partFacts = (kind: PartKind): PartFacts => PART_FACTS[kind]
/** @example isMeringue('meringueBoiled') // true */
export const isMeringue = (kind: PartKind): boolean => PART_FACTS[kind].ratio?.of === 'sugarWhite'
/** @example plainMake('crumbChilled').ratio // 2 */
export const plainMake = (kind: PartKind): PartMake => ({ kind, ratio: PART_FACTS[kind].ratio?.usual ?? 1 })

const thicknessOf = (l: Layer | undefined): number => (l && 'given' in l.thicknessM ? l.thicknessM.given : 0)
/**
 * How thick a crust, topping or level lies, m; null where its weight says it.
 * @example partThickM(doc, { id: 'nobody', role: 'crust' }) // 0
 */
export function partThickM({ assembly, layers }: Bench, c: Pick<Component, 'id' | 'role'>): number | null {
  if (c.role === 'crust') return assembly.crustM
  if (c.role === 'topping') return assembly.toppingM
  return thicknessOf(layers.find(l => l.componentId === c.id)) || null
}
/**
 * Grams of a part to make for all vessels: what lies in or on them, what the oven takes, what is trimmed. A level lies
 * on those under it whose thickness is given.
 * @param componentId of a level: which of them it is
 */
export function partMassG(kind: PartKind, doc: Bench, kitchen: Kitchen, componentId = ''): number {
  const f = PART_FACTS[kind]
  const vessel = vesselOf(doc, kitchen)
  const { assembly } = doc
  const lined = cavityOf(vessel, { ...assembly, insertM3: 0 })
  const at = doc.layers.findIndex(l => l.componentId === componentId)
  const fromM = doc.layers.slice(0, Math.max(0, at)).reduce((s, l) => s + (l.form === 'fill' ? thicknessOf(l) : 0), 0)
  const volumeM3 =
    f.role === 'crust'
      ? cavityVolume(cavityOf(vessel, UNLINED)) - cavityVolume(lined)
      : f.role === 'topping'
        ? areaAt(lined, lined.heightM) * assembly.toppingM
        : volumeTo(lined, fromM + thicknessOf(doc.layers[at])) - volumeTo(lined, fromM)
  const own = doc.components.find(c => c.id === componentId)
  const density = own?.make ? partDensity({ make: own.make, lines: own.lines }) : f.density
  return (Math.max(0, volumeM3) * assembly.count * density * 1000 * (1 + f.over)) / (1 - f.bakeLoss)
}
/** Lines of a part at a weight, grams to the tenth. @param id gives ids for lines that are new */
export function partLines(make: PartMake, massG: number, old: readonly Line[], id: () => string): Line[] {
  const shares = PART_FACTS[make.kind].shares(make.ratio, make.withAcid)
  if (shares.length === 0) return readyLines(massG, old)
  const sum = shares.reduce((s, [, g]) => s + g, 0)
  return shares.map(([ingredientId, g]) => {
    const before = old.find(l => l.ingredientId === ingredientId)
    const grams = Math.round(((massG * g) / sum) * 10) / 10
    return before
      ? { ...before, massG: grams }
      : { id: id(), ingredientId, massG: grams, sourceText: '', assumption: '' }
  })
}

/** What is ready made keeps its lines, in the measure they have. */
function readyLines(massG: number, old: readonly Line[]): Line[] {
  const sum = old.reduce((s, l) => s + l.massG, 0)
  return sum > 0 ? old.map(l => ({ ...l, massG: Math.round((10 * massG * l.massG) / sum) / 10 })) : [...old]
}
/**
 * Density of a part as it lies there, kg/m³: its kind's; what is ready made, as its label has it.
 * @example partDensity({ make: plainMake('spongeLayer'), lines: [] }) // 300
 */
export function partDensity({ make, lines }: { make: PartMake, lines: readonly Line[] }): number {
  const gPerMl = make.kind === 'readyFilling' ? labelOf(lines[0]?.ingredientId ?? '')?.density : null
  return gPerMl ? 1000 * gPerMl : PART_FACTS[make.kind].density
}

/** A scoop beside a portion, g (common practice). */
export const SCOOP_G = 60
/** Whether a part is laid in by weight: its grams stand, its thickness follows; what lies beside always is. */
export const isByWeight = ({ layers }: Pick<Bench, 'layers'>, { id, make }: Pick<Component, 'id' | 'make'>): boolean =>
  (make !== undefined && PART_FACTS[make.kind].role === 'beside')
  || layers.some(l => l.componentId === id && l.form === 'fill' && !('given' in l.thicknessM))

/** Every part with a formula of its own sized to the vessel again; what a cook wrote or weighed stays as it is. */
export function resizeParts(doc: Bench, kitchen: Kitchen): Bench {
  let n = 0
  const components = doc.components.map(c =>
    c.make && !isByWeight(doc, c)
      ? { ...c, lines: partLines(c.make, partMassG(c.make.kind, doc, kitchen, c.id), c.lines, () => `${c.id}-${++n}`) }
      : c,
  )
  return { ...doc, components }
}

/** The formula with a crust or topping of a kind (null: none), sized to its vessel. */
export function withPart(
  doc: Bench,
  kitchen: Kitchen,
  role: 'crust' | 'topping',
  make: PartMake | null,
  id: () => string,
  name: string,
): Bench {
  const others = doc.components.filter(c => c.role !== role)
  const key = role === 'crust' ? 'crustM' : 'toppingM'
  if (!make) return { ...doc, components: others, assembly: { ...doc.assembly, [key]: 0 } }
  const before = doc.components.find(c => c.role === role)
  const facts = PART_FACTS[make.kind]
  const thickness =
    before?.make?.kind === make.kind || (doc.assembly[key] > 0 && role === 'crust' && !before?.make)
      ? doc.assembly[key]
      : facts.thicknessM
  const same = before?.make?.kind === make.kind
  const made: Component = { id: before?.id ?? id(), role, name, lines: same ? before!.lines : [], steps: [], make }
  return resizeParts(
    { ...doc, components: [...others, made], assembly: { ...doc.assembly, [key]: thickness || facts.thicknessM } },
    kitchen,
  )
}

/** Sugar boiled for a meringue, °C (common practice: soft ball). */
export const SUGAR_BOIL_C: readonly [number, number] = [118, 121]
/** Sugar in syrup at that boil, share (sucrose boiling curve, from memory M). */
const SYRUP_SUGAR = 0.87
/**
 * Whites over the bath are brought to this, °C: hot enough for the minutes below, still short of scrambling with this
 * much sugar.
 */
export const WARM_WHITES_C = 72
/** A mixer bowl of about a kilogram of steel, J/K, at room temperature (judgement). */
const MIXER_BOWL_J_PER_K = 500

export interface MeringueHeat {
  /**
   * Warmest that the whites get, °C: by energy balance for a poured syrup, the target for warmed whites, none for
   * cold ones.
   */
  reachesC: number | null
  /** Minutes at that temperature that count as cooked; null where it is never held or measured. */
  needMinutes: number | null
  /** Only a measured temperature held for its time counts as cooked; a pour never does. */
  counts: boolean
}

/**
 * How hot a meringue's whites get. Poured syrup: (m_w·c_w·20 + m_s·c_s·119.5 + C_bowl·20)/(m_w·c_w + m_s·c_s +
 * C_bowl), with
 * heat capacities after Choi & Okos; what the air takes comes off that, and no one holds it there.
 */
export function meringueHeat(c: Component): MeringueHeat {
  if (c.make?.kind === 'meringueWarm')
    return { reachesC: WARM_WHITES_C, needMinutes: minutesEquivalent(WARM_WHITES_C), counts: true }
  if (c.make?.kind !== 'meringueBoiled') return { reachesC: null, needMinutes: null, counts: false }
  const of = (test: (id: string) => boolean) => c.lines.filter(l => test(l.ingredientId))
  const whites = of(id => id.startsWith('white'))
  const sugarG = of(id => id === 'sugar').reduce((s, l) => s + l.massG, 0)
  const whitesG = whites.reduce((s, l) => s + l.massG, 0)
  if (!(sugarG > 0) || !(whitesG > 0)) return { reachesC: null, needMinutes: null, counts: false }
  const typical = () => ({ kind: 'typical' as const })
  const line = (ingredientId: string, massG: number): Line => ({
    id: ingredientId,
    ingredientId,
    massG,
    sourceText: '',
    assumption: '',
  })
  const cold = mix(toParts(whites, typical))
  const syrup = mix(toParts([line('sugar', sugarG), line('water', sugarG * (1 / SYRUP_SUGAR - 1))], typical))
  const cp = (m: typeof cold, t: number) => thermalProperties(fractionsOf(m), t).cp
  const coldCp = cp(cold, 20)
  const reachesC = stirInTemperature(
    { massG: syrup.massG, cp: cp(syrup, 90), tempC: (SUGAR_BOIL_C[0] + SUGAR_BOIL_C[1]) / 2 },
    { massG: cold.massG + (MIXER_BOWL_J_PER_K / coldCp) * 1000, cp: coldCp, tempC: 20 },
  )
  return { reachesC, needMinutes: null, counts: false }
}
