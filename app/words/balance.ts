/** Words of the balance: axes, ways, stops, swaps, differences, bases and ratios. */
import type { Bench } from '#core/formula/bench'
import { fillingOf } from '#core/formula/bench'
import type { PercentBasis, RatioId } from '#core/formula/percent'
import type { Difference } from '#core/solve/compare'
import { LEAST_MOVE, type Lever } from '#core/solve/elasticity'
import type { Axis } from '#core/solve/map'
import type { ProcessChange, Stop, WayId } from '#core/solve/rebalance'
import type { Keeps, SwapWarning } from '#core/solve/swap'
import { group, say } from './say'

type Format = ReturnType<typeof useFormat>

const lineName = (doc: Bench, lineId: string, fmt: Format) =>
  fmt.name(fillingOf(doc).lines.find(l => l.id === lineId)?.ingredientId ?? '')

/** "Bergamot juice, g" */
export function axisWords(axis: Axis, doc: Bench, fmt: Format): { name: string, unit: string } {
  switch (axis.kind) {
    case 'mass':
      return { name: lineName(doc, axis.lineId, fmt), unit: 'g' }
    case 'fat':
      return { name: say('balance.fatOf', { lineId: lineName(doc, axis.lineId, fmt).toLowerCase() }), unit: '%' }
    case 'acid':
      return { name: say('balance.acidOf', { lineId: lineName(doc, axis.lineId, fmt).toLowerCase() }), unit: '%' }
    case 'target':
      return { name: say('balance.targetOfThePot'), unit: fmt.unit.value }
    case 'hold':
      return { name: say('balance.hold'), unit: 'min' }
  }
}
/** A value of an axis in the unit it is shown in. */
export function axisShown(axis: Axis, value: number, fmt: Format): number {
  if (axis.kind === 'target') return fmt.degreesShown(value)
  return axis.kind === 'hold' ? value / 60 : value
}

export const WAY_WORDS = group<Record<WayId, string>>('balance.WAY_WORDS')

/** "boil 3 min longer" */
export function processWords(p: ProcessChange, fmt: Format): string {
  const more = p.to > p.from
  switch (p.kind) {
    case 'target':
      return say('balance.target', { from: fmt.temp(p.from), to: fmt.temp(p.to) })
    case 'hold':
      return say('balance.hold2', { from: fmt.duration(p.from), to: fmt.duration(p.to) })
    case 'boil':
      return say('balance.boil', { from: fmt.duration(Math.abs(p.to - p.from)), less: more ? say('balance.longer') : say('balance.less') })
    case 'chill':
      return say('balance.inTheCold', { from: fmt.duration(p.from), to: fmt.duration(p.to) })
  }
}

/** What stops a way. */
export function stopWords(s: Stop, fmt: Format): string {
  switch (s.kind) {
    case 'bound':
      return say('balance.wouldHaveToChangeByMore', { ingredientId: fmt.name(s.ingredientId).toLowerCase() })
    case 'pinned':
      return say('balance.whatIsPinnedLeavesTooLittle')
    case 'yolkLimit':
      return say('balance.theLimitOnYolk')
    case 'costLimit':
      return say('balance.theLimitOnCost')
    case 'grainy':
      return say('balance.itWouldTurnGrainy')
    case 'noSetter':
      return say('balance.nothingInItSets')
  }
}

export const KEEPS_WORDS = group<Record<Keeps, string>>('balance.KEEPS_WORDS')

const SHARE_WORDS: [number, string][] = [
  [0.55, 'half'],
  [0.37, 'a third'],
  [0.29, 'a quarter'],
  [0.22, 'a fifth'],
  [0.18, 'a sixth'],
  [0.15, 'a seventh'],
  [0.13, say('balance.anEighth')],
]
/** "a sixth" */
export function shareWords(share: number): string {
  const near = SHARE_WORDS.map(([edge, words], i) => ({
    words,
    value: [1 / 2, 1 / 3, 1 / 4, 1 / 5, 1 / 6, 1 / 7, 1 / 8][i]!,
    edge,
  })).sort((a, b) => Math.abs(a.value - share) - Math.abs(b.value - share))[0]!
  return share > 0.62 ? say('balance.tenths', { share: Math.round(share * 10) }) : near.words
}

