/** The verdict in one sentence, and the ribbon's readouts. */
import type { Assessment, Station } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { familyOf } from '#core/formula/families'
import { BAND_NAMES, SHARPNESS_NAMES } from './names'
import type { Adjustment } from '#core/solve/adjust'

type Format = ReturnType<typeof useFormat>
const upper = (s: string) => s.charAt(0).toUpperCase() + s.slice(1)

/** "Cuts cleanly at 25 mm and holds an hour on the table. Bright." */
export function verdictSentence(doc: Bench, a: Assessment, fmt: Format): string {
  const v = a.verdict
  const h = fmt.mm(a.shape.pieceHeightM)
  const table = fmt.duration(doc.use.tableTimeS)
  const taste = `${upper(SHARPNESS_NAMES[a.balance.sharpness])}.`
  const kind = doc.use.kind
  const does =
    kind === 'cut'
      ? `Cuts at ${h}`
      : kind === 'piped'
        ? `Pipes ${h} high`
        : kind === 'turnedOut'
          ? `Turns out ${h} high`
          : kind === 'glass'
            ? 'Sets in its glass'
            : `${upper(BAND_NAMES[v.cold.band])} from the fridge`
  switch (v.code) {
    case 'good':
      return `${does} and holds ${table} on the table. ${taste}`
    case 'sagsOnTable': {
      const after = a.serve.standsOnTableS
      return `${does} from the fridge, then sags ${after !== null && after > 60 ? `after ${fmt.duration(after)} on the table` : 'as soon as it warms'}. ${taste}`
    }
    case 'looseCold':
      return kind === 'cut'
        ? `Too loose to cut at ${h}: ${BAND_NAMES[v.cold.band]}. ${taste}`
        : kind === 'piped'
          ? `Too loose to pipe ${h} high: ${BAND_NAMES[v.cold.band]}. ${taste}`
          : `Too loose for this: ${BAND_NAMES[v.cold.band]}. ${taste}`
    case 'runny':
      return `Does not set: ${BAND_NAMES[v.cold.band]}. ${taste}`
    case 'grainy':
      return familyOf(doc.family).acidGelsMilk
        ? `So sharp that it turns grainy. ${taste}`
        : `Turns grainy in the ${doc.heat.method === 'oven' ? 'oven' : 'pan'}, and loses strength with it. ${taste}`
    case 'tooFirm':
      return `Firmer than this use wants: ${BAND_NAMES[v.cold.band]}. ${taste}`
    case 'servedBeforeSet':
      return `Right in the end, but served before it is set. ${taste}`
  }
}

/** When it is ready, as a short clause. */
export function readyWords(doc: Bench, a: Assessment, fmt: Format): string {
  const s = a.serve.readyAfterS
  if (s === null) return a.chill.readyS === null ? 'Does not get there in a day.' : ''
  return doc.serve.startAt
    ? `Ready from ${fmt.clock(doc.serve.startAt, s)}.`
    : `Ready ${fmt.duration(s)} after you start.`
}

