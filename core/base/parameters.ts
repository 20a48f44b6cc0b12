/**
 * Every constant the model can learn or doubt, as one table: value, spread, bounds, unit, source. Published constants
 * (Choi–Okos, pK, CRC) are not doubted and stay beside their equations; limits of judging stand in `pipeline/judge`.
 * The equations read a `Parameters` object of the same shape, so that sampling, calibration and diagnosis can move one
 * vector. docs/science.md prints this table; a test fails when the two differ.
 */
import { InputError } from './errors'

export interface ParameterRow {
  value: number
  /** One σ: of the value, or of its logarithm. */
  spread: number
  law: 'normal' | 'lnNormal'
  unit: string
  min: number
  max: number
  /** H: published and agreed; M: published or common, remembered; L: fitted or judgement. */
  confidence: 'H' | 'M' | 'L'
  what: string
  source: string
}

/** A row that scatters by a factor. */
const by = (
  value: number,
  spread: number,
  unit: string,
  confidence: ParameterRow['confidence'],
  what: string,
  source: string,
): ParameterRow => ({
  value, spread, law: 'lnNormal', unit, min: value / 5, max: value * 5, confidence, what, source,
})
/** A row that scatters by an amount. */
const about = (
  value: number,
  spread: number,
  unit: string,
  confidence: ParameterRow['confidence'],
  what: string,
  source: string,
): ParameterRow => ({
  value, spread, law: 'normal', unit, min: value - 6 * spread, max: value + 6 * spread, confidence, what, source,
})
const FITTED = 'fitted to what cooks expect'
const JUDGED = 'judgement'
const MEMORY = 'from memory'

