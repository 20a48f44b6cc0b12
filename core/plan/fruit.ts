/**
 * The fruit ledger: what fruit on the bench gives, what it is taken for, and what to buy. One fruit is never spent
 * twice: its skin goes as zest or as peel, its flesh as juice or as segments; skin first, flesh afterwards is fine.
 */
import { type Fruit, FRUITS } from '../base/ingredients/measures'
import { fillingOf, type Bench } from '../formula/bench'
import type { Kitchen, Lot } from '../kitchen/kitchen'
import type { FruitEntry, FruitPart } from '../formula/occasion'

/** Parts that come from the same place, of which a fruit gives one only. */
export const EXCLUSIVE: readonly (readonly [FruitPart, FruitPart])[] = [
  ['zest', 'peel'],
  ['juice', 'segments'],
]

/** Half of the variance of a fruit's juice belongs to the crate, half to the single fruit (judgement). */
const CRATE_SHARE = 0.5
/** One σ of ln(zest, peel, segments) of a fruit: the hand matters as much as the fruit (judgement). */
const LN_HAND_SIGMA = 0.3
/** Weighed fruit leaves this part of the spread of the juice: size is known, juiciness is not (judgement). */
const WEIGHED_SPREAD = 0.7
/** 10 and 90 %. */
const Z10 = 1.2816

export const fruitOf = (id: string): Fruit | undefined => FRUITS.find(f => f.id === id)

export interface Yield {
  g: number
  lowG: number
  highG: number
}

/** One σ of ln(yield) of a number of fruits together. */
const spreadOf = (lnSigma: number, count: number) =>
  lnSigma * Math.sqrt(CRATE_SHARE + (1 - CRATE_SHARE) / Math.max(1, count))
const around = (g: number, sigma: number): Yield => ({
  g,
  lowG: g * Math.exp(-Z10 * sigma),
  highG: g * Math.exp(Z10 * sigma),
})

/** What a kitchen has found its own fruit to give: juice of one, g, by the fruit's id; it stands before the table's. */
export type OwnJuice = NonNullable<Kitchen['ownJuiceG']>

/** Grams of a part of one usual fruit, by the kitchen's own rule where it has one. */
export const eachG = (fruit: Fruit, part: FruitPart, own: OwnJuice = {}): number =>
  ({ juice: own[fruit.id] ?? fruit.juiceG, zest: fruit.zestG, peel: fruit.peelG, segments: fruit.segmentsG })[part]

/**
 * What an entry gives of each part, for as many fruits as the part is taken from: expected, and 10 to 90 %. Flesh goes
 * with the weight of the fruit, skin with its surface (weight to the power ⅔). Juice that was measured is what it is.
 */
export function yieldsOf(entry: FruitEntry, own?: OwnJuice): Record<FruitPart, Yield> {
  const fruit = fruitOf(entry.fruitId)!
  const size = entry.weightG !== null && entry.count > 0 ? entry.weightG / entry.count / fruit.wholeG : 1
  const weighed = entry.weightG === null ? 1 : WEIGHED_SPREAD
  const flesh = (part: FruitPart, sigma: number) =>
    around(entry.take[part] * eachG(fruit, part, own) * size, spreadOf(sigma * weighed, entry.take[part]))
  const skin = (part: FruitPart) =>
    around(entry.take[part] * eachG(fruit, part) * size ** (2 / 3), spreadOf(LN_HAND_SIGMA, entry.take[part]))
  const juice =
    entry.measuredJuiceG === null
      ? flesh('juice', fruit.lnJuiceSigma)
      : { g: entry.measuredJuiceG, lowG: entry.measuredJuiceG, highG: entry.measuredJuiceG }
  return { juice, zest: skin('zest'), peel: skin('peel'), segments: flesh('segments', LN_HAND_SIGMA) }
}

/** Parts for which more fruit is taken than there is, with how many too many: the fruit would be spent twice. */
export function spentTwice(entry: FruitEntry): { parts: readonly [FruitPart, FruitPart], over: number }[] {
  return EXCLUSIVE.map(parts => ({ parts, over: entry.take[parts[0]] + entry.take[parts[1]] - entry.count })).filter(
    x => x.over > 0,
  )
}

/** An entry in which no fruit is spent twice: what was just set stays, the other part of the pair gives way. */
export function withTake(entry: FruitEntry, part: FruitPart, wanted: number): FruitEntry {
  const n = Math.min(Math.max(0, Math.round(wanted)), entry.count)
  const other = EXCLUSIVE.find(p => p.includes(part))!.find(p => p !== part)!
  return { ...entry, take: { ...entry.take, [part]: n, [other]: Math.min(entry.take[other], entry.count - n) } }
}

