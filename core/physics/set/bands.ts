/** Bands of set, what a use asks for, and how a piece stands. */

export const USE_KINDS = ['spooned', 'glass', 'piped', 'cut', 'turnedOut', 'over'] as const
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

/** What each use asks from the cold: the band it must reach whatever its height, τ* in Pa, and the allowances. */
const ASKS: Record<UseKind, { floorPa: number, paste: number, gel: number | null }> = {
  spooned: { floorPa: 40, paste: CUTS, gel: null },
  glass: { floorPa: 30, paste: CUTS, gel: null },
  piped: { floorPa: 100, paste: STANDS, gel: null },
  cut: { floorPa: 300, paste: CUTS, gel: CUTS },
  turnedOut: { floorPa: 1200, paste: CUTS, gel: STANDS },
  // Over or beside something else: it may run.
  over: { floorPa: 0, paste: CUTS, gel: null },
}
const SHAPED: readonly UseKind[] = ['piped', 'cut', 'turnedOut']
/**
 * Whether a use is judged by the height of its piece.
 * @example isShaped('glass') // false
 */
export const isShaped = (kind: UseKind): boolean => SHAPED.includes(kind)

const toStress = (tauStar: number, density: number) => tauStar / Math.min(1.7, 1100 / density)
/** What a use takes for a gel: only what is cut or turned out is asked for a modulus. */
const asGel = (kind: UseKind, elastic: Elastic) => (ASKS[kind].gel === null ? PASTE : elastic)
/** To stand untended, Pa. */
const standsNeed = (kind: UseKind, h: number, density: number, elastic: Elastic) => {
  const gel = asGel(kind, elastic)
  return needed(neededPa(h, density, STANDS), neededModulus(h, density, gel, STANDS), gel)
}
/** To survive the knife, the mould or the bag, Pa. */
const handledNeed = (kind: UseKind, h: number, density: number, elastic: Elastic) => {
  const { floorPa, paste, gel } = ASKS[kind]
  const pastePa = Math.max(toStress(floorPa, density), neededPa(h, density, paste))
  return gel === null ? pastePa : needed(pastePa, neededModulus(h, density, elastic, gel), elastic)
}

/**
 * The set a use asks for. Cut pieces must survive the knife cold (S = 4) and stand on the plate (S = 2); the rest must
 * lie in the bands that their words mean. What turns out or is cut and is an elastic gel is asked for its modulus
 * instead: gelatine trembles and stands where a paste of the same stress would sink. The upper edges are common
 * practice: more set is not better set.
 * @example targetOf(defaultUse('cut'), 1100).coldMinPa // 539.6
 */
export function targetOf(use: Use, density: number, elastic: Elastic = PASTE): Target {
  const { kind, pieceHeightM: h } = use
  const most = { spooned: 400, glass: 400, piped: 900, cut: 4000, turnedOut: 6000, over: 120 }[kind]
  const coldMaxPa = toStress(most, density)
  return isShaped(kind)
    ? {
        coldMinPa: handledNeed(kind, h, density, elastic),
        coldMaxPa,
        plateMinPa: standsNeed(kind, h, density, elastic),
      }
    : {
        coldMinPa: toStress(ASKS[kind].floorPa, density),
        coldMaxPa,
        plateMinPa: toStress(ASKS[kind].floorPa / 2, density),
      }
}

/** Tallest piece that would stand, and that survives being cut, turned out or piped, m; 0: none at any height. */
export interface Heights {
  standsM: number
  cutsM: number
}

/**
 * How high a set is good for, by the rule of `targetOf` turned round: a piece meets its use from the cold exactly where
 * it is no higher than `cutsM`, and on the plate where it is no higher than `standsM`. What both needs grow with is the
 * height, but for the band a use never goes below.
 * @example heightsOf('cut', 539.6, 1100).cutsM // 0.025
 */
export function heightsOf(kind: UseKind, tauPa: number, density: number, elastic: Elastic = PASTE): Heights {
  const standsM = tauPa / standsNeed(kind, 1, density, elastic)
  if (!isShaped(kind)) return { standsM, cutsM: standingHeight(tauPa, density, CUTS) }
  const { floorPa, paste, gel } = ASKS[kind]
  const share = gel === null ? 0 : elastic.share
  const pastePerM = neededPa(1, density, paste)
  const gelPerM = gel === null ? pastePerM : neededModulus(1, density, elastic, gel)
  const floor = toStress(floorPa, density)
  // Above the band's height need = pastePerM^(1−share)·gelPerM^share·h; below it only the gel's part falls with h.
  const above = tauPa / (pastePerM ** (1 - share) * gelPerM ** share)
  if (above * pastePerM >= floor) return { standsM, cutsM: above }
  return { standsM, cutsM: share > 0 ? (tauPa / floor ** (1 - share)) ** (1 / share) / gelPerM : 0 }
}

/**
 * Slump of a piece on a table as it is drawn and told: with the same allowance as "stands" (knocks, carrying), so that
 * a piece sags exactly when its stress falls below what standing needs; a gel sags as a paste so much stronger would.
 * @example tableSlump(300, 1100, 0.025) // 0
 */
export function tableSlump(
  tauPa: number, density: number, heightM: number, kind: UseKind = 'cut', elastic: Elastic = PASTE,
): number {
  const asPaste = neededPa(heightM, density, STANDS) / standsNeed(kind, heightM, density, elastic)
  return slumpShare((tauPa * asPaste) / STANDS, density, heightM)
}

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
