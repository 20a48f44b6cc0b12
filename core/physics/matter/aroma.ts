/**
 * Aroma of citrus: the oil of zest. How much of it the knife or rasp frees, sugar rubs out and steeping draws, and how
 * much of what was freed leaves with the steam. Told as grams of lemon zest, finely grated and eaten, in a kilogram.
 * Relative strengths, shares and rates are judgement from common practice (L); release and loss are first-order.
 */
import type { Warmth } from './dissolving'

export const ZEST_CUTS = ['fine', 'grated', 'strips'] as const
/** By a rasp with small teeth, by a coarse grater, or peeled in strips. */
export type ZestCut = (typeof ZEST_CUTS)[number]

/** Zest by the juice of its fruit: scent of a gram beside a gram of lemon's (oil from memory; judgement). */
export const ZEST_STRENGTH: Readonly<Record<string, number>> = {
  lemon: 1, lemon_sweet: 0.8, keylime: 0.9, lime: 0.9, calamansi: 1, yuzu: 1.5, bergamot: 1.5, seville: 1.2,
  orange: 0.9, blood: 0.9, mandarin: 1, pummelo: 0.7, grapefruit: 0.9,
}
/** Share of the oil that is free as soon as it is cut. */
const FREED: Record<ZestCut, number> = { fine: 0.9, grated: 0.7, strips: 0.15 }
/** Of the oil still shut in, rubbing with sugar frees this share. */
const RUBBED = 0.6
/** What is shut in comes out by half in so long at this temperature, doubling with every so many K. */
const STEEPS = { halfS: 15 * 60, atC: 70, doublesK: 15 } as const
/** Free oil leaves an open pot of thin juice at its boil by this share a minute, doubling with every so many K. */
const LEAVES = { perMin: 0.12, atC: 97, doublesK: 12 } as const
/** Fat holds oil back: the loss is divided by 1 + this · share of fat. */
const FAT_HOLDS = 25
/** Of what is still shut in, zest that is eaten gives this share between the teeth. */
const CHEWED = 0.6
/** Oil that squeezing brings into juice, as grams of zest in a gram. */
const JUICE_AS_ZEST = 0.006

/** Zest of one line: its cut, whether rubbed into sugar, whether a sieve takes it out, how warm it lay till poured. */
export interface Zest {
  massG: number
  /** Beside lemon's. */
  strength: number
  cut: ZestCut
  rubbed: boolean
  sieved: boolean
  along: Warmth
  /** Steeped off the heat under a lid, too: it draws, and nothing leaves. */
  covered?: Warmth
}

export const AROMAS = ['none', 'faint', 'clear', 'full', 'loud'] as const
export type AromaWord = (typeof AROMAS)[number]
/** Lower edges of the words above faint, g of lemon zest a kilogram (judgement: zest of a lemon in 350 g is full). */
export const AROMA_EDGES = [2, 8, 25] as const

export interface Aroma {
  /** As much as this of lemon zest, finely grated and eaten, g/kg. */
  gPerKg: number
  word: AromaWord
  /** Of the zest's oil: share that comes out at all, and of what was free, share that stays; 1 without zest. */
  drawn: number
  kept: number
}

/**
 * Word of an aroma.
 * @example aromaWord(9) // 'full'
 */
export const aromaWord = (gPerKg: number): AromaWord =>
  gPerKg < 0.05 ? 'none' : AROMAS[1 + AROMA_EDGES.filter(e => gPerKg >= e).length]!

/** Integral of 2^((T − at)/doubles) over a history, s: seconds at `at` that do the same. */
function secondsAt({ timeS, tempC }: Warmth, at: number, doublesK: number): number {
  let s = 0
  for (let i = 1; i < timeS.length; i++)
    s += (timeS[i]! - timeS[i - 1]!) * 2 ** (((tempC[i]! + tempC[i - 1]!) / 2 - at) / doublesK)
  return s
}

/**
 * Of a zest's oil, the share that is drawn and the share of it that steam leaves: 1 − (1 − freed)·2^(−t/half), and
 * exp(−rate·t/(1 + 25·fat)), t as time at the table's temperatures.
 * @param fatShare fat of the mix, 0–1
 * @example drawnAndKept({ ...NO_ZEST, along: { timeS: [0, 600], tempC: [97, 97] } }, 0).kept // 0.301
 */
export function drawnAndKept(z: Zest, fatShare: number): { drawn: number, kept: number } {
  const shut = (1 - FREED[z.cut]) * (z.rubbed ? 1 - RUBBED : 1)
  const along = [z.along, ...(z.covered ? [z.covered] : [])]
  const steeped = along.reduce((s, w) => s + secondsAt(w, STEEPS.atC, STEEPS.doublesK), 0)
  const boiled = secondsAt(z.along, LEAVES.atC, LEAVES.doublesK) / 60
  return {
    drawn: 1 - shut * 0.5 ** (steeped / STEEPS.halfS),
    kept: Math.exp((-LEAVES.perMin * boiled) / (1 + FAT_HOLDS * fatShare)),
  }
}

/**
 * Aroma of a mix.
 * @param zests each line of zest @param juiceG juice, g, and how warm it lay @param massG of the whole, g
 * @param fatShare fat of the mix, 0–1
 * @example aromaOf([], { massG: 300, along: { timeS: [0, 1], tempC: [20, 20] } }, 1000, 0.2).word // 'faint'
 */
export function aromaOf(
  zests: readonly Zest[], juice: { massG: number, along: Warmth }, massG: number, fatShare: number,
): Aroma {
  const { kept: juiceKept } = drawnAndKept({ ...NO_ZEST, along: juice.along }, fatShare)
  let lemonG = juice.massG * JUICE_AS_ZEST * juiceKept
  let drawn = 0
  let kept = 0
  const all = zests.reduce((s, z) => s + z.massG, 0)
  for (const z of zests) {
    const of = drawnAndKept(z, fatShare)
    const chewed = z.sieved ? 0 : CHEWED * (1 - of.drawn)
    lemonG += z.massG * z.strength * (of.drawn * of.kept + chewed)
    drawn += (z.massG / all) * of.drawn
    kept += (z.massG / all) * of.kept
  }
  const gPerKg = massG > 0 ? (1000 * lemonG) / massG : 0
  return { gPerKg, word: aromaWord(gPerKg), drawn: all > 0 ? drawn : 1, kept: all > 0 ? kept : 1 }
}
/** A gram-less zest: what of its rates does not depend on it. */
export const NO_ZEST = { massG: 0, strength: 1, cut: 'fine', rubbed: false, sieved: false } as const