export const PARAMETER_TABLE = {
  egg: {
    t60ShiftK: about(0, 1.8, 'K', 'M', 'all setting temperatures, higher', 'σ of T60 across published curves, from memory'),
    gapShiftK: about(0, 1.2, 'K', 'L', 'distance from setting to over-setting, wider', JUDGED),
    t0YolkC: about(71, 1, '°C', 'M', 'T0 of yolk alone', 'Vega & Mercadé-Prieto (2011), from memory'),
    t0EvenC: about(73, 1, '°C', 'L', 'T0 where white is .55 of the protein', FITTED),
    t0WhiteC: about(77, 1, '°C', 'M', 'T0 of white alone', 'Donovan (1977), from memory'),
    p0Yolk: by(16.5, 0.1, 'g/100 g', 'L', 'P0 of yolk alone', FITTED),
    p0Even: by(12.5, 0.1, 'g/100 g', 'L', 'P0 where white is .55 of the protein', FITTED),
    p0White: by(10.5, 0.1, 'g/100 g', 'L', 'P0 of white alone', FITTED),
    dilutionK: by(4.1, 0.2, 'K', 'L', 'T60 per ln of dilution', FITTED),
    sugarK: by(0.17, 0.15, 'K/%', 'M', 'T60 per % of sugar in water', 'Donovan (1977), Kulmyrzaev (2000), from memory'),
    milkJoins: by(0.5, 0.4, '', 'L', 'share of milk protein that joins the egg', 'practice: custard done at 80–83 °C, milk pie at 70–74'),
    acidK: by(1, 0.3, 'K/pH', 'L', 'T60 lowered per pH under 7', FITTED),
    gapK: by(5, 0.2, 'K', 'L', 'T60b over T60 of egg near neutral', 'practice: custard smooth at 83 °C, grainy at 86'),
    chargeGapK: by(3.5, 0.3, 'K', 'L', 'more where acid charges the egg', 'practice: curd smooth at 85 °C, grainy at 89'),
    chargePH: about(4.3, 0.15, 'pH', 'L', 'half of that', FITTED),
    chargeSteep: by(2, 0.3, '1/pH', 'L', 'its steepness', FITTED),
    starchGapK: by(24, 0.25, 'K', 'L', 'T60b raised by much starch', 'practice: egg boiled with starch, fitted'),
    starchGapPercent: by(2, 0.3, '%', 'L', 'starch at which most of that is reached', FITTED),
    isoDropK: by(8, 0.25, 'K', 'L', 'T60 lowered at the isoelectric point', 'practice: milk pie set at 70–74 °C, fitted'),
    isoPH: about(4.8, 0.15, 'pH', 'M', 'where egg proteins carry no charge', MEMORY),
    isoWidthPH: by(0.5, 0.3, 'pH', 'L', 'width of that dip', JUDGED),
    settingZK: by(5.5, 0.1, 'K', 'M', 'z of setting', 'Vega & Mercadé-Prieto (2011), from memory'),
    oversettingZK: by(3.2, 0.15, 'K', 'L', 'z of over-setting', FITTED),
    filmShare: by(0.03, 0.5, '', 'L', 'share of the mix that is film on the pan', JUDGED),
    undisturbedK: by(2, 0.5, 'K', 'L', 'more that an undisturbed gel bears', JUDGED),
  },
  set: {
    eggPa: by(26, 0.35, 'Pa', 'L', 'egg gel per (g/100 g)^n', FITTED),
    eggExponent: by(2.3, 0.1, '', 'M', 'n of egg', 'power law of protein gels, from memory'),
    stirredShare: by(0.062, 0.3, '', 'L', 'share of a baked gel that a stirred one keeps', FITTED),
    oversetStirred: by(0.7, 0.2, '', 'L', 'strength over-setting takes, stirred', JUDGED),
    oversetBaked: by(0.25, 0.4, '', 'L', 'strength over-setting takes, baked', JUDGED),
    eggSoftens: by(0.012, 0.3, '1/K', 'L', 'egg gel softer per K over 5 °C', FITTED),
    butterPa: by(4e4, 0.35, 'Pa', 'M', 'butter fat network', 'after Narine & Marangoni (1999)'),
    butterExponent: by(3, 0.1, '', 'M', 'its power', 'Narine & Marangoni (1999)'),
    hardFatPa: by(4e4, 0.5, 'Pa', 'L', 'network of cocoa butter or coconut fat', 'as butter, after Narine & Marangoni (1999)'),
    gumPa: by(1, 0.5, '', 'L', 'gums and pectins against their rows', 'common practice, from memory'),
    caseinPa: by(2.5, 0.35, 'Pa', 'L', 'acid milk gel per (g/100 g)^n', FITTED),
    caseinExponent: by(2.3, 0.1, '', 'M', 'n of casein', MEMORY),
    caseinFirming: by(0.6, 0.4, '', 'L', 'more from the oven', FITTED),
    caseinSoftens: by(0.018, 0.3, '1/K', 'L', 'milk gel softer per K over 5 °C', FITTED),
    caseinUpperPH: about(4.75, 0.1, 'pH', 'M', 'upper edge of its window', 'near the isoelectric point 4.6; fitted'),
    caseinUpperSteep: by(4, 0.3, '1/pH', 'L', 'steepness there', FITTED),
    caseinLowerPH: about(3.5, 0.1, 'pH', 'L', 'lower edge of its window', FITTED),
    caseinLowerSteep: by(2, 0.3, '1/pH', 'L', 'steepness there', FITTED),
    unheatedMilk: by(0.4, 0.3, '', 'L', 'share that milk never heated reaches', FITTED),
    creamFatPa: by(8e3, 0.35, 'Pa', 'L', 'cream fat bridged by acid casein', FITTED),
    starchPa: by(5, 0.35, 'Pa', 'L', 'starch gel per (g/100 g)^n', FITTED),
    starchExponent: by(3, 0.1, '', 'L', 'n of starch', FITTED),
    starchFresh: by(0.1, 0.5, '', 'L', 'share before it retrogrades', FITTED),
    starchSoftens: by(0.015, 0.3, '1/K', 'L', 'starch gel softer per K over 5 °C', FITTED),
    starchAcidRate: by(0.45, 0.4, '1/min', 'L', 'thinning by acid of pH 2.5 at 97 °C', 'fitted to ten minutes\' boil with juice'),
    amylaseLeft: by(0.1, 0.5, '', 'L', 'share that live amylase leaves in a day', JUDGED),
    gelatinPa: by(1.085, 0.25, 'Pa', 'M', 'gelatin per Bloom and c²', 'definition of Bloom, 6.67 %, 10 °C, 17 h'),
    gelatinMatured: by(0.77, 0.1, '', 'L', 'maturation at the Bloom test', FITTED),
    gelatinSugar: by(0.5, 0.4, '', 'L', 'more per share of sugar', FITTED),
    gelatinAcid: by(0.33, 0.3, '1/pH', 'L', 'less per pH under the next', FITTED),
    gelatinAcidPH: about(4.2, 0.2, 'pH', 'L', 'acid weakens it below', FITTED),
    blendedGelatin: by(0.2, 0.4, '', 'L', 'share of gelatin that blending leaves', 'a tenth to a third, from memory'),
    agarPa: by(1.2e4, 0.5, 'Pa', 'L', 'agar per (c − least)²', FITTED),
    agarLeast: by(0.15, 0.3, 'g/100 g', 'M', 'agar that gels nothing yet', MEMORY),
    agarAcidRate: by(0.19, 0.4, '1/min', 'L', 'agar lost to acid of pH 2.5 at 97 °C', '.06/min at pH 3, from memory'),
    fluidGelLeft: by(0.03, 0.5, '', 'L', 'share that blending leaves', FITTED),
    whipPa: by(1500, 0.35, 'Pa', 'L', 'whipped fat per w²', FITTED),
    foamPa: by(900, 0.35, 'Pa', 'L', 'γ/R of white foam: 45 mN/m over 50 µm', MEMORY),
    foamPacked: about(0.55, 0.03, '', 'L', 'air at which bubbles touch', MEMORY),
    fillerExponent: by(1.9, 0.15, '', 'M', 'fat as filler: (1 − φ/.68)^−n', MEMORY),
    airExponent: by(1.5, 0.15, '', 'M', 'air weakens the matrix: (1 − φ)^n', MEMORY),
  },
  curdling: {
    fatPerProtein: by(7, 0.2, '', 'L', 'cream fat to milk protein at which half curdle at 88 °C', 'practice: single cream, fitted'),
    fatWidth: by(0.35, 0.3, '', 'L', 'ln of it for one logit', FITTED),
    tempC: about(88, 3, '°C', 'L', 'temperature that is told at', FITTED),
    tempK: by(8, 0.3, 'K', 'L', 'hotter for one logit', FITTED),
    acidPercent: by(1, 0.2, '%', 'L', 'acid that cream takes at once', 'practice: a part of juice in four'),
    acidWidth: by(0.3, 0.3, '%', 'L', 'more acid for one logit', FITTED),
    sugarPercent: by(15, 0.2, '%', 'L', 'sugar that shields nothing yet', FITTED),
    sugarWidth: by(20, 0.4, '%', 'L', 'more sugar for one logit less', FITTED),
  },
  setting: {
    pace: by(1, Math.log(1.5), '', 'L', 'pace of everything that sets slowly', FITTED),
    butterMin: by(30, 0.3, 'min', 'L', 'time constant of butter fat at 5 °C', FITTED),
    hardFatMin: by(120, 0.5, 'min', 'L', 'hard plant fat sets at 5 °C', JUDGED),
    creamMin: by(35, 0.3, 'min', 'L', 'time constant of cream fat at 5 °C', FITTED),
    caseinMin: by(60, 0.3, 'min', 'L', 'time constant of milk gel at pH 4.2, 20 °C', FITTED),
    caseinPHSlope: by(0.8, 0.3, '1/pH', 'L', 'slower per pH above', FITTED),
    creamGelMin: by(25, 0.3, 'min', 'L', 'time constant of acid cream, cold, at pH 4.2', 'practice: a ramekin in 3 h'),
    creamGelPHSlope: by(1.5, 0.25, '1/pH', 'L', 'slower per pH above', 'practice: a wine cream twice as long'),
    creamGelC: about(13, 1.5, '°C', 'L', 'cream gains strength below', 'fat hardens; fitted'),
    creamGelK: by(2.5, 0.3, 'K', 'L', 'width of that', FITTED),
    gelatinFastMin: by(45, 0.3, 'min', 'L', 'fast part of gelatin', FITTED),
    gelatinSlowMin: by(360, 0.3, 'min', 'L', 'slow part of gelatin', FITTED),
    gelatinFastShare: by(0.6, 0.15, '', 'L', 'share of the fast part', FITTED),
    gelatinMeltsC: about(29, 1, '°C', 'M', 'gelatin is gone', MEMORY),
    gelatinSetsC: about(24, 1, '°C', 'M', 'gelatin grows below', MEMORY),
    starchMin: by(120, 0.4, 'min', 'L', 'time constant of starch at 5 °C', FITTED),
    ovenRefC: about(76, 2, '°C', 'L', 'oven firms a milk gel within a minute', FITTED),
    ovenZK: by(8, 0.2, 'K', 'L', 'z of that', FITTED),
    agarMin: by(10, 0.4, 'min', 'L', 'time constant of agar', FITTED),
    agarSetsC: about(35, 2, '°C', 'H', 'agar sets below', MEMORY),
  },
  starch: {
    cornC: about(68, 1.5, '°C', 'M', 'maize starch in water', MEMORY),
    wheatLowerK: by(7, 0.3, 'K', 'M', 'wheat starch, lower by', MEMORY),
    sugarK: by(8, 0.3, 'K', 'M', 'per share of sugar', 'DSC of sugared starch, from memory'),
    sugarSquareK: by(30, 0.3, 'K', 'M', 'per share squared', 'DSC of sugared starch, from memory'),
    swellK: about(14, 2, 'K', 'L', 'half swollen this far above', FITTED),
    widthK: by(2, 0.25, 'K', 'M', 'width of swelling', 'onset to end 10–12 K, from memory'),
    minutesK: by(5, 0.4, 'K', 'L', 'a tenfold time counts as', FITTED),
    amylaseDoseMin: by(1.5, 0.5, 'min at 80 °C', 'L', 'a tenth of the amylase is left after', 'practice: boil it'),
    amylaseZK: by(6, 0.2, 'K', 'M', 'z of amylase', MEMORY),
    amylasePH: about(4.5, 0.2, 'pH', 'L', 'amylase is half as active', MEMORY),
    amylaseSteep: by(3, 0.3, '1/pH', 'L', 'steepness there', JUDGED),
    acidZK: by(24, 0.15, 'K', 'M', 'z of starch and agar in hot acid', '110 kJ/mol, from memory'),
  },
  milk: {
    heatRate: by(0.059, 0.3, '1/min', 'M', 'heat treatment at 78 °C', 'fitted: 78 °C for 6 min is .3, a minute of boil all'),
    heatZK: by(12, 0.15, 'K', 'M', 'z of whey proteins', 'Dannenberg & Kessler (1988), from memory'),
    keptCream: by(0.85, 0.1, '', 'L', 'air that folding leaves whipped cream', JUDGED),
    keptWhites: by(0.6, 0.2, '', 'L', 'air that folding leaves beaten whites', JUDGED),
  },
  pot: {
    bathU: by(250, 0.2, 'W/(m²·K)', 'L', 'bowl over simmering water', FITTED),
    bathPowerW: by(700, 0.2, 'W', 'L', 'steam that a bath gives at most', FITTED),
    bowlArea: by(1.4, 0.1, '', 'M', 'heated over open surface of a bowl', 'a cap as deep as a third of its width'),
    wallH: by(450, 0.25, 'W/(m²·K)', 'M', 'film between wall and stirred mix', '300–600, from memory'),
    microwaveShare: by(0.72, 0.07, '', 'M', 'share of its rating that heats', '.65–.80, from memory'),
    stillAirH: by(3, 0.2, 'W/(m²·K)', 'M', 'free convection at 60 K', MEMORY),
    radiationH: by(5.5, 0.15, 'W/(m²·K)', 'M', 'radiation of the surface', MEMORY),
    sideLoss: by(0.5, 0.4, 'W/(m·K)', 'L', 'loss of the sides', JUDGED),
    leastInduction: by(0.4, 0.25, '', 'L', 'share of its power under which an induction hob pulses', MEMORY),
    pulseS: by(8, 0.3, 's', 'L', 'from pulse to pulse', MEMORY),
    microwaveM: by(0.015, 0.2, 'm', 'M', 'depth at which a microwave is down to 1/e', '10–20 mm in sweet mixes, from memory'),
    pouchU: by(250, 0.25, 'W/(m²·K)', 'M', 'stirred water to the face of a pouch', MEMORY),
  },
  oven: {
    stillH: by(8, 0.25, 'W/(m²·K)', 'M', 'convection without fan', MEMORY),
    fanH: by(20, 0.25, 'W/(m²·K)', 'M', 'convection with fan', MEMORY),
    wallH: by(20, 0.3, 'W/(m²·K)', 'M', 'to base and sides', MEMORY),
    fanWallH: by(30, 0.3, 'W/(m²·K)', 'M', 'to base and sides with fan', MEMORY),
    bathU: by(250, 0.3, 'W/(m²·K)', 'M', 'from a water bath', MEMORY),
    bathC: about(90, 2, '°C', 'L', 'water of a bath: it evaporates, never boils', JUDGED),
    skin: by(550, Math.log(1.6), 's/m', 'L', 'resistance of the drying skin', FITTED),
    emissivity: about(0.9, 0.03, '', 'M', 'of the surface', MEMORY),
    vapourPa: by(5000, 0.4, 'Pa', 'L', 'steam in the oven\'s air', JUDGED),
    wallShare: by(0.5, 0.3, '', 'L', 'share of the wall\'s heat that counts', JUDGED),
    powerW: by(2700, 0.2, 'W', 'M', 'elements of an oven full on', 'domestic ovens 2.5–3.5 kW, from memory'),
    lossWPerK: by(5, 0.25, 'W/K', 'M', 'through its walls and seals', 'some 800 W hold 180 °C, from memory'),
    capacityJPerK: by(10000, 0.3, 'J/K', 'L', 'air, walls and racks that follow it', '10–20 kJ/K, from memory'),
    gainWPerK: by(100, 0.4, 'W/K', 'L', 'more power for each kelvin under the dial', JUDGED),
    elementS: by(180, 0.3, 's', 'L', 'elements lag behind the thermostat', JUDGED),
    doorJ: by(120000, 0.5, 'J', 'L', 'loading with the door open, at 160 K over the room', JUDGED),
    trayKgM2: by(4.5, 0.3, 'kg/m²', 'M', 'a tray under small pieces', 'a tray of .8 kg, from memory'),
    shellRhoCp: by(1.3e6, 0.25, 'J/(m³·K)', 'L', 'heat that a crust holds', '700 kg/m³ at 1.9 kJ/(kg·K), from memory'),
  },
  cold: {
    domesticH: by(3.5, 0.3, 'W/(m²·K)', 'M', 'still air of a fridge at 20 K', MEMORY),
    fanH: by(12, 0.3, 'W/(m²·K)', 'M', 'reach-in with fan', MEMORY),
    walkInH: by(8, 0.3, 'W/(m²·K)', 'M', 'walk-in', MEMORY),
    blastH: by(30, 0.3, 'W/(m²·K)', 'M', 'blast chiller', MEMORY),
    freezerH: by(3.5, 0.3, 'W/(m²·K)', 'M', 'chest freezer', MEMORY),
    benchH: by(3.5, 0.3, 'W/(m²·K)', 'M', 'on the bench', MEMORY),
    shelfH: by(6, 0.3, 'W/(m²·K)', 'L', 'through a glass shelf', MEMORY),
    woodH: by(3.5, 0.3, 'W/(m²·K)', 'L', 'through a wooden board', MEMORY),
    radiationH: by(5, 0.15, 'W/(m²·K)', 'M', 'radiation near room temperature', MEMORY),
    iceH: by(50, 0.3, 'W/(m²·K)', 'L', 'ice bath, not stirred', MEMORY),
    iceStirredH: by(200, 0.3, 'W/(m²·K)', 'L', 'ice bath, stirred', MEMORY),
    lidR: by(1 / 6, 0.3, 'm²K/W', 'M', 'still air under a lid', MEMORY),
    filmR: by(0.005, 0.5, 'm²K/W', 'L', 'film that touches, over a trace of air', JUDGED),
    crustK: by(0.15, 0.3, 'W/(m·K)', 'M', 'baked short crust', MEMORY),
    fullPowerK: by(3, 0.4, 'K', 'L', 'a fridge runs full on this far over its dial', JUDGED),
    doorS: by(130, 0.5, 's', 'L', 'an opened door costs a fridge what it carries off in', JUDGED),
  },
  taste: {
    sourHalf: by(0.85, 0.2, '%', 'L', 'acid at half the scale', JUDGED),
    sourExponent: by(1.2, 0.15, '', 'L', 'its steepness', JUDGED),
    sourPHSlope: by(0.25, 0.3, '1/pH', 'L', 'sourer per pH', JUDGED),
    sugarMasks: by(90, 0.3, '%', 'L', 'sugar that halves sourness', JUDGED),
    fatMasks: by(80, 0.3, '%', 'L', 'fat that halves sourness', JUDGED),
    sweetHalf: by(18, 0.2, '%', 'L', 'sugar at half the scale', JUDGED),
    sweetExponent: by(1.5, 0.15, '', 'L', 'its steepness', JUDGED),
    acidMasks: by(3, 0.3, '%', 'L', 'acid that halves sweetness', JUDGED),
    fatDulls: by(150, 0.3, '%', 'L', 'fat that halves sweetness', JUDGED),
  },
  weeping: {
    undercooked: by(6, 0.4, 'points', 'L', 'starch not swollen', JUDGED),
    amylase: by(6, 0.4, 'points', 'L', 'amylase alive', JUDGED),
    frozenStarch: by(5, 0.4, 'points', 'L', 'starch frozen', JUDGED),
    frozenEgg: by(2, 0.4, 'points', 'L', 'baked egg frozen', JUDGED),
    overcooked: by(8, 0.4, 'points', 'L', 'egg over-set', JUDGED),
    acid: by(8, 0.4, 'points/pH', 'L', 'milk gel outside its window', JUDGED),
    agar: by(3, 0.4, 'points', 'L', 'agar carries it', JUDGED),
    agarSet: by(1, 0.4, 'points', 'L', 'agar not blended', JUDGED),
    fatHolds: by(0.5, 0.3, '', 'L', 'held back by fat', JUDGED),
    sugarHolds: by(0.3, 0.3, '', 'L', 'held back by sugar', JUDGED),
    gelatinHolds: by(0.6, 0.3, '', 'L', 'held back by gelatin', JUDGED),
  },
} as const satisfies Record<string, Record<string, ParameterRow>>

