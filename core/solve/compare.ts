/**
 * Two formulas side by side: what differs, and the share of each difference in the change of firmness and sharpness.
 * Shares are Shapley values of the differences over ln τ (plate) and ln sour: the mean of what a difference does over
 * every order of making them (all subsets up to six differences, a fixed sample of orders beyond). They add up to the
 * change.
 */
import { uniformInt } from 'pure-rand/distribution/uniformInt'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { InputError } from '../base/errors'
import { fillingOf, type Bench } from '../formula/bench'
import type { Line } from '../formula/document'
import type { Kitchen } from '../kitchen/kitchen'
import { assess } from '../pipeline/assess'
import { pointOf } from './quick'

export type Difference =
  | {
    kind: 'line'
    ingredientId: string
    from: number | null
    to: number | null
    /** The same grams of another strength, or another ingredient. */
    otherId: string | null
    strength: boolean
  }
  | { kind: 'way' | 'heat' | 'chill' | 'vessel' | 'use' }

interface Unit {
  difference: Difference
  lineA: Line | null
  lineB: Line | null
}

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)
const stepsShape = (d: Bench) =>
  fillingOf(d).steps.map((s) => {
    const { id: _, lineIds: _l, ...rest } = s as { id: string, lineIds?: string[] }
    return rest
  })

/**
 * What differs between two formulas, lines first. Lines are matched by id, else by ingredient.
 * @example differences(doc, withMass(doc, lines[0].id, 180)).length // 1
 */
export function differences(a: Bench, b: Bench): Unit[] {
  const linesA = fillingOf(a).lines
  const left = [...fillingOf(b).lines]
  const take = (test: (l: Line) => boolean) => {
    const i = left.findIndex(test)
    return i < 0 ? null : left.splice(i, 1)[0]!
  }
  const byId = new Map(linesA.map(l => [l.id, take(x => x.id === l.id)]))
  const pairs: [Line | null, Line | null][] = linesA.map(l => [
    l,
    byId.get(l.id) ?? take(x => x.ingredientId === l.ingredientId),
  ])
  const units: Unit[] = [...pairs, ...left.map((l): [null, Line] => [null, l])].flatMap(([x, y]) => {
    const strength = !!x && !!y && !same(x.strength ?? null, y.strength ?? null)
    if (x && y && x.massG === y.massG && x.ingredientId === y.ingredientId && !strength) return []
    if (!((x?.massG ?? 0) > 0) && !((y?.massG ?? 0) > 0)) return []
    return [
      {
        difference: {
          kind: 'line' as const,
          ingredientId: (y ?? x)!.ingredientId,
          from: x?.massG ?? null,
          to: y?.massG ?? null,
          otherId: x && y && x.ingredientId !== y.ingredientId ? x.ingredientId : null,
          strength,
        },
        lineA: x,
        lineB: y,
      },
    ]
  })
  const other = (kind: 'way' | 'heat' | 'chill' | 'vessel' | 'use', x: unknown, y: unknown) => {
    if (!same(x, y)) units.push({ difference: { kind }, lineA: null, lineB: null })
  }
  other('way', [a.school, stepsShape(a), a.set], [b.school, stepsShape(b), b.set])
  other('heat', a.heat, b.heat)
  const legs = (d: Bench) => d.chill.map(({ id: _, ...leg }) => leg)
  other('chill', [legs(a), a.serve.coldTempC, a.serve.chilledS], [legs(b), b.serve.coldTempC, b.serve.chilledS])
  other('vessel', [a.assembly, a.losses], [b.assembly, b.losses])
  other('use', a.use, b.use)
  return units
}

