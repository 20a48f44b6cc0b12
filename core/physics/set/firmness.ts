/**
 * Firmness as yield stress in Pa at serving temperature: what each mechanism carries.
 *
 *   τ = (egg + butter + hard plant fat + casein + cream fat + starch + gelatin + agar + gums)·(1 − φ_air)^1.5
 *     + whipped fat + white foam
 *
 * c_x: g per 100 g of aqueous phase (mass − fat); s = sugars/(sugars + water); φ: fat volume fraction ≤ .56;
 * filler f = (1 − φ_e/.68)^−1.9 with φ_e = φ·(.55 + .45·min(1, solids/.5)). Each equation stands beside its function.
 * Prefactors
 * were tuned by hand to what cooks expect: plausible, not measured (one σ of ln τ: .35; gelatin .25; agar .5).
 */
import { is, part } from '../../base/ingredients/ingredients'
import { HARD_FATS, type HardFat, type Ingredient, type Trait } from '../../base/ingredients/types'
import { PARAMETER_TABLE, type Parameters, STANDARD } from '../../base/parameters'
import { type Mix, sugarsG } from '../matter/mix'
import { solidFat, solidHardFat } from '../thermal/properties'
import { type Elastic, PASTE } from './bands'
import { type GumSet, gumsOf } from './gums'
import { starchCooked, starchMean, starchTemperature } from './starch'

export type SetParameters = Parameters['set']

export const MECHANISMS = [
  'eggPa',
  'butterPa',
  'hardFatPa',
  'caseinPa',
  'creamFatPa',
  'starchPa',
  'gelatinPa',
  'agarPa',
  'gumPa',
  'whipPa',
  'foamPa',
] as const
export type MechanismKey = (typeof MECHANISMS)[number]
/** Yield stress by mechanism, Pa. */
export type Mechanisms = Record<MechanismKey, number>

/** Above this fat volume fraction the emulsion inverts and the model ends. */
export const PHASE_INVERSION = 0.5
export interface Phases {
  /** Aqueous phase, g. */
  aqueousG: number
  /** Fat volume fraction without the air, ≤ .56. */
  phi: number
  /** Volume fractions of fat that came as butter, and as other milk fat. */
  phiButter: number
  phiCream: number
  /** Of plant fat that hardens, by its kind. */
  phiHard: Readonly<Record<HardFat, number>>
  /** Sugars / (sugars + water). */
  sugarShare: number
  /** Air volume fraction. */
  air: number
  /** Density from fat at 920, an aqueous phase at 1000·(1 + .44 s) and the air, kg/m³. */
  density: number
}

/** Plant fat of a kind that hardens, g. */
const hardFatG = (m: Mix, kind: HardFat) =>
  m.parts.reduce((sum, { row, massG }) =>
    sum + (row.hardFat === kind ? (massG * (part(row, 'fat') - part(row, 'milkFat'))) / 100 : 0), 0)

/**
 * Phases of a mix by volume. @param air volume fraction beaten in, 0–.95
 * @example phasesOf(m).density // 1118
 */
export function phasesOf(m: Mix, air = 0): Phases {
  const fat = m.grams.fat
  const aqueousG = m.massG - fat
  const sugar = sugarsG(m)
  const sugarShare = sugar / (sugar + m.grams.water)
  const fatVolume = fat / 920
  const aqueousVolume = aqueousG / (1000 * (1 + 0.44 * sugarShare))
  const total = fatVolume + aqueousVolume
  const phi = Math.min(fatVolume / total, 0.56)
  const share = (g: number) => (fat > 0 ? (phi * g) / fat : 0)
  return {
    aqueousG,
    phi,
    phiButter: share(m.butterFatG),
    phiCream: share(Math.max(0, m.grams.milkFat - m.butterFatG)),
    phiHard: Object.fromEntries(HARD_FATS.map(kind => [kind, share(hardFatG(m, kind))])) as Record<HardFat, number>,
    sugarShare,
    air,
    density: (m.massG / total) * (1 - air),
  }
}

export interface StarchHeat {
  peakTempC: number
  minutes: number
  /** The temperature that in one minute would have done as much, °C. */
  minuteC: number
  share: number
}

