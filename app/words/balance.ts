/** Words of the balance: axes, ways, stops, swaps, differences, bases and ratios. */
import type { Bench } from '#core/formula/bench'
import { fillingOf } from '#core/formula/bench'
import type { PercentBasis, RatioId } from '#core/formula/percent'
import type { Difference } from '#core/solve/compare'
import type { Lever } from '#core/solve/elasticity'
import type { Axis } from '#core/solve/map'
import type { ProcessChange, Stop, WayId } from '#core/solve/rebalance'
import type { Keeps, SwapWarning } from '#core/solve/swap'

type Format = ReturnType<typeof useFormat>

const lineName = (doc: Bench, lineId: string, fmt: Format) =>
  fmt.name(fillingOf(doc).lines.find(l => l.id === lineId)?.ingredientId ?? '')

/** "Bergamot juice, g" */
export function axisWords(axis: Axis, doc: Bench, fmt: Format): { name: string, unit: string } {
  switch (axis.kind) {
    case 'mass':
      return { name: lineName(doc, axis.lineId, fmt), unit: 'g' }
    case 'fat':
      return { name: `Fat of ${lineName(doc, axis.lineId, fmt).toLowerCase()}`, unit: '%' }
    case 'acid':
      return { name: `Acid of ${lineName(doc, axis.lineId, fmt).toLowerCase()}`, unit: '%' }
    case 'target':
      return { name: 'Target of the pot', unit: fmt.unit.value }
    case 'hold':
      return { name: 'Hold', unit: 'min' }
  }
}
/** A value of an axis in the unit it is shown in. */
export function axisShown(axis: Axis, value: number, fmt: Format): number {
  if (axis.kind === 'target') return fmt.degreesShown(value)
  return axis.kind === 'hold' ? value / 60 : value
}

export const WAY_WORDS: Record<WayId, string> = {
  lines: 'A little of everything',
  egg: 'By the egg',
  butter: 'By the butter',
  cream: 'By the cream',
  starch: 'By the starch',
  gelatin: 'With gelatine',
  heat: 'Cook it through, then balance',
  reduce: 'Reduce it further',
  overnight: 'Leave it overnight',
}

/** "boil 3 min longer" */
export function processWords(p: ProcessChange, fmt: Format): string {
  const more = p.to > p.from
  switch (p.kind) {
    case 'target':
      return `target ${fmt.temp(p.from)} → ${fmt.temp(p.to)}`
    case 'hold':
      return `hold ${fmt.duration(p.from)} → ${fmt.duration(p.to)}`
    case 'boil':
      return `boil ${fmt.duration(Math.abs(p.to - p.from))} ${more ? 'longer' : 'less'}`
    case 'chill':
      return `in the cold ${fmt.duration(p.from)} → ${fmt.duration(p.to)}`
  }
}

/** What stops a way. */
export function stopWords(s: Stop, fmt: Format): string {
  switch (s.kind) {
    case 'bound':
      return `${fmt.name(s.ingredientId).toLowerCase()} would have to change by more than three times`
    case 'pinned':
      return 'what is pinned leaves too little to move'
    case 'yolkLimit':
      return 'the limit on yolk'
    case 'costLimit':
      return 'the limit on cost'
    case 'grainy':
      return 'it would turn grainy'
    case 'noSetter':
      return 'nothing in it sets'
  }
}

export const KEEPS_WORDS: Record<Keeps, string> = {
  weight: 'Weight for weight',
  acid: 'The same acid',
  acidCitric: 'The same acid, with citric acid',
  acidBlend: 'The same acid, with a sharper juice',
  set: 'The same set',
  sweetness: 'The same sweetness',
  fat: 'The same fat',
}

const SHARE_WORDS: [number, string][] = [
  [0.55, 'half'],
  [0.37, 'a third'],
  [0.29, 'a quarter'],
  [0.22, 'a fifth'],
  [0.18, 'a sixth'],
  [0.15, 'a seventh'],
  [0.13, 'an eighth'],
]
/** "a sixth" */
export function shareWords(share: number): string {
  const near = SHARE_WORDS.map(([edge, words], i) => ({
    words,
    value: [1 / 2, 1 / 3, 1 / 4, 1 / 5, 1 / 6, 1 / 7, 1 / 8][i]!,
    edge,
  })).sort((a, b) => Math.abs(a.value - share) - Math.abs(b.value - share))[0]!
  return share > 0.62 ? `${Math.round(share * 10)} tenths` : near.words
}