/** `a` with some of the differences made. */
function mixed(
  a: Bench,
  b: Bench,
  units: readonly Unit[],
  made: (i: number) => boolean,
): Bench {
  const is = (kind: string) => units.some((u, i) => u.difference.kind === kind && made(i))
  const fa = fillingOf(a)
  const fb = fillingOf(b)
  const idOf = (u: Unit) => (u.lineA ?? u.lineB)!.id
  const touched = new Map(
    units.flatMap((u, i) => (u.difference.kind === 'line' ? [[idOf(u), { u, on: made(i) }] as const] : [])),
  )
  const lines: Line[] = fa.lines.flatMap((l) => {
    const t = touched.get(l.id)
    if (!t?.on) return [l]
    return t.u.lineB ? [{ ...t.u.lineB, id: l.id }] : []
  })
  for (const { u, on } of touched.values()) if (on && !u.lineA) lines.push(u.lineB!)
  // Steps of whichever way it is; lines of the other formula join the step they have there.
  const aOfB = new Map(
    fb.lines.map(l => [
      l.id,
      units.find(u => u.lineB?.id === l.id)?.lineA?.id ??
      fa.lines.find(x => x.id === l.id)?.id ??
      fa.lines.find(x => x.ingredientId === l.ingredientId)?.id ??
      l.id,
    ]),
  )
  const fromB = fb.steps.map(s => ('lineIds' in s ? { ...s, lineIds: s.lineIds.map(x => aOfB.get(x) ?? x) } : s))
  const source = is('way') ? fromB : fa.steps
  const here = new Set(lines.map(l => l.id))
  const placed = new Set(source.flatMap(s => ('lineIds' in s ? s.lineIds : [])))
  const steps = source.map((s) => {
    if (!('lineIds' in s)) return s
    const twin = fromB.find(x => x.kind === s.kind)
    const joins = lines
      .filter(l => !placed.has(l.id) && twin && 'lineIds' in twin && twin.lineIds.includes(l.id))
      .map(l => l.id)
    return { ...s, lineIds: [...s.lineIds.filter(x => here.has(x)), ...joins] }
  })
  return {
    ...a,
    ...(is('way') ? { school: b.school, family: b.family, set: b.set } : {}),
    heat: is('heat') ? b.heat : a.heat,
    chill: is('chill') ? b.chill : a.chill,
    serve: is('chill') ? { ...a.serve, coldTempC: b.serve.coldTempC, chilledS: b.serve.chilledS } : a.serve,
    use: is('use') ? b.use : a.use,
    assembly: is('vessel') ? b.assembly : a.assembly,
    losses: is('vessel') ? b.losses : a.losses,
    components: a.components.map(c => (c === fa ? { ...c, lines, steps } : c)),
  }
}

export interface Explained {
  /** ln ratios from `a` to `b`. */
  lnFirmness: number
  lnSharpness: number
  shares: { difference: Difference, lnFirmness: number, lnSharpness: number }[]
}

const ALL_SUBSETS = 6
const ORDERS = 24

/**
 * Explains the change from `a` to `b`; yields how much is done, 0–1. @throws {InputError} when either cannot be
 * assessed
 */
export function* explain(a: Bench, b: Bench, kitchen: Kitchen): Generator<number, Explained> {
  const units = differences(a, b)
  const n = units.length
  const known = new Map<string, [number, number]>()
  const value = (made: readonly boolean[]): [number, number] => {
    const key = made.map(Number).join('')
    let v = known.get(key)
    if (!v) {
      try {
        const p = pointOf(
          assess(
            mixed(a, b, units, i => made[i]!),
            kitchen,
          ),
        )
        v = [Math.log(Math.max(p.platePa, 1e-3)), Math.log(Math.max(p.sour, 1e-3))]
      } catch (error) {
        // A mixture that cannot be made counts as its starting side.
        if (!(error instanceof InputError) || made.every(x => x) || made.every(x => !x)) throw error
        v = value(made.map(() => false))
      }
      known.set(key, v)
    }
    return v
  }
  const none = units.map(() => false)
  const first = value(none)
  const last = value(units.map(() => true))
  const sums = units.map(() => [0, 0] as [number, number])
  const orders: number[][] = n <= ALL_SUBSETS ? permutations(n) : sampleOrders(n)
  for (const [k, order] of orders.entries()) {
    const made = [...none]
    let before = first
    for (const i of order) {
      made[i] = true
      const after = value(made)
      sums[i]![0] += after[0] - before[0]
      sums[i]![1] += after[1] - before[1]
      before = after
    }
    yield (k + 1) / orders.length
  }
  const shares = units.map((u, i) => ({
    difference: u.difference,
    lnFirmness: sums[i]![0] / orders.length,
    lnSharpness: sums[i]![1] / orders.length,
  }))
  shares.sort(
    (x, y) => Math.abs(y.lnFirmness) + Math.abs(y.lnSharpness) - Math.abs(x.lnFirmness) - Math.abs(x.lnSharpness),
  )
  return { lnFirmness: last[0] - first[0], lnSharpness: last[1] - first[1], shares }
}

function permutations(n: number): number[][] {
  if (n === 0) return []
  const go = (rest: number[]): number[][] =>
    rest.length <= 1
      ? [rest]
      : rest.flatMap((x, i) => go([...rest.slice(0, i), ...rest.slice(i + 1)]).map(p => [x, ...p]))
  return go(Array.from({ length: n }, (_, i) => i))
}

/** Orders and their mirror images, always the same ones. */
function sampleOrders(n: number): number[][] {
  const rng = xoroshiro128plus(20260707)
  return Array.from({ length: ORDERS / 2 }, () => {
    const order = Array.from({ length: n }, (_, i) => i)
    for (let i = n - 1; i > 0; i--) {
      const j = uniformInt(rng, 0, i)
      ;[order[i], order[j]] = [order[j]!, order[i]!]
    }
    return order
  }).flatMap(o => [o, [...o].reverse()])
}