/** How the mix was made, as far as its set depends on it. */
export interface Making {
  /** Stirred while it set, or baked undisturbed. */
  stirred: boolean
  /** Heat treatment of the milk proteins, 0–1. */
  milkHeat: number
  /** Air volume fraction; what of it was whisked into condensed milk, whose acid gel holds it. */
  air: number
  whisked: number
  /** Mass fraction of milk fat in whipped state. */
  whippedFat: number
  /** The air is held by beaten whites. */
  whiteFoam: boolean
  /** Peaks of the starch, °C, and minutes at them, by the share of it that met each; the largest first. */
  starch: readonly StarchHeat[]
  /** What acid did while starch or agar was hot: minutes at 97 °C and pH 2.5. */
  acidDoseMin: number
  /** Yolk amylase that is alive and acts, 0–1. */
  amylase: number
  /** The hottest that what is heated got, °C. */
  peakC: number
  /** Gelatin grade, g Bloom. */
  bloom: number
  /** Set, then blended. */
  fluidGel: boolean
}

/** What stays the same while the piece sets: concentrations and the factors that time does not move. */
export interface Body {
  phases: Phases
  making: Making
  pH: number
  /** Egg protein, g per 100 g aqueous. */
  eggC: number
  /** Casein with heated whey, g per 100 g of water and a tenth of the sugar. */
  caseinC: number
  /** F·H of the casein: acid window times heat treatment. */
  caseinWindow: number
  /** 5·c_s³ with cooking, sugar, acid and amylase. */
  starchPa: number
  /** Share of the starch that has swollen, and of its strength that acid has left, 0–1. */
  starchCooked: number
  starchLeft: number
  /** g per 100 g of water and sugar. */
  starchC: number
  gelatinPa: number
  /** g per 100 g aqueous. */
  gelatinC: number
  agarPa: number
  /** Gums and pectins. */
  gums: GumSet
  /** Water that came with the egg, as shares of what dilutes casein and starch: set egg keeps it. */
  heldOfCasein: number
  heldOfStarch: number
  /** What its equations follow. */
  p: SetParameters
}

const massOf = (m: Mix, trait: Trait, counts: (row: Ingredient) => number | undefined = () => 1) =>
  m.parts.reduce((sum, p) => sum + (is(p.row, trait) ? p.massG * (counts(p.row) ?? 1) : 0), 0)

/** Water that an ingredient group brought, g. */
const waterOf = (m: Mix, group: string) =>
  m.parts.reduce((sum, x) => sum + (x.row.group === group ? (x.massG * part(x.row, 'water')) / 100 : 0), 0)
/** Egg's water counts as held up to this share of all water (what lies beyond is outside the model). */
const MOST_HELD = 0.8

/**
 * Acid window of casein: F = 1/[(1 + 10^(4(pH − 4.75)))·(1 + 10^(2(3.5 − pH)))] (fitted; upper edge near the
 * isoelectric point 4.6).
 * @example caseinWindow(4.2) // 0.9557
 */
export const caseinWindow = (pH: number, p: SetParameters = STANDARD.set): number =>
  1 /
  ((1 + 10 ** (p.caseinUpperSteep * (pH - p.caseinUpperPH))) *
    (1 + 10 ** (p.caseinLowerSteep * (p.caseinLowerPH - pH))))

/** Share of all the starch that has swollen. */
const swollen = (heats: readonly StarchHeat[], startC: number, p: Parameters['starch']) =>
  heats.reduce((sum, h) => sum + h.share * starchCooked(h.minuteC, startC, p), 0)

