/**
 * One ledger for a day: what all its desserts need together, what there is, what binds and which dessert would have
 * to give, what to buy, and what will be left. Each fruit is counted once: its skin goes as zest first, its flesh as
 * juice.
 */
import { findIngredient } from '../base/ingredients/ingredients'
import { FRUITS } from '../base/ingredients/measures'
import type { Bench } from '../formula/bench'
import { vesselOf } from '../formula/bench'
import { costOf } from '../formula/cost'
import { countEggs, eggEachG, eggPart, shellsFor } from '../formula/eggs'
import type { Kitchen } from '../kitchen/kitchen'
import { yieldsOf } from '../plan/fruit'
import { leftoversOf, type Leftover } from './leftovers'
import { type Bought, packsFor } from './packs'

/** A dessert of the day, laid out for as many as it is for. */
export interface Need { dessertId: string, bench: Bench }
/** On hand, g; eggs in their shells by the weight of what is in them, as `egg`. */
export interface OnHand { ingredientId: string, massG: number }

/** Where things are weighed and made ready. */
export const LEDGER_STATIONS = ['squeeze', 'crack', 'cold', 'dry'] as const
export type LedgerStation = (typeof LEDGER_STATIONS)[number]

export interface LedgerLine {
  ingredientId: string
  station: LedgerStation
  needG: number
  /** Eggs, yolks or whites it is, to a tenth; null: it is no egg. */
  eggs: number | null
  by: { dessertId: string, massG: number }[]
  /** On hand; null: nobody said. */
  haveG: number | null
  /** Short of it, g; 0 where there is enough or nobody said. */
  shortG: number
  cost: number | null
}
export interface FruitNeed {
  fruitId: string
  juiceG: number
  zestG: number
  /** Fruits that give both in nine of ten days, and which of the two asks for so many. */
  count: number
  asks: 'juice' | 'zest'
  /** Juice they are likely to give beyond what is needed, g. */
  overG: number
}
export interface EggNeed { shells: number, whitesOverG: number, yolksOverG: number, haveShells: number | null }
/** One dessert made smaller, so that what is short suffices. */
export interface Cut { dessertId: string, factor: number }
/**
 * So many of a dessert once it is cut by a factor: one at least, and no more than there is enough for.
 * @example cutTo(24, 0.66) // 15
 */
export const cutTo = (count: number, factor: number): number => Math.max(1, Math.floor(count * factor + 1e-9))
export interface Binds { ingredientId: string, allows: number, cuts: Cut[] }
export interface TinNeed {
  name: string | null
  vesselId: string | null
  lengthM: number
  count: number
  dessertIds: string[]
}
export interface DessertCost {
  dessertId: string
  cost: number
  portions: number
  /** Vessels. */
  count: number
}
export interface DayLedger {
  lines: LedgerLine[]
  fruit: FruitNeed[]
  eggs: EggNeed
  /** What stops the day first of what is on hand; null: nothing that was said. */
  binds: Binds | null
  shopping: Bought[]
  tins: TinNeed[]
  cost: { total: number, byDessert: DessertCost[], missing: string[] }
  leftovers: Leftover[]
}

const STATION_OF: Record<string, LedgerStation> = {
  juice: 'squeeze', zest: 'squeeze', egg: 'crack', butter: 'cold', dairy: 'cold',
}
const stationOf = (id: string): LedgerStation => STATION_OF[findIngredient(id)?.group ?? ''] ?? 'dry'
/** Comes out of the tap. */
const NOT_BOUGHT = 'water'

