/** Bands of set, what a use asks for, and how a piece stands. */

export const USE_KINDS = ['spooned', 'glass', 'piped', 'cut', 'turnedOut'] as const
export type UseKind = (typeof USE_KINDS)[number]

/** What the dessert must do on the plate; the target set is computed from it. */
export interface Use {
  kind: UseKind
  /** Height of the piece as it is eaten, m. For `spooned` and `glass` the heap or the fill. */
  pieceHeightM: number
  /** Width of the piece, m. */
  pieceWidthM: number
  /** Air on the table, °C. */
  tableTempC: number
  /** How long it stands there, s. */
  tableTimeS: number
  /** Pregnant, very young, old or ill people eat it; nobody says so where absent. */
  guestsAtRisk?: boolean
}

/** Lower edges in Pa on the density-corrected stress τ* = τ·min(1.7, 1100/ρ). Common practice, no published source. */
export const BANDS = [
  { id: 'pourable', fromPa: 0 },
  { id: 'coats', fromPa: 10 },
  { id: 'spoonable', fromPa: 40 },
  { id: 'mounds', fromPa: 120 },
  { id: 'slicesSoftly', fromPa: 300 },
  { id: 'slicesCleanly', fromPa: 700 },
  { id: 'turnsOut', fromPa: 1800 },
  { id: 'rubbery', fromPa: 6000 },
] as const
export type BandId = (typeof BANDS)[number]['id']

/**
 * Density correction of a stress to the bands' scale.
 * @example corrected(300, 900) // 366.7
 */
export const corrected = (tauPa: number, density: number): number => tauPa * Math.min(1.7, 1100 / density)

/**
 * Band of a corrected stress.
 * @example bandOf(320) // 'slicesSoftly'
 */
export function bandOf(tauStarPa: number): BandId {
  let id: BandId = 'pourable'
  for (const band of BANDS) if (tauStarPa >= band.fromPa) id = band.id
  return id
}

/** Gravity, m/s². */
export const G = 9.81
/** Stands untended; survives the knife or unmoulding. */
export const STANDS = 2
export const CUTS = 4

/**
 * Yield stress a piece of this height needs, Pa: S·ρ·g·h/2.
 * @example neededPa(0.025, 1100, STANDS) // 269.8
 */
export const neededPa = (heightM: number, density: number, factor: number): number =>
  (factor * density * G * heightM) / 2
/**
 * Tallest piece a yield stress holds, m: 2τ/(S·ρ·g).
 * @example standingHeight(540, 1100, CUTS) // 0.02502
 */
export const standingHeight = (tauPa: number, density: number, factor: number): number =>
  (2 * tauPa) / (factor * density * G)

export interface Target {
  /** From the cold: at the moment of cutting, piping or spooning. Pa. */
  coldMinPa: number
  coldMaxPa: number
  /** On the plate after its time on the table. Pa. */
  plateMinPa: number
}

/** How much of a set is an elastic gel, 0–1, and the stress at which that gel tears, as a multiple of its modulus. */
export interface Elastic {
  share: number
  tearsAt: number
}
/** A set that flows before it tears. */
export const PASTE: Elastic = { share: 0, tearsAt: 1 }

/** A gel that stands trembles, but sags no more than this of its height as a mean (common practice). */
const SAGS_AT_MOST = 0.25

/**
 * Shear modulus that an elastic piece of this height needs, Pa: it sags by ε = ρ·g·h/(2·E), E = 3·G, and the shear at
 * its base, ρ·g·h/2 with the allowance `factor`, stays under what tears it.
 * @example neededModulus(0.04, 1060, { share: 1, tearsAt: 1.2 }, 2) // 346.6
 */
export const neededModulus = (heightM: number, density: number, { tearsAt }: Elastic, factor: number): number =>
  Math.max((density * G * heightM) / (6 * SAGS_AT_MOST), neededPa(heightM, density, factor) / tearsAt)

/** Between what a paste and what a gel needs, by how much of the set is a gel. */
const needed = (pastePa: number, gelPa: number, { share }: Elastic) => pastePa * (gelPa / pastePa) ** share

/**
 * The set a use asks for. Cut pieces must survive the knife cold (S = 4) and stand on the plate (S = 2); the rest must
 * lie in the bands that their words mean. What turns out or is cut and is an elastic gel is asked for its modulus
 * instead: gelatine trembles and stands where a paste of the same stress would sink. The upper edges are common
 * practice: more set is not better set.
 * @example targetOf(defaultUse('cut'), 1100).coldMinPa // 539.6
 */
export function targetOf(use: Use, density: number, elastic: Elastic = PASTE): Target {
  const toStress = (tauStar: number) => tauStar / Math.min(1.7, 1100 / density)
  const h = use.pieceHeightM
  switch (use.kind) {
    case 'spooned':
      return { coldMinPa: toStress(40), coldMaxPa: toStress(400), plateMinPa: toStress(20) }
    case 'glass':
      return { coldMinPa: toStress(30), coldMaxPa: toStress(400), plateMinPa: toStress(15) }
    case 'piped': {
      const stands = neededPa(h, density, STANDS)
      return { coldMinPa: Math.max(toStress(100), stands), coldMaxPa: toStress(900), plateMinPa: stands }
    }
    case 'cut':
      return {
        coldMinPa: needed(
          Math.max(toStress(300), neededPa(h, density, CUTS)), neededModulus(h, density, elastic, CUTS), elastic,
        ),
        coldMaxPa: toStress(4000),
        plateMinPa: needed(neededPa(h, density, STANDS), neededModulus(h, density, elastic, STANDS), elastic),
      }
    case 'turnedOut':
      return {
        coldMinPa: needed(
          Math.max(toStress(1200), neededPa(h, density, CUTS)), neededModulus(h, density, elastic, STANDS), elastic,
        ),
        coldMaxPa: toStress(6000),
        plateMinPa: needed(neededPa(h, density, STANDS), neededModulus(h, density, elastic, STANDS), elastic),
      }
  }
}

/**
 * Slump of a piece on a table as it is drawn and told: with the same allowance as "stands" (knocks, carrying), so that
 * a piece sags exactly when its stress falls below what standing needs.
 * @example tableSlump(300, 1100, 0.025) // 0
 */
export const tableSlump = (tauPa: number, density: number, heightM: number): number =>
  slumpShare(tauPa / STANDS, density, heightM)

/**
 * Slump of a free-standing piece as a share of its height: s′ = 1 − 2τ′·(1 − ln 2τ′), τ′ = τ/(ρ·g·H), for τ′ < ½
 * (Pashias et al. 1996, from memory H).
 * @example slumpShare(50, 1100, 0.05) // 0.5023
 */
export function slumpShare(tauPa: number, density: number, heightM: number): number {
  const t = tauPa / (density * G * heightM)
  if (t >= 0.5) return 0
  if (t <= 0) return 1
  return 1 - 2 * t * (1 - Math.log(2 * t))
}