/** Two short lines for a stop of the ribbon. */
export function readout(station: Station, doc: Bench, a: Assessment, fmt: Format): [string, string] {
  switch (station) {
    case 'stock':
      return a.stock.juiceG <= 0
        ? [`${fmt.grams(a.stock.massG)} in all`, 'no juice']
        : [
            `${fmt.grams(a.stock.juiceG)} juice`,
            `${fmt.fixed(a.stock.juiceAcid.value, 1)} % ${a.stock.juiceProvenance === 'measured' ? 'measured' : 'typical'}`,
          ]
    case 'balance':
      return [
        `pH ${fmt.fixed(a.balance.pH.value, 2)}, ${SHARPNESS_NAMES[a.balance.sharpness]}`,
        BAND_NAMES[a.verdict.cold.band],
      ]
    case 'shape':
      return [`${fmt.mm(a.shape.depthM)} deep`, `${doc.assembly.portions} of ${fmt.grams(a.shape.portionG)}`]
    case 'heat':
      return doc.heat.method === 'none'
        ? ['not heated', 'mixed cold']
        : a.heat.reachedS === null
          ? [`stalls at ${fmt.temp(a.heat.peakTempC)}`, 'never reaches its target']
          : [
              `${fmt.temp(a.heat.peakTempC)} at ${fmt.duration(a.heat.reachedS)}`,
              a.heat.marginK === null || !familyOf(doc.family).eggSets
                ? doc.heat.method === 'oven'
                  ? 'in the middle'
                  : a.heat.evaporatedG >= 10
                    ? `${fmt.grams(a.heat.evaporatedG)} boiled off`
                    : `pours at ${fmt.temp(a.heat.pourTempC)}`
                : a.heat.marginK > 0
                  ? `grainy ${fmt.degrees(a.heat.marginK, 1)} higher`
                  : `grainy by ${fmt.degrees(-a.heat.marginK, 1)}`,
            ]
    case 'chill':
      return [
        a.chill.safe ? (a.chill.safeSlow ? 'cools in time' : 'only just cools in time') : 'cools too slowly',
        a.chill.readyS === null
          ? 'not set in a day'
          : a.chill.readyS < 60
            ? 'ready at once'
            : `set in ${fmt.duration(a.chill.readyS)}`,
      ]
    case 'serve':
      return [
        a.serve.readyAfterS === null
          ? 'not ready'
          : doc.serve.startAt
            ? `ready ${fmt.clock(doc.serve.startAt, a.serve.readyAfterS)}`
            : 'start time?',
        a.serve.useBy ? `use by ${fmt.day(a.serve.useBy)}` : 'no use-by',
      ]
  }
}

/** An adjustment as a button: what to do, and what it brings. */
export function adjustmentWords(x: Adjustment, fmt: Format): { label: string, brings: string } {
  const name = x.ingredientId ? fmt.name(x.ingredientId).toLowerCase().replace(/,.*$/, '') : ''
  const brings = x.code === 'good' ? `${fmt.pascals(x.platePa)} on the plate` : ''
  const more = fmt.grams(Math.abs(x.to - x.from))
  switch (x.kind) {
    case 'moreEgg':
      return {
        label: `${more} more ${name}${x.alsoTargetC === undefined ? '' : `, to ${fmt.temp(x.alsoTargetC)}`}`,
        brings,
      }
    case 'lessEgg':
      return { label: `${more} less ${name}`, brings }
    case 'moreButter':
      return { label: `${more} more butter`, brings }
    case 'lessButter':
      return { label: `${more} less butter`, brings }
    case 'lessJuice':
      return { label: `${more} less ${name}`, brings }
    case 'moreJuice':
    case 'moreSetter':
    case 'moreCream':
      return { label: `${more} more ${name}`, brings }
    case 'lessSetter':
      return { label: `${more} less ${name}`, brings }
    case 'hotter':
      return { label: `Take it to ${fmt.temp(x.to)}`, brings }
    case 'cooler':
      return { label: `Stop at ${fmt.temp(x.to)}`, brings }
    case 'holdLonger':
      return { label: `Hold ${fmt.duration(x.to - x.from)} longer`, brings }
    case 'holdShorter':
      return { label: x.to === 0 ? 'No hold' : `Hold ${fmt.duration(x.to)} only`, brings }
    case 'lowerPiece':
      return { label: `Make it ${fmt.mm(x.to)} high`, brings }
    case 'shorterTable':
      return { label: `Serve within ${fmt.duration(x.to)}`, brings }
    case 'longerChill':
      return { label: `Leave it ${fmt.duration(x.to - x.from)} longer`, brings: 'set through' }
    case 'iceBathFirst':
      return { label: `Stir over ice ${fmt.duration(x.to)} first`, brings: 'cools in time' }
    case 'moreVessels':
      return { label: `Spread over ${x.to} tins or dishes`, brings: 'cools in time' }
  }
}
