/**
 * What a simulated cook really puts in: lines by the scale or by count, with the kitchen's juice and eggs and with
 * whatever went wrong. The plan stays what it was; this is the same bench with what is true of its lines.
 */
import type { Noise } from '../base/noise'
import { findIngredient } from '../base/ingredients/ingredients'
import { fillingOf, type Bench } from '../formula/bench'
import type { Line } from '../formula/document'
import { sharpened } from '../formula/sharpened'
import type { Kitchen } from '../kitchen/kitchen'
import { type Mistake, SPOON_ML, type Truths } from '../plant/truth'

/** A line as it was put in: what is true of it, and what the scale showed (null: put in with a spoon, or unseen). */
export interface PutIn {
  line: Line
  trueG: number
  /** Weighed once, or twice where it was put in twice. */
  times: 0 | 1 | 2
  byScale: boolean
}

const isEgg = (l: Line) => findIngredient(l.ingredientId)?.group === 'egg'
const isJuice = (l: Line) => findIngredient(l.ingredientId)?.group === 'juice'

/** How a line came to be in the bowl. */
function putIn(line: Line, truths: Truths, mistake: Mistake | null, noise: Noise): PutIn {
  const mine = mistake?.lineId === line.id ? mistake : null
  const scale = truths('scaleFactor')
  // A cook pours until the display says so, to within a gram or half a percent.
  const aimed = Math.max(0, line.massG + Math.max(0.3, 0.004 * line.massG) * noise.normal()) / scale
  // Eggs come as they come: counted, or weighed to the last whole one.
  const one = isEgg(line) ? line.massG * truths('yolkMassFactor') : aimed
  switch (mine?.kind) {
    case 'lineForgotten':
      return { line, trueG: 0, times: 0, byScale: false }
    case 'lineDoubled':
      return { line, trueG: 2 * one, times: 2, byScale: true }
    case 'spoonSize':
      return { line, trueG: (line.massG * (mine.amount ?? 20)) / SPOON_ML, times: 1, byScale: false }
    default:
      return { line, trueG: one, times: 1, byScale: true }
  }
}

/** All lines of what is made, as they went in. */
export const putAll = (b: Bench, truths: Truths, mistake: Mistake | null, noise: Noise): PutIn[] =>
  fillingOf(b).lines.map(line => putIn(line, truths, mistake, noise))

/**
 * Lines as a real cook put them in: what the scale showed of each, over what it shows too much; what went in unweighed
 * as it was to be, what did not go in as nothing. Where nothing was ticked at all, all of it is taken to be in.
 */
export function asShown(
  lines: readonly Line[], added: readonly { lineId: string, shownG: number | null }[], truths: Truths,
): PutIn[] {
  return lines.map((line) => {
    const mine = added.filter(e => e.lineId === line.id)
    const usual = line.massG * (isEgg(line) ? truths('yolkMassFactor') : 1)
    if (added.length === 0) return { line, trueG: usual, times: 1, byScale: false }
    const trueG = mine.reduce((s, e) => s + (e.shownG === null ? usual : e.shownG / truths('scaleFactor')), 0)
    return { line, trueG, times: 1, byScale: true }
  })
}

/** The bench with what is true of it. */
export function trueBench(
  b: Bench, kitchen: Kitchen, all: readonly PutIn[], truths: Truths, mistake: Mistake | null,
): Bench {
  const lines = all.map(({ line, trueG }) => {
    const massG = Math.max(0.01, trueG)
    if (!isJuice(line)) return { ...line, massG }
    const { strength } = line
    const factor = truths('juiceAcidFactor', strength?.kind === 'lot' ? strength.lotId : '')
    return { ...line, massG, strength: sharpened(line, kitchen, factor) }
  })
  const bloom = mistake?.kind === 'otherGelatine' ? (mistake.amount ?? 130) : b.set.bloom
  return {
    ...b,
    set: { ...b.set, bloom },
    components: b.components.map(c => (c.id === b.componentId ? { ...c, lines } : c)),
  }
}
