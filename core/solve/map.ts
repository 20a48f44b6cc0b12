/**
 * The map: the set and the sharpness over two inputs of a formula, everything else as it is. Computed by `quick`, row
 * by
 * row, coarse first; whoever draws it may give up between rows.
 */
import { within } from '../base/errors'
import { findIngredient, part } from '../base/ingredients/ingredients'
import { fillingOf, type Bench } from '../formula/bench'
import { strengthOf } from '../formula/document'
import type { Kitchen } from '../kitchen/kitchen'
import { grainyAtOf } from '../pipeline/heated'
import { weighable } from './elasticity'
import { createQuick, type Point, type Quick } from './quick'

export type Axis =
  | { kind: 'mass', lineId: string }
  /** Fat of a cream, % w/w. */
  | { kind: 'fat', lineId: string }
  /** Acidity of a juice, %. */
  | { kind: 'acid', lineId: string }
  | { kind: 'target' }
  | { kind: 'hold' }

/**
 * One key an axis, for choosing and for keeping.
 * @example axisKey({ kind: 'target' }) // 'target'
 */
export const axisKey = (a: Axis): string => ('lineId' in a ? `${a.kind}:${a.lineId}` : a.kind)
/**
 * The axis of a key; null if it is none.
 * @example axisOf('target').kind // 'target'
 */
export function axisOf(key: string): Axis | null {
  const [kind, lineId] = key.split(':')
  if (kind === 'target' || kind === 'hold') return { kind }
  return lineId && (kind === 'mass' || kind === 'fat' || kind === 'acid') ? { kind, lineId } : null
}

const lineOf = (doc: Bench, lineId: string) => fillingOf(doc).lines.find(l => l.id === lineId)

/**
 * Axes that a formula has: every line's mass, the fat of its creams, the acid of its juices, and the heat of the pot.
 */
export function axesOf(doc: Bench): Axis[] {
  const lines = fillingOf(doc).lines.filter(l => l.massG > 0)
  const of = (test: (id: string) => boolean) => lines.filter(l => test(l.ingredientId))
  const row = (id: string) => findIngredient(id)!
  // A boil that ends at the cream's volume takes no notice of either.
  const heated =
    doc.heat.method !== 'none' &&
    doc.heat.method !== 'oven' &&
    'simulated' in doc.heat.course &&
    doc.heat.until === 'hold'
  return [
    ...lines.map(l => ({ kind: 'mass' as const, lineId: l.id })),
    ...of(id => row(id).group === 'dairy' && part(row(id), 'fat') >= 15).map(l => ({
      kind: 'fat' as const,
      lineId: l.id,
    })),
    ...of(id => row(id).group === 'juice' && !!row(id).acid).map(l => ({ kind: 'acid' as const, lineId: l.id })),
    ...(heated ? [{ kind: 'target' as const }, { kind: 'hold' as const }] : []),
  ]
}

/**
 * Where a formula stands on an axis: g, %, °C or s.
 * @example positionOn(doc, kitchen, { kind: 'target' }) // 80
 */
export function positionOn(doc: Bench, kitchen: Kitchen, axis: Axis): number {
  if (axis.kind === 'target') return doc.heat.targetTempC
  if (axis.kind === 'hold') return doc.heat.holdS
  const line = lineOf(doc, axis.lineId)
  if (!line) return 0
  if (axis.kind === 'mass') return line.massG
  const row = findIngredient(line.ingredientId)!
  const strength = strengthOf(line, kitchen)
  const known =
    strength.kind === 'typical' ? undefined : axis.kind === 'fat' ? strength.fatPercent : strength.acidPercent
  return known ?? (axis.kind === 'fat' ? part(row, 'fat') : (row.acid?.typical ?? 0))
}

/**
 * The formula moved to a place on an axis. A line of a lot becomes a measured one when its figures are moved.
 * @example movedTo(doc, kitchen, { kind: 'target' }, 83).heat.targetTempC // 83
 */