type Table = typeof PARAMETER_TABLE
/** A value for every row, by group. */
export type Parameters = { readonly [G in keyof Table]: { readonly [K in keyof Table[G]]: number } }
/** `group.name` of a row. */
export type ParameterId = { [G in keyof Table]: `${G & string}.${keyof Table[G] & string}` }[keyof Table]

const entries = Object.entries(PARAMETER_TABLE as Record<string, Record<string, ParameterRow>>)
/** Ids in the order of the table: the order of a vector. */
export const PARAMETER_IDS = entries.flatMap(([group, rows]) =>
  Object.keys(rows).map(name => `${group}.${name}` as ParameterId))

/** The row of an id. @example parameterRow('egg.settingZK').value // 5.5 */
export const parameterRow = (id: ParameterId): ParameterRow => {
  const [group, name] = id.split('.') as [string, string]
  return (PARAMETER_TABLE as Record<string, Record<string, ParameterRow>>)[group]![name]!
}

/**
 * The table's values with some of them replaced.
 * @throws {InputError} naming the id, for one that is unknown, no number or outside its bounds
 * @example parametersWith({ 'egg.settingZK': 5.8 }).egg.settingZK // 5.8
 */
export function parametersWith(changes: Partial<Record<ParameterId, number>>): Parameters {
  for (const [id, value] of Object.entries(changes)) {
    if (!PARAMETER_IDS.includes(id as ParameterId)) throw new InputError('unknownValue', `parameters.${id}`)
    const { min, max } = parameterRow(id as ParameterId)
    if (!Number.isFinite(value)) throw new InputError('notANumber', `parameters.${id}`)
    if (value < min) throw new InputError('tooSmall', `parameters.${id}`, { min })
    if (value > max) throw new InputError('tooLarge', `parameters.${id}`, { max })
  }
  return Object.fromEntries(entries.map(([group, rows]) => [
    group,
    Object.fromEntries(Object.entries(rows).map(([name, row]) => [
      name, changes[`${group}.${name}` as ParameterId] ?? row.value,
    ])),
  ])) as unknown as Parameters
}

/** The table's own values. */
export const STANDARD: Parameters = parametersWith({})

/** One σ up (or down, or a part of it) from a value, as its law has it. @example stepped('set.eggPa', 26, 1) // 36.9 */
export function stepped(id: ParameterId, value: number, sigmas: number): number {
  const { law, spread } = parameterRow(id)
  return law === 'normal' ? value + sigmas * spread : value * Math.exp(sigmas * spread)
}

/**
 * A short name for a set of parameters, the same for the same values (FNV-1a, 32 bits, over their JSON): what was
 * worked
 * out with other values is out of date even where the engine is the same.
 * @example setName(STANDARD) === setName(parametersWith({})) // true
 */
export function setName(p: Parameters): string {
  let hash = 0x811c9dc5
  for (const c of JSON.stringify(p)) hash = Math.imul(hash ^ c.charCodeAt(0), 0x01000193) >>> 0
  return hash.toString(36)
}