/** An entry with another count of fruit: nothing is taken from fruit that is not there. */
export function withCount(entry: FruitEntry, wanted: number): FruitEntry {
  const count = Math.max(0, Math.round(wanted))
  const grown = { ...entry, count }
  const all = entry.take.juice === entry.count
  let out: FruitEntry = { ...grown, take: { ...entry.take, juice: all ? count : Math.min(entry.take.juice, count) } }
  for (const part of ['zest', 'peel', 'segments'] as const)
    out = { ...out, take: { ...out.take, [part]: Math.min(out.take[part], count) } }
  for (const twice of spentTwice(out))
    out = { ...out, take: { ...out.take, [twice.parts[1]]: Math.max(0, out.take[twice.parts[1]] - twice.over) } }
  return out
}

/** How many fruits of the usual size a weight is. */
export const countByWeight = (fruitId: string, weightG: number): number =>
  Math.max(1, Math.round(weightG / fruitOf(fruitId)!.wholeG))

/** Which ingredient a part of a fruit becomes; null where no line carries it. */
export const ingredientOfPart = (fruit: Fruit, part: FruitPart): string | null =>
  part === 'juice' ? fruit.juiceId : part === 'zest' ? 'zest' : null

/** Fruit for an amount of a part: the likeliest count, and one that is enough 9 times in 10. */
export function toBuy(
  fruit: Fruit, part: FruitPart, needG: number, own?: OwnJuice,
): { likely: number, sure: number } {
  const each = eachG(fruit, part, own)
  if (!(each > 0) || !(needG > 0)) return { likely: 0, sure: 0 }
  const sigma = part === 'juice' ? fruit.lnJuiceSigma : LN_HAND_SIGMA
  const likely = Math.ceil(needG / each - 1e-9)
  let sure = likely
  while (sure * each * Math.exp(-Z10 * spreadOf(sigma, sure)) < needG && sure < 100000) sure++
  return { likely, sure }
}

export interface LedgerRow {
  /** Line that needs it. */
  lineId: string
  ingredientId: string
  needG: number
  /** What the fruit on the bench gives of it; null if none of the fruit there gives any. */
  gives: Yield | null
  measured: boolean
  /** The kitchen's lot that the line is made of, with what is weighed of it, g; null: none, or not weighed. */
  lot: { name: string, massG: number | null } | null
  /** Missing at the expected yield, g; 0 if it is enough. */
  shortG: number
  /** Fruits of the usual kinds that give it, with how many to buy for what is missing. */
  buy: { fruitId: string, likely: number, sure: number }[]
}

/**
 * The formula's juices and zest against the fruit on the bench. Fruit already zested for the juice still to be
 * squeezed gives its zest too. What a lot has in hand is told beside it: to pour or to squeeze is the cook's choice.
 * @param lots the kitchen's @param own its own rules for juice
 */
export function ledger(doc: Bench, lots: readonly Lot[] = [], own: OwnJuice = {}): LedgerRow[] {
  const { fruit } = doc.stock
  return fillingOf(doc)
    .lines.filter(l => l.massG > 0)
    .flatMap((line) => {
      const kinds = FRUITS.filter(
        f => f.juiceId === line.ingredientId || (line.ingredientId === 'zest' && f.zestG > 0),
      )
      if (kinds.length === 0) return []
      const part: FruitPart = line.ingredientId === 'zest' ? 'zest' : 'juice'
      const given = fruit
        .filter(e => ingredientOfPart(fruitOf(e.fruitId)!, part) === line.ingredientId && e.take[part] > 0)
        .map(e => yieldsOf(e, own))
      const gives =
        given.length > 0
          ? given.reduce(
              (s, y) => ({ g: s.g + y[part].g, lowG: s.lowG + y[part].lowG, highG: s.highG + y[part].highG }),
              { g: 0, lowG: 0, highG: 0 },
            )
          : null
      const measured =
        part === 'juice' &&
        fruit.some(e => fruitOf(e.fruitId)!.juiceId === line.ingredientId && e.measuredJuiceG !== null)
      const { strength } = line
      const lot = strength?.kind === 'lot'
        ? { name: strength.name, massG: lots.find(l => l.id === strength.lotId)?.massG ?? null }
        : null
      const shortG = Math.max(0, line.massG - (gives?.g ?? 0))
      // Zest comes off the fruit that is squeezed anyway: offered for the kinds whose juice the formula has.
      const offered =
        part === 'juice' ? kinds : kinds.filter(f => fillingOf(doc).lines.some(l => l.ingredientId === f.juiceId))
      return [
        {
          lineId: line.id,
          ingredientId: line.ingredientId,
          needG: line.massG,
          gives,
          measured,
          lot,
          shortG,
          buy: (offered.length ? offered : kinds.slice(0, 1)).map(f => ({
            fruitId: f.id,
            ...toBuy(f, part, shortG, own),
          })),
        },
      ]
    })
}