/** A plain warning of a swap. */
export function swapWarningWords(w: SwapWarning, fromId: string, toId: string, fmt: Format): string {
  const from = fmt.name(fromId).toLowerCase()
  const to = fmt.name(toId)
  switch (w.kind) {
    case 'acidWeak':
      return `${to} carries ${shareWords(w.share)} of ${from}'s acid: weight for weight ${w.sets ? 'it will taste flat' : 'this will not set'}. Add about ${fmt.fixed(w.citricG, w.citricG < 10 ? 1 : 0)} g citric acid or ${fmt.fixed(w.lemonG / 1.03, 0)} ml lemon juice.`
    case 'acidStrong':
      return `${to} is ${fmt.fixed(w.share, 1)} times as sharp as ${from}: take less of it, or it tastes harsh and sets lower in the pot.`
    case 'noLongerHolds':
      return `Weight for weight it no longer does what it should on the plate.`
    case 'fatLess':
      return `${to} has less fat: for the same fat you bring ${fmt.fixed(w.waterG)} g more water, which loosens it.`
    case 'waterMore':
      return `${to} brings ${fmt.fixed(w.waterG)} g of water with it: the set is a little looser.`
    case 'cannotKeepSet':
      return `No amount of ${to.toLowerCase()} between a tenth and three times keeps the set${w.reach > 0.05 ? `: it reaches ${fmt.percent(w.reach)} of it` : ''}.`
  }
}

/** What differs between two formulas. */
export function differenceWords(d: Difference, fmt: Format): string {
  switch (d.kind) {
    case 'line': {
      const name = fmt.name(d.ingredientId).toLowerCase()
      if (d.otherId)
        return `${fmt.name(d.otherId).toLowerCase()} ${fmt.grams(d.from ?? 0)} → ${name} ${fmt.grams(d.to ?? 0)}`
      if (d.from === null) return `${name} added, ${fmt.grams(d.to!)}`
      if (d.to === null) return `${name} left out, ${fmt.grams(d.from)}`
      return d.from === d.to ? `${name} of another strength` : `${name} ${fmt.grams(d.from)} → ${fmt.grams(d.to)}`
    }
    case 'way':
      return 'the way of making'
    case 'heat':
      return 'the heat'
    case 'chill':
      return 'the cold'
    case 'vessel':
      return 'tin, crust or losses'
    case 'use':
      return 'what it must do'
  }
}

/** "+12 %" of a ratio. */
export const changeWords = (ratio: number, fmt: Format): string =>
  Math.abs(ratio - 1) < 0.005
    ? 'as before'
    : ratio >= 2.5
      ? `${fmt.fixed(ratio, 1)} times`
      : `${ratio > 1 ? '+' : '−'}${fmt.fixed(Math.abs(ratio - 1) * 100)} %`

export const RATIO_WORDS: Record<RatioId, string> = {
  sugarAcid: 'sugar : acid',
  juiceCream: 'juice : cream',
  yolkJuice: 'yolk : juice',
  crumbButter: 'crumb : butter',
  sugarWhite: 'sugar : white',
}

/** The basis, always written. */
export function basisOfWords(b: PercentBasis, doc: Bench, fmt: Format): string {
  switch (b.kind) {
    case 'whole':
      return '% of the whole'
    case 'dairy':
      return '% of the dairy'
    case 'water':
      return '% of the water phase'
    case 'line':
      return `${lineName(doc, b.lineId, fmt).toLowerCase()} = 100`
  }
}

/** A lever as its button says it. */
export function leverWords(l: Lever, fmt: Format): { label: string, brings: string } {
  const brings = `${changeWords(l.firmerBy, fmt)} firm${Math.abs(l.sharperBy - 1) >= 0.01 ? `, ${changeWords(l.sharperBy, fmt)} sour` : ''}`
  if (l.kind === 'target')
    return { label: `${fmt.degrees(Math.abs(l.to - l.from))} ${l.to > l.from ? 'hotter' : 'cooler'}`, brings }
  if (l.kind === 'hold') return { label: `hold 1 min ${l.to > l.from ? 'longer' : 'less'}`, brings }
  return {
    label: `${fmt.grams(Math.abs(l.to - l.from))} ${l.to > l.from ? 'more' : 'less'} ${fmt.name(l.ingredientId!).toLowerCase()}`,
    brings,
  }
}