/** A plain warning of a swap. */
export function swapWarningWords(w: SwapWarning, fromId: string, toId: string, fmt: Format): string {
  const from = fmt.name(fromId).toLowerCase()
  const to = fmt.name(toId)
  switch (w.kind) {
    case 'acidWeak':
      return say('balance.carriesOfSAcidWeightFor', { to, share: shareWords(w.share), from, set: w.sets ? say('balance.itWillTasteFlat') : say('balance.thisWillNotSet'), citricG: fmt.fixed(w.citricG, w.citricG < 10 ? 1 : 0), lemonG: fmt.fixed(w.lemonG / 1.03, 0) })
    case 'acidStrong':
      return say('balance.isTimesAsSharpAsTake', { to, share: fmt.fixed(w.share, 1), from })
    case 'noLongerHolds':
      return say('balance.weightForWeightItNoLonger')
    case 'fatLess':
      return say('balance.hasLessFatForTheSame', { to, waterG: fmt.fixed(w.waterG) })
    case 'waterMore':
      return say('balance.bringsGOfWaterWithIt', { to, waterG: fmt.fixed(w.waterG) })
    case 'cannotKeepSet':
      return say('balance.noAmountOfBetweenATenth', { to: to.toLowerCase(), reach: w.reach > 0.05 ? say('balance.itReachesOfIt', { reach: fmt.percent(w.reach) }) : '' })
  }
}

/** What differs between two formulas. */
export function differenceWords(d: Difference, fmt: Format): string {
  switch (d.kind) {
    case 'line': {
      const name = fmt.name(d.ingredientId).toLowerCase()
      if (d.otherId)
        return `${fmt.name(d.otherId).toLowerCase()} ${fmt.grams(d.from ?? 0)} → ${name} ${fmt.grams(d.to ?? 0)}`
      if (d.from === null) return say('balance.added', { name, to: fmt.grams(d.to!) })
      if (d.to === null) return say('balance.leftOut', { name, from: fmt.grams(d.from) })
      return d.from === d.to ? say('balance.ofAnotherStrength', { name }) : `${name} ${fmt.grams(d.from)} → ${fmt.grams(d.to)}`
    }
    case 'way':
      return say('balance.theWayOfMaking')
    case 'heat':
      return say('balance.theHeat')
    case 'chill':
      return say('balance.theCold')
    case 'vessel':
      return say('balance.tinCrustOrLosses')
    case 'use':
      return say('balance.whatItMustDo')
  }
}

/** "+12 %" of a ratio; under one per cent with its tenth. */
export const changeWords = (ratio: number, fmt: Format): string =>
  Math.abs(ratio - 1) < LEAST_MOVE
    ? say('balance.asBefore')
    : ratio >= 2.5
      ? say('balance.times', { ratio: fmt.fixed(ratio, 1) })
      : `${ratio > 1 ? '+' : '−'}${fmt.fixed(Math.abs(ratio - 1) * 100, Math.abs(ratio - 1) < 0.0095 ? 1 : 0)} %`

export const RATIO_WORDS = group<Record<RatioId, string>>('balance.RATIO_WORDS')

/** The basis, always written. */
export function basisOfWords(b: PercentBasis, doc: Bench, fmt: Format): string {
  switch (b.kind) {
    case 'whole':
      return say('balance.ofTheWhole')
    case 'dairy':
      return say('balance.ofTheDairy')
    case 'creamSugar':
      return say('balance.ofCreamAndSugar')
    case 'lines':
      return say('balance.ofChosenLines')
    case 'water':
      return say('balance.ofTheWaterPhase')
    case 'line':
      return `${lineName(doc, b.lineId, fmt).toLowerCase()} = 100`
  }
}

/** A lever as its button says it. */
export function leverWords(l: Lever, fmt: Format): { label: string, brings: string } {
  // What has no set is moved in its sourness alone.
  const isFirmer = Math.abs(l.firmerBy - 1) >= 0.005
  const brings = !isFirmer ? say('balance.onlySour', { sharperBy: changeWords(l.sharperBy, fmt) }) : say('balance.firm', { firmerBy: changeWords(l.firmerBy, fmt), sharperBy: Math.abs(l.sharperBy - 1) >= 0.01 ? say('balance.sour', { sharperBy: changeWords(l.sharperBy, fmt) }) : '' })
  if (l.kind === 'target')
    return { label: `${fmt.degrees(Math.abs(l.to - l.from))} ${l.to > l.from ? say('balance.hotter') : say('balance.cooler')}`, brings }
  if (l.kind === 'hold') return { label: say('balance.hold1Min', { less: l.to > l.from ? say('balance.longer') : say('balance.less') }), brings }
  return {
    label: `${fmt.grams(Math.abs(l.to - l.from))} ${l.to > l.from ? say('balance.more') : say('balance.less')} ${fmt.name(l.ingredientId!).toLowerCase()}`,
    brings,
  }
}