/** What every ingredient is needed for, the most needed first within its station. */
function linesOf(needs: readonly Need[], have: readonly OnHand[], kitchen: Kitchen): LedgerLine[] {
  const by = new Map<string, Map<string, number>>()
  for (const { dessertId, bench } of needs)
    for (const l of bench.components.flatMap(c => c.lines)) {
      if (!(l.massG > 0) || l.ingredientId === NOT_BOUGHT) continue
      const own = by.get(l.ingredientId) ?? new Map<string, number>()
      own.set(dessertId, (own.get(dessertId) ?? 0) + l.massG)
      by.set(l.ingredientId, own)
    }
  return [...by].map(([ingredientId, own]): LedgerLine => {
    const needG = [...own.values()].reduce((s, g) => s + g, 0)
    const said = have.filter(h => h.ingredientId === ingredientId)
    const haveG = said.length > 0 ? said.reduce((s, h) => s + h.massG, 0) : null
    const part = eggPart(ingredientId)
    return {
      ingredientId,
      station: stationOf(ingredientId),
      needG,
      eggs: part ? Math.round((needG / eggEachG(part, kitchen.eggGrade)) * 10) / 10 : null,
      by: [...own].map(([dessertId, massG]) => ({ dessertId, massG })),
      haveG,
      shortG: haveG === null ? 0 : Math.max(0, needG - haveG),
      cost: costOf(ingredientId, needG, kitchen.prices),
    }
  }).sort((a, b) => LEDGER_STATIONS.indexOf(a.station) - LEDGER_STATIONS.indexOf(b.station) || b.needG - a.needG)
}

/** The medium fruit of a juice, or the first there is. */
const fruitFor = (juiceId: string) =>
  FRUITS.find(f => f.juiceId === juiceId && f.size === 'medium') ?? FRUITS.find(f => f.juiceId === juiceId)
/** Nobody squeezes more for a day. */
const MOST_FRUIT = 5000

/** Zest of a dessert comes from the fruit it has most juice of. */
function zestOf(bench: Bench): { juiceId: string, massG: number } | null {
  const lines = bench.components.flatMap(c => c.lines)
  const massG = lines.reduce((s, l) => s + (findIngredient(l.ingredientId)?.group === 'zest' ? l.massG : 0), 0)
  const juices = lines.filter(l => fruitFor(l.ingredientId)).toSorted((a, b) => b.massG - a.massG)
  return massG > 0 ? { juiceId: juices[0]?.ingredientId ?? 'lemon', massG } : null
}

/** Fruit for juice and zest together, by the low end of what a fruit gives. */
function fruitOf(needs: readonly Need[], lines: readonly LedgerLine[], kitchen: Kitchen): FruitNeed[] {
  const zest = needs.flatMap(n => zestOf(n.bench) ?? [])
  const ids = [...new Set([...lines.map(l => l.ingredientId), ...zest.map(z => z.juiceId)])]
  return ids.flatMap((juiceId) => {
    const fruit = fruitFor(juiceId)
    if (!fruit) return []
    const line = lines.find(l => l.ingredientId === juiceId)
    const juiceG = Math.max(0, (line?.needG ?? 0) - (line?.haveG ?? 0))
    const zestG = zest.filter(z => z.juiceId === juiceId).reduce((s, z) => s + z.massG, 0)
    const gives = (count: number) => yieldsOf({
      id: '', fruitId: fruit.id, count, weightG: null, measuredJuiceG: null,
      take: { juice: count, zest: count, peel: 0, segments: 0 },
    }, kitchen.ownJuiceG)
    const least = (enough: (n: number) => boolean) => {
      let n = 0
      while (n < MOST_FRUIT && !enough(n)) n++
      return n
    }
    const forJuice = least(n => gives(n).juice.lowG >= juiceG - 1e-9)
    const forZest = least(n => gives(n).zest.lowG >= zestG - 1e-9)
    const count = Math.max(forJuice, forZest)
    if (count === 0) return []
    return [{
      fruitId: fruit.id, juiceG, zestG, count, asks: forZest > forJuice ? 'zest' as const : 'juice' as const,
      overG: Math.max(0, gives(count).juice.g - juiceG),
    }]
  })
}

