/**
 * What lies on the bench: one component of a dessert with its process, in its vessel and cold, on its occasion. The
 * stations and the pipeline work on this; what is stored is a formula and an occasion. `benchOf` lays them out,
 * `putBack` gathers them again, and nothing is lost either way: putBack(benchOf(planned)) is `planned`.
 */
import { InputError } from '../base/errors'
import type { Strength } from '../base/ingredients/types'
import type { Kitchen } from '../kitchen/kitchen'
import type { Vessel } from '../physics/geometry/cavity'
import {
  type Assembly, type Component, FORMULA_FORMAT, type FormulaDocument, type HeatPan, isComputed, type Layer, type Line,
  pouredLayer, type Process, SCHEMA_VERSION, type ServePlan,
} from './document'
import { type Occasion, OCCASION_FORMAT, OCCASION_VERSION, type StockPlan } from './occasion'

/** A formula and when it is made: what is opened, saved and sent together. */
export interface Planned {
  formula: FormulaDocument
  occasion: Occasion
}

/** What lies under and over the component in all vessels together, m³, and what lies over it, kg. */
export interface Stack {
  belowM3: number
  aboveM3: number
  aboveKg: number
}

/** The vessel with what its crust and topping take of it. */
export interface BenchAssembly extends Omit<Assembly, 'layers'> {
  /** Thickness of the crust under the filling, m; 0 for none. */
  crustM: number
  /** The crust stands up the sides too, or lies on the base alone. */
  crustForm: 'shell' | 'base'
  /** Height of a topping on the filling, m; 0 for none. */
  toppingM: number
}

export interface Bench extends Process, Pick<FormulaDocument, 'name' | 'note' | 'use' | 'chill'> {
  /** The component it is about; the others stand beside it. */
  componentId: string
  components: Component[]
  assembly: BenchAssembly
  /** From the bottom up; those of crust and topping follow the assembly's figures when they are put back. */
  layers: Layer[]
  serve: ServePlan & Pick<Occasion, 'startAt' | 'serveAt'>
  stock: StockPlan
  /** As the other components fill the vessel; absent until that was worked out (`pipeline/stack.ts`). */
  stack?: Stack
}

type Lined = Extract<Strength, { kind: 'lot' }>
const crustOf = (components: readonly Component[]) => components.find(c => c.role === 'crust')
const toppingOf = (components: readonly Component[]) => components.find(c => c.role === 'topping')
const thick = (layer: Layer | undefined): number =>
  layer && 'given' in layer.thicknessM ? layer.thicknessM.given : 0
const isOver = (l: Layer) => l.form === 'top'
const isUnder = (l: Layer) => l.form === 'shell' || l.form === 'base'

/**
 * The component that is opened first: the filling, else the first with a process.
 * @example mainComponent(formula).role // 'filling'
 */
export const mainComponent = (formula: FormulaDocument): Component & { process: Process } => {
  const computed = formula.components.filter(isComputed)
  const main = computed.find(c => c.role === 'filling') ?? computed[0]
  if (!main) throw new InputError('missing', 'components')
  return main
}

/**
 * A component of a formula on its occasion, laid out for the pipeline.
 * @param componentId absent, or one the formula does not know: its filling
 * @throws {InputError} when nothing in the formula has a process
 * @example benchOf({ formula, occasion: plainOccasion() }).heat.targetTempC // 80
 */
export function benchOf({ formula, occasion }: Planned, componentId?: string): Bench {
  const chosen = formula.components.filter(isComputed).find(c => c.id === componentId) ?? mainComponent(formula)
  const lots = new Map(occasion.lots.map(l => [l.lineId, l.strength]))
  const { layers, ...assembly } = formula.assembly
  const under = layers.find(isUnder)
  const over = layers.findLast(isOver)
  const { name, note, use, chill } = formula
  return {
    name,
    note,
    use,
    chill,
    componentId: chosen.id,
    ...chosen.process,
    components: formula.components.map((c) => {
      const lines = c.lines.map(l => (lots.has(l.id) ? { ...l, strength: lots.get(l.id)! } : l))
      const { process, ...rest } = c
      return c.id === chosen.id || !process ? { ...rest, lines } : { ...rest, process, lines }
    }),
    assembly: {
      ...assembly,
      crustM: thick(under),
      crustForm: under?.form === 'base' ? 'base' : 'shell',
      toppingM: thick(over),
    },
    layers,
    serve: { ...formula.serve, startAt: occasion.startAt, serveAt: occasion.serveAt },
    stock: { fruit: occasion.fruit, have: occasion.have, covers: occasion.covers },
  }
}

/** A line without the lot it is made from this time. */
function withoutLot(line: Line): Line {
  if (line.strength?.kind !== 'lot') return line
  const { strength: _, ...rest } = line
  return rest
}

/** A layer with a thickness; what was said of it stays where it says the same. */
const asThick = (layer: Layer, given: number): Layer =>
  thick(layer) === given ? layer : { ...layer, thicknessM: { given } }