export function movedTo(doc: Bench, kitchen: Kitchen, axis: Axis, value: number): Bench {
  if (axis.kind === 'target') return { ...doc, heat: { ...doc.heat, targetTempC: value } }
  if (axis.kind === 'hold') return { ...doc, heat: { ...doc.heat, holdS: value } }
  return {
    ...doc,
    components: doc.components.map(c =>
      c.id !== doc.componentId
        ? c
        : {
            ...c,
            lines: c.lines.map((l) => {
              if (l.id !== axis.lineId) return l
              if (axis.kind === 'mass') return { ...l, massG: value }
              const {
                kind: _,
                lotId: _l,
                name: _n,
                ...figures
              } = strengthOf(l, kitchen) as { kind: string, lotId?: string, name?: string }
              return {
                ...l,
                strength: {
                  kind: 'measured' as const,
                  ...figures,
                  [axis.kind === 'fat' ? 'fatPercent' : 'acidPercent']: value,
                },
              }
            }),
          },
    ),
  }
}

export interface Range {
  from: number
  to: number
}
/** Targets that are drawn and tried, °C. */
const TARGET_C = { from: 60, to: 100 }
/**
 * The stretch of an axis to draw around a formula. @param wide how many times the usual stretch
 * @example rangeAround(doc, kitchen, { kind: 'target' }).from // 70
 */
export function rangeAround(doc: Bench, kitchen: Kitchen, axis: Axis, wide = 1): Range {
  const at = positionOn(doc, kitchen, axis)
  switch (axis.kind) {
    case 'mass':
      return { from: (0.5 * at) / wide, to: 1.6 * at * wide }
    case 'fat':
      return { from: Math.max(10, at - 14 * wide), to: Math.min(60, at + 14 * wide) }
    case 'acid':
      return { from: (0.4 * at) / wide, to: 1.7 * at * wide }
    case 'target':
      return { from: Math.max(TARGET_C.from, at - 10 * wide), to: Math.min(TARGET_C.to, at + 10 * wide) }
    case 'hold':
      return { from: 0, to: Math.max(360, 3 * at) * wide }
  }
}

export interface MapRequest {
  x: Axis
  y: Axis
  xRange: Range
  yRange: Range
  n: number
}
/**
 * Values row by row from the lower edge, `n × n`: set cold and on the plate on the bands' scale (Pa), sharpness over
 * its centre, over-setting.
 */
export interface MapField {
  n: number
  coldStarPa: number[]
  plateStarPa: number[]
  sharp: number[]
  b: number[]
  /** Scent, g of lemon zest a kilogram, where an input is zest; null: neither moves it. */
  aromaGPerKg: number[] | null
  /** By how much each place meets the use: ln of the scarcest of what it must have over what it has; 0: just. */
  meets: number[]
  /** Over-setting at which grains are told. */
  grainyAt: number
}

/**
 * By how much a point meets its use, as ln ratio of the scarcest of: firm enough cold, on the plate, not too firm, not
 * grainy. @example meetsBy(createQuick(doc, kitchen)(doc), 0.3) > 0 // true
 */
export function meetsBy({ coldPa, platePa, target, b }: Point, grainyAt: number): number {
  const ln = (a: number, over: number) => Math.log(Math.max(a, 1e-6) / Math.max(over, 1e-6))
  // What may run needs nothing.
  const enough = (pa: number, needPa: number) => (needPa > 0 ? ln(pa, needPa) : Infinity)
  return Math.min(
    enough(coldPa, target.coldMinPa), enough(platePa, target.plateMinPa), ln(target.coldMaxPa, coldPa), grainyAt - b,
  )
}

/** How a map comes to show a place that meets the use: drawn so much wider, or with a third thing changed first. */
export interface Reach {
  wide: number | null
  third: { axis: Axis, to: number } | null
}
const WIDER = [1.6, 2.5, 4]
const THIRD_MASS = [0.85, 1.15, 0.7, 1.35, 0.5, 1.7, 0.3, 2.5]
const THIRD_K = [2, -2, 4, -4, 6, -6]
/** Places a side that a search looks at. */
const COARSE = 9