/** The unchanging side of a set. @param m the finished mix @param pH of the finished mix */
export function bodyOf(m: Mix, pH: number, making: Making, all: Parameters = STANDARD): Body {
  const p = all.set
  const phases = phasesOf(m, making.air)
  const { aqueousG, sugarShare: s } = phases
  const sugar = sugarsG(m)
  const h = making.milkHeat
  // Starch: 5·c_s³·g·(1 − (s − .1)₊)·exp(−.45·acid dose)·.1^amylase, c_s on water and sugar.
  const starchC = (100 * m.grams.starch) / (m.grams.water + sugar)
  const cooked =
    m.grams.starch > 0
      ? swollen(making.starch, starchTemperature(m, s, all.starch), all.starch)
      : 0
  const starchLeft = Math.exp(-p.starchAcidRate * making.acidDoseMin)
  const starchPa =
    p.starchPa *
    starchMean(m, row => row.starchKind?.strength ?? 1) *
    starchC ** p.starchExponent *
    cooked *
    (1 - Math.max(0, s - 0.1)) *
    starchLeft *
    p.amylaseLeft ** making.amylase
  // Gelatin, as its shear modulus: 1.085·Bloom·c²·(1 + .5 s)·(1 − .33·clip(4.2 − pH, 0, 2)), over .77 of maturation;
  // Bloom is defined at
  // 6.67 %, 10 °C, 17 h, where E = F(1 − ν²)/(2·a·d) gives G 9.7 kPa for 200 g; blended, a fifth is left.
  const gelatinC = (100 * massOf(m, 'gelatin')) / aqueousG
  const gelatinPa =
    ((p.gelatinPa * making.bloom * gelatinC ** 2) / p.gelatinMatured) *
    (1 + p.gelatinSugar * s) *
    (1 - p.gelatinAcid * Math.min(2, Math.max(0, p.gelatinAcidPH - pH))) *
    (making.fluidGel ? p.blendedGelatin : 1)
  // Agar: 1.2e4·(c − .15)²·exp(−.19·acid dose); blended gels keep 3 %.
  const agarC = (100 * massOf(m, 'agar', x => x.asAgar)) / aqueousG
  const agarPa =
    p.agarPa *
    Math.max(0, agarC - p.agarLeast) ** 2 *
    Math.exp(-p.agarAcidRate * making.acidDoseMin) *
    (making.fluidGel ? p.fluidGelLeft : 1)
  const diluting = { casein: m.grams.water + 0.1 * sugar, starch: m.grams.water + sugar }
  const heldG = Math.min(waterOf(m, 'egg'), MOST_HELD * m.grams.water)
  return {
    phases,
    making,
    pH,
    eggC: (100 * (m.grams.eggWhiteProtein + m.grams.yolkProtein)) / aqueousG,
    caseinC: (100 * (m.grams.casein + 0.5 * h * m.grams.whey)) / diluting.casein,
    caseinWindow: caseinWindow(pH, p) * (p.unheatedMilk + (1 - p.unheatedMilk) * h),
    starchPa,
    starchCooked: cooked,
    starchLeft,
    starchC,
    gelatinPa,
    gelatinC,
    agarPa,
    gums: gumsOf(m, { pH, sugarShare: s, peakC: making.peakC, blended: making.fluidGel }),
    heldOfCasein: heldG / diluting.casein,
    heldOfStarch: heldG / diluting.starch,
    p,
  }
}

/** What time and temperature have made of the set so far; every extent 0–1 (gelatin up to 1.2 in the cold). */
export interface SetState {
  tempC: number
  /** Extents of egg setting and over-setting. */
  a: number
  b: number
  /** Solid shares of butter's and cream's fat; how far a hard plant fat has crystallised, of what it can. */
  butter: number
  cream: number
  hard: number
  /** Acid casein gel, gelatin maturation, starch retrogradation, oven firming, agar. */
  casein: number
  gelatin: number
  starch: number
  oven: number
  agar: number
}

/** Falls by `perK` a degree above 5 °C, never under .3; the temperature is clamped at 0 °C. */
const softened = (tempC: number, perK: number) => Math.max(0.3, 1 - perK * (Math.max(tempC, 0) - 5))