/** The layers of a bench: crust, what fills, topping; what is new or gone among the components follows. */
function layersOf(b: Bench): Layer[] {
  const { crustM, crustForm, toppingM } = b.assembly
  const kept = b.layers.filter(l => l.componentId === null || b.components.some(c => c.id === l.componentId))
  const under = kept.find(isUnder)
  const over = kept.findLast(isOver)
  const laid = new Set(kept.map(l => l.componentId))
  const end = (old: Layer | undefined, own: Component | undefined, usual: string, form: Layer['form'], m: number) => {
    if (!own && !(m > 0) && form !== 'base' && !(old && thick(old) === m)) return []
    const componentId = old?.componentId ?? own?.id ?? null
    return [asThick({ id: usual, thicknessM: { given: m }, ...old, componentId, form }, m)]
  }
  const isNew = (c: Component) => (c.id === b.componentId || isComputed(c)) && c.role !== 'sauce' && !laid.has(c.id)
  return [
    ...end(under, crustOf(b.components), 'crust', crustForm, crustM),
    ...kept.filter(l => l !== under && l !== over),
    ...b.components.filter(isNew).map(c => pouredLayer(c.id)),
    ...end(over, toppingOf(b.components), 'topping', 'top', toppingM),
  ]
}

/**
 * A bench gathered into the formula and the occasion it is of.
 * @example putBack(benchOf(planned)) // planned
 */
export function putBack(b: Bench): Planned {
  const { family, school, heat, set, losses } = b
  const { crustM: _c, crustForm: _f, toppingM: _t, ...assembly } = b.assembly
  const { startAt, serveAt, ...serve } = b.serve
  const lots = b.components.flatMap(c =>
    c.lines.flatMap(l => (l.strength?.kind === 'lot' ? [{ lineId: l.id, strength: l.strength as Lined }] : [])),
  )
  return {
    formula: {
      format: FORMULA_FORMAT,
      version: SCHEMA_VERSION,
      name: b.name,
      note: b.note,
      use: b.use,
      components: b.components.map((c) => {
        const lines = c.lines.map(withoutLot)
        return c.id === b.componentId
          ? { ...c, lines, process: { family, school, heat, set, losses } }
          : { ...c, lines }
      }),
      assembly: { ...assembly, layers: layersOf(b) },
      chill: b.chill,
      serve,
    },
    occasion: { format: OCCASION_FORMAT, version: OCCASION_VERSION, startAt, serveAt, ...b.stock, lots },
  }
}

/**
 * The way to a field as the stations name it, from its way in the stored form: what a component's process holds, the
 * occasion's stock and start, crust and topping among the layers.
 * @example benchPath('components.0.process.heat.targetTempC') // 'heat.targetTempC'
 */
export const benchPath = (path: string): string =>
  path
    .replace(/^components\.(\d+|\*)\.process\./, '')
    .replace(/^occasion\.(startAt|serveAt)/, 'serve.$1')
    .replace(/^occasion\.(fruit|have|covers)/, 'stock.$1')

/**
 * The same dessert with another of its components on the bench.
 * @example turnTo(benchOf(dessert), 'x1').school // 'setCream'
 */
export const turnTo = (b: Bench, componentId: string): Bench => benchOf(putBack(b), componentId)

/**
 * The component on the bench.
 * @example fillingOf(doc).lines.length // 4
 */
export const fillingOf = (b: Pick<Bench, 'components' | 'componentId'>): Component =>
  b.components.find(c => c.id === b.componentId)!

/**
 * Whether a component is neither on the bench nor made as another filling, which is judged by itself.
 * @example isLaidIn(doc, fillingOf(doc)) // false
 */
export const isLaidIn = (b: Pick<Bench, 'componentId'>, c: Component): boolean =>
  c.id !== b.componentId && !isComputed(c)

/**
 * The vessel that counts: the kitchen's own if the id is known there, else the snapshot.
 * @example vesselOf(doc, kitchen).kind // 'rectangle'
 */
export const vesselOf = (b: Pick<Bench, 'assembly'>, kitchen: Kitchen): Vessel =>
  kitchen.vessels.find(v => v.id === b.assembly.vesselId) ?? b.assembly.vessel

/**
 * The pan that counts: the kitchen's own if the id is known there, else the snapshot; null: none was chosen.
 * @example panOf(doc, kitchen) // null
 */
export const panOf = (b: Pick<Bench, 'heat'>, kitchen: Kitchen): Omit<HeatPan, 'panId'> | null =>
  b.heat.pan && (kitchen.pans.find(p => p.id === b.heat.pan!.panId) ?? b.heat.pan)

/**
 * Oven air, °C: the dial with the error of the kitchen's own oven, or the snapshot of it.
 * @example ovenAirC(doc, kitchen) // 160
 */
export const ovenAirC = (b: Pick<Bench, 'heat'>, kitchen: Kitchen): number =>
  b.heat.oven.airTempC + (kitchen.ovens.find(o => o.id === b.heat.oven.ovenId)?.offsetK ?? b.heat.oven.offsetK)