/**
 * For a map on which nothing meets the use: how wide it must be drawn, or, where no width helps, the smallest change of
 * a third thing after which something does. Yields after every grid it has looked at.
 */
export function* reachOf(
  doc: Bench, kitchen: Kitchen, axes: readonly [Axis, Axis], quick: Quick = createQuick(doc, kitchen),
): Generator<undefined, Reach> {
  const grainyAt = grainyAtOf(doc)
  const found = (from: Bench, wide: number): boolean => {
    const [rx, ry] = axes.map(a => rangeAround(doc, kitchen, a, wide)) as [Range, Range]
    const at = (r: Range, i: number) => r.from + ((r.to - r.from) * i) / (COARSE - 1)
    for (let j = 0; j < COARSE; j++) {
      const row = movedTo(from, kitchen, axes[1], at(ry, j))
      for (let i = 0; i < COARSE; i++)
        if (meetsBy(quick(movedTo(row, kitchen, axes[0], at(rx, i))), grainyAt) > 0) return true
    }
    return false
  }
  for (const wide of WIDER) {
    yield
    if (found(doc, wide)) return { wide, third: null }
  }
  const others = axesOf(doc).filter(
    a => (a.kind === 'mass' || a.kind === 'target') && !axes.some(b => axisKey(a) === axisKey(b)),
  )
  // The smallest change of any of them first.
  for (let n = 0; n < THIRD_MASS.length; n++)
    for (const axis of others) {
      const at = positionOn(doc, kitchen, axis)
      const step = THIRD_K[n]
      if (axis.kind === 'target' && step === undefined) continue
      const to = axis.kind === 'target' ? at + step! : weighable(at * THIRD_MASS[n]!)
      if (to === at || (axis.kind === 'target' && (to < TARGET_C.from || to > TARGET_C.to))) continue
      yield
      if (found(movedTo(doc, kitchen, axis, to), 1)) return { wide: null, third: { axis, to } }
    }
  return { wide: null, third: null }
}

/**
 * Whether an input is zest.
 * @example movesScent(doc, { kind: 'target' }) // false
 */
export const movesScent = (doc: Bench, axis: Axis): boolean =>
  axis.kind === 'mass'
  && findIngredient(fillingOf(doc).lines.find(l => l.id === axis.lineId)?.ingredientId ?? '')?.group === 'zest'

/** Computes a field; yields after every row how much of it is done, 0–1. */
export function* mapField(
  doc: Bench,
  kitchen: Kitchen,
  r: MapRequest,
  quick: Quick = createQuick(doc, kitchen),
): Generator<number, MapField> {
  const n = within(r.n, 'n', 2, 256)
  const aromaGPerKg: number[] | null = [r.x, r.y].some(a => movesScent(doc, a)) ? [] : null
  const field: MapField = {
    n, coldStarPa: [], plateStarPa: [], sharp: [], b: [], aromaGPerKg, meets: [], grainyAt: grainyAtOf(doc),
  }
  const at = (range: Range, i: number) => range.from + ((range.to - range.from) * i) / (n - 1)
  for (let j = 0; j < n; j++) {
    const row = movedTo(doc, kitchen, r.y, at(r.yRange, j))
    for (let i = 0; i < n; i++) {
      const p = quick(movedTo(row, kitchen, r.x, at(r.xRange, i)))
      field.coldStarPa.push(p.coldStarPa)
      field.plateStarPa.push(p.plateStarPa)
      field.sharp.push(p.sharp)
      field.b.push(p.b)
      aromaGPerKg?.push(p.aromaGPerKg())
      field.meets.push(meetsBy(p, field.grainyAt))
    }
    yield (j + 1) / n
  }
  return field
}