/** Eggs over all desserts: the whites of one meet the meringue of another. */
function eggsOf(needs: readonly Need[], have: readonly OnHand[], kitchen: Kitchen): EggNeed {
  const all = countEggs(needs.flatMap(n => n.bench.components.flatMap(c => c.lines)), kitchen.eggGrade)
  // Whites and yolks that are over from before are used first.
  const spare = (id: string, each: number) =>
    have.filter(h => h.ingredientId === id).reduce((s, h) => s + h.massG, 0) / each
  const [yolkG, whiteG] = [eggEachG('yolk', kitchen.eggGrade), eggEachG('white', kitchen.eggGrade)]
  const sum = (part: string) => all.lines.filter(l => l.part === part).reduce((s, l) => s + l.count, 0)
  const whole = shellsFor(sum('whole'))
  const yolks = shellsFor(Math.max(0, sum('yolk') - spare('yolk_sep', yolkG)))
  const whites = shellsFor(Math.max(0, sum('white') - spare('white', whiteG)))
  const apart = Math.max(yolks, whites)
  const shellsHad = have.filter(h => h.ingredientId === 'egg')
  return {
    shells: whole + apart,
    whitesOverG: (apart - whites) * whiteG,
    yolksOverG: (apart - yolks) * yolkG,
    haveShells: shellsHad.length > 0
      ? Math.floor(shellsHad.reduce((s, h) => s + h.massG, 0) / eggEachG('whole', kitchen.eggGrade) + 1e-6)
      : null,
  }
}

/** What of what was said is short of most, and how much smaller each dessert alone would have to be. */
function bindsOf(lines: readonly LedgerLine[]): Binds | null {
  const short = lines.filter(l => l.haveG !== null && l.shortG > 0.01 * l.needG && !eggPart(l.ingredientId))
  const worst = short.toSorted((a, b) => a.haveG! / a.needG - b.haveG! / b.needG)[0]
  if (!worst) return null
  return {
    ingredientId: worst.ingredientId,
    allows: worst.haveG! / worst.needG,
    cuts: worst.by.map(({ dessertId, massG }) => ({ dessertId, factor: Math.max(0, 1 - worst.shortG / massG) }))
      .sort((a, b) => b.factor - a.factor),
  }
}

function tinsOf(needs: readonly Need[], kitchen: Kitchen): TinNeed[] {
  const out: TinNeed[] = []
  for (const { dessertId, bench } of needs) {
    const { vesselId, count } = bench.assembly
    const { lengthM } = vesselOf(bench, kitchen)
    const name = kitchen.vessels.find(v => v.id === vesselId)?.name ?? null
    const same = out.find(t => (vesselId ? t.vesselId === vesselId : t.vesselId === null && t.lengthM === lengthM))
    if (same) {
      same.count += count
      same.dessertIds.push(dessertId)
    } else out.push({ name, vesselId, lengthM, count, dessertIds: [dessertId] })
  }
  return out
}

/**
 * The ledger of a day.
 * @param date of the day, for what is left to be used by
 * @example ledgerOf([{ dessertId: 'a', bench: doc }], [], kitchen, '2026-11-28').eggs.shells // 10
 */
export function ledgerOf(needs: readonly Need[], have: readonly OnHand[], kitchen: Kitchen, date: string): DayLedger {
  const lines = linesOf(needs, have, kitchen)
  const fruit = fruitOf(needs, lines, kitchen)
  const eggs = eggsOf(needs, have, kitchen)
  const costs = needs.map(({ dessertId, bench }) => ({
    dessertId,
    portions: bench.assembly.portions,
    count: bench.assembly.count,
    cost: bench.components.flatMap(c => c.lines)
      .reduce((s, l) => s + (costOf(l.ingredientId, l.massG, kitchen.prices) ?? 0), 0),
  }))
  const shopping = packsFor({ lines, fruit, eggs })
  return {
    lines,
    fruit,
    eggs,
    binds: bindsOf(lines),
    shopping,
    tins: tinsOf(needs, kitchen),
    cost: {
      total: costs.reduce((s, c) => s + c.cost, 0),
      byDessert: costs,
      missing: lines.filter(l => l.cost === null).map(l => l.ingredientId),
    },
    leftovers: leftoversOf({ fruit, eggs, shopping }, kitchen, date),
  }
}