/** Yield stress by mechanism, Pa. */
export function firmness(body: Body, s: SetState): Mechanisms {
  const { phases: ph, making, p } = body
  const milk = ph.phiButter + ph.phiCream
  const solids = milk > 0 ? (ph.phiButter * s.butter + ph.phiCream * s.cream) / milk : s.butter
  const filler = (1 - (ph.phi * (0.55 + 0.45 * Math.min(1, solids / 0.5))) / 0.68) ** -p.fillerExponent
  const matrix = (1 - ph.air) ** p.airExponent
  // Egg: 26·c_e^2.3·m·f·(1 − .012(T − 5))·(1 − λ·b^1.5), c_e = a·protein; m 1 baked undisturbed, .062 stirred.
  const loss = making.stirred ? p.oversetStirred : p.oversetBaked
  const eggPa =
    p.eggPa *
    (s.a * body.eggC) ** p.eggExponent *
    (making.stirred ? p.stirredShare : 1) *
    filler *
    softened(s.tempC, p.eggSoftens) *
    (1 - loss * s.b ** 1.5)
  // Butter: 4.0e4·(φ_butter·σ)³, power law after Narine & Marangoni (1999).
  const butterPa = p.butterPa * (ph.phiButter * s.butter) ** p.butterExponent
  // Cocoa butter and coconut fat by the same law: 4.0e4·Σ(φ·SFC)³.
  let hardFat = 0
  for (const kind of HARD_FATS)
    if (ph.phiHard[kind] > 0)
      hardFat += (ph.phiHard[kind] * solidHardFat(kind, Math.max(s.tempC, 0))) ** p.butterExponent
  const hardFatPa = p.hardFatPa * s.hard ** p.butterExponent * hardFat
  // Set egg neither dilutes milk nor starch: its own water stays in it.
  const undiluted = (held: number, n: number) => (1 - held * s.a) ** -n
  // Casein: 2.5·c_c^2.3·F·H·(1 + .6 W)·X·f·(1 − .018(T − 5)).
  const caseinPa =
    p.caseinPa *
    body.caseinC ** p.caseinExponent *
    undiluted(body.heldOfCasein, p.caseinExponent) *
    body.caseinWindow *
    (1 + p.caseinFirming * s.oven) *
    s.casein *
    filler *
    softened(s.tempC, p.caseinSoftens)
  // Cream fat bridged by acid casein: 8.0e3·(φ_cream·σ_c)³·F·H·X; none once whipped.
  const creamFatPa =
    making.whippedFat > 0 ? 0 : p.creamFatPa * (ph.phiCream * s.cream) ** 3 * body.caseinWindow * s.casein
  const starchPa =
    body.starchPa *
    undiluted(body.heldOfStarch, p.starchExponent) *
    filler *
    (p.starchFresh + (1 - p.starchFresh) * s.starch) *
    softened(s.tempC, p.starchSoftens)
  const gelatinPa = body.gelatinPa * s.gelatin * filler
  const agarPa = body.agarPa * s.agar
  // Whipped fat: 1500·w²·SFC/.56. White foam: ½(γ/R)(φ_air − .55)²₊ (after Princen's form for foams, from memory L).
  const whipPa = (p.whipPa * making.whippedFat ** 2 * solidFat(Math.max(s.tempC, 0))) / 0.56
  const foamPa = making.whiteFoam ? 0.5 * p.foamPa * Math.max(0, ph.air - p.foamPacked) ** 2 : 0
  return {
    eggPa: eggPa * matrix,
    butterPa: butterPa * matrix,
    hardFatPa: hardFatPa * matrix,
    caseinPa: caseinPa * matrix,
    creamFatPa: creamFatPa * matrix,
    starchPa: starchPa * matrix,
    gelatinPa: gelatinPa * matrix,
    agarPa: agarPa * matrix,
    gumPa: p.gumPa * body.gums.pa * (body.gums.elastic * s.agar + (1 - body.gums.elastic)) * matrix,
    whipPa,
    foamPa,
  }
}

/**
 * How elastic a set is: the share of gelatine and agar, and where they tear: gelatine at 1.2 times its modulus, agar,
 * which is brittle, at .3 (from memory L–M), gums as their rows have it. Egg, starch and milk gels stay judged by their
 * yield stress, on whose scale they were fitted.
 */
export function elasticOf(m: Mechanisms, gums: Pick<GumSet, 'elastic' | 'tearsAt'> = NO_GUM): Elastic {
  const gumPa = m.gumPa * gums.elastic
  const gel = m.gelatinPa + m.agarPa + gumPa
  const total = yieldStress(m)
  if (!(gel > 0)) return PASTE
  const tears = GELATIN_TEARS_AT * m.gelatinPa + AGAR_TEARS_AT * m.agarPa + gums.tearsAt * gumPa
  return { share: gel / total, tearsAt: tears / gel }
}
const NO_GUM = { elastic: 0, tearsAt: 1 }
const GELATIN_TEARS_AT = 1.2
const AGAR_TEARS_AT = 0.3

/** Sum of the mechanisms, Pa. */
export function yieldStress(m: Mechanisms): number {
  let sum = 0
  for (const key of MECHANISMS) sum += m[key]
  return sum
}

/** One σ of ln τ of a set: that of its mechanisms, weighted by what they carry. */
export function lnTauSigma(m: Mechanisms): number {
  const total = yieldStress(m)
  return total > 0
    ? MECHANISMS.reduce((sum, k) => sum + PARAMETER_TABLE.set[k].spread * m[k], 0) / total
    : PARAMETER_TABLE.set.eggPa.spread
}
