/** The demo: a botanical garden's glasshouse tea room. Everything here is invented. */
import type { DeviceKind } from '#core/book/record'
import type { DeviceCheck } from '../../shared/book'
import { type DaySheet, equipmentOf, STANDS_MIN } from '../../shared/day'
import { plainMake, withPart } from '#core/formula/parts'
import { createFormula, defaultUse, line } from '#core/formula/create'
import { withFinish } from '#core/formula/finish'
import { plainVessel } from '#core/physics/geometry/cavity'
import { type DessertKind, dessertOf, type MadeName } from '#core/plate/kinds'
import { type Kitchen, lotStrength, type KitchenBurner, type KitchenOven, type KitchenPan, type KitchenPlace, type KitchenVessel, type Lot } from '#core/kitchen/kitchen'
import { type Bench, benchOf, fillingOf, type Planned, putBack } from '#core/formula/bench'
import { withCopied } from '#core/formula/copied'
import { movedLevel, withComponent, withLaid, withWeight } from '#core/formula/layers'
import { stepsFor } from '#core/formula/steps'
import type { ComponentRole, PartKind, School } from '#core/formula/document'
import { EMPTY_LABEL, type Label, type LabelKind, ownId } from '#core/base/ingredients/label'
import type { Strength } from '#core/base/ingredients/types'
import type { UseKind } from '#core/physics/set/bands'
import { INCH_M } from '#core/base/units'
import type { Role } from '../../shared/door'
import { coreKitchen, type KitchenSettings } from '../../shared/kitchen'

/** Fixed ids, so that seeding twice writes once. */
/** An id of the demo: what kind of row, and which. */
export const uuid = (kind: number, n: number) => `0e1f0000-${kind.toString(16).padStart(4, '0')}-4000-8000-${n.toString(16).padStart(12, '0')}`
export const KITCHEN_ID = uuid(1, 1)
export const ACTOR_ID = uuid(2, 1)
/** Who works in the tea room. Nobody has a password: the demonstration signs its owner in, on its own machine only. */
const person = (n: number, name: string, login: string, role: Role, pin: string | null) =>
  ({ personId: uuid(20, n), membershipId: uuid(21, n), actorId: uuid(2, n), name, login, role, pin })
/** Of the PIN 1111, as the demonstration's cooks have it. */
const PIN_1111 = '$scrypt$n=16384,r=8,p=1$VmgrvbTbkVwPpN0Z6K8ilA$T/TvxYydngF/VL/kHyKMskw1ciVDlIL1VvYRAVaxoKIBgdVJK5MOCPvf0ClCW+WcaWfXNZWvJGqrj0Qrenmt8g'
export const DEMO_PEOPLE = [
  person(2, 'Isolde Marsh', 'isolde', 'owner', PIN_1111),
  person(3, 'Tamsin Oake', 'tamsin', 'chef', PIN_1111),
  person(4, 'Bram Alder', 'bram', 'cook', PIN_1111),
  person(5, 'Ottilie Fenn', 'ottilie', 'inspector', null),
]
export const DEMO_OWNER = DEMO_PEOPLE[0]!
/** What a very first start opens. */
export const FIRST_DEMO_ID = uuid(6, 1)

export const KITCHEN_NAME = 'Fernhollow glasshouse tea room'
/** What the tea room buys in, from the packages. */
const labelled = (name: string, kind: LabelKind, figures: Partial<Label>) => ownId({ ...EMPTY_LABEL, name, kind, ...figures })
const GERANIUM_SYRUP = labelled('Scented geranium syrup', 'sugar', { carbs: 64, sugars: 63, acid: 0.3, pH: 3.4, density: 1.31, pack: 700 })
const OAT_BISCUIT = labelled('Oat and ginger biscuit', 'biscuit', { fat: 19, carbs: 66, sugars: 27, fibre: 4.5, protein: 6, salt: 0.9, pack: 300, allergens: ['gluten', 'milk'] })
const JARRED_CURD = labelled('Lime curd in the jar', 'other', { fat: 8.5, carbs: 58, sugars: 55, protein: 1.6, salt: 0.15, acid: 1.4, pH: 2.9, density: 1.25, pack: 320, set: 75, allergens: ['egg', 'milk'] })
/** A curd of the tea room's own as it is put up, by the composition it was cooked from. */
const CURD_PACK = labelled('Lemon curd, by the cup', 'other', { fat: 21, carbs: 29, sugars: 29, protein: 4.1, salt: 0.5, acid: 1.6, pH: 3.3, density: 1.1, pack: 250, set: 62, allergens: ['egg', 'milk'] })
export const SETTINGS: KitchenSettings = { vocabulary: 'gb', temperatureUnit: 'C', cups: null, eggGrade: 'euL', altitudeM: 140, roomTempC: 21, foodCode: 'us', business: true, currency: '£', prices: { lemon: 3.4, lime: 4.2, bergamot: 6, yuzu: 18, calamansi: 12, lemon_sweet: 5, seville: 3, grapefruit: 2.4, keylime: 7, wine_late: 14, egg: 4.6, yolk_sep: 12, white: 3, sugar: 1.2, icing: 1.9, butter82: 8.4, cream48: 6.2, cream36: 5.4, creme_fr: 6.8, milk: 1.1, condensed: 5.5, cornflour: 2.6, flour: 0.9, gelatin: 38, agar: 60, honey: 9, [GERANIUM_SYRUP]: 11, [OAT_BISCUIT]: 7.5 }, ingredients: [GERANIUM_SYRUP, OAT_BISCUIT, JARRED_CURD, CURD_PACK] }

export const PLACES: KitchenPlace[] = [
  { id: uuid(3, 1), name: 'Upright fan fridge', kind: 'fanFridge', airTempC: 3 },
  { id: uuid(3, 2), name: 'Blast chiller (away on Fridays)', kind: 'blastChiller', airTempC: -2 },
  { id: uuid(3, 3), name: 'Under-counter fridge, still air', kind: 'domesticFridge', airTempC: 4.5 },
  { id: uuid(3, 4), name: 'Chest freezer', kind: 'freezer', airTempC: -18 },
]
const own = (n: number, name: string, ...size: Parameters<typeof plainVessel>): KitchenVessel => ({ id: uuid(4, n), name, ...plainVessel(...size) })
export const VESSELS: KitchenVessel[] = [
  own(1, 'Tea-room tart ring, 24 cm', 'tartRing', 'metal', 0.24, 0.24, 0.035),
  own(2, 'Scone-table tray', 'rectangle', 'metal', 0.26, 0.16, 0.065),
  own(3, 'Fern-etched glass', 'glass', 'glass', 0.065, 0.065, 0.075),
  own(4, 'Potting-shed tub', 'round', 'plastic', 0.2, 0.2, 0.16),
  own(5, 'Square traybake tin, 20 cm', 'rectangle', 'metal', 0.2, 0.2, 0.05),
  own(6, 'Pie tin, 23 cm', 'round', 'metal', 0.23, 0.23, 0.04),
  own(7, 'Fluted pudding mould', 'ramekin', 'metal', 0.07, 0.07, 0.05),
  own(8, 'Stoneware ramekin', 'ramekin', 'ceramic', 0.075, 0.075, 0.045),
  { ...own(9, 'Fern coupe, stemmed', 'stemmed', 'glass', 0.09, 0.09, 0.055), heldM3: 0.00022 },
  { ...own(10, 'Visitors’ 8 × 8 inch tin', 'rectangle', 'metal', 8 * INCH_M, 8 * INCH_M, 2 * INCH_M), taper: 0.96 },
]
export const OVENS: KitchenOven[] = [{ id: uuid(7, 1), name: 'Deck oven, lower deck', fan: false, offsetK: 6 }]
export const BURNERS: KitchenBurner[] = [
  { id: uuid(8, 1), name: 'Left induction ring', kind: 'induction', ratedW: 2000 },
  { id: uuid(8, 2), name: 'Right induction ring', kind: 'induction', ratedW: 3000 },
]
export const PANS: KitchenPan[] = [
  { id: uuid(9, 1), name: 'Everyday saucepan', diameterM: 0.18, heightM: 0.12, tareG: 1120 },
  { id: uuid(9, 2), name: 'Tall milk pan', diameterM: 0.16, heightM: 0.11, tareG: null },
  { id: uuid(9, 3), name: 'Big preserving pan', diameterM: 0.34, heightM: 0.18, tareG: 2350 },
]
const packed = (n: number, name: string, ingredientId: string, massG: number, packG: number, useBy: string): Lot => ({
  id: uuid(5, n), name, ingredientId, acidPercent: null, pH: null, brix: null, fatPercent: null, acidLnSigma: null,
  massG, method: { kind: 'packed', packG, frozen: true }, useBy,
})
export const LOTS: Lot[] = [
  { id: uuid(5, 1), name: 'Bergamot, east bench crate', ingredientId: 'bergamot', acidPercent: 4.6, pH: null, brix: null, fatPercent: null, acidLnSigma: 0.03, massG: 900, method: { kind: 'titration', sampleG: 2, mlNaOH: 14.4, molarity: 0.1, endPH: 8.2 }, useBy: null },
  { id: uuid(5, 2), name: 'Sweet lemon, vine house', ingredientId: 'lemon_sweet', acidPercent: 2.9, pH: null, brix: 8.4, fatPercent: null, acidLnSigma: 0.2, massG: 1400, method: { kind: 'taste', knownName: 'lemon juice from the crate', knownAcidPercent: 5.5, knownWaterMl: 9, waterMl: 0 }, useBy: null },
  { id: uuid(5, 3), name: 'Yuzu, frozen last winter', ingredientId: 'yuzu', acidPercent: 5.0, pH: null, brix: null, fatPercent: null, acidLnSigma: null, massG: 450, method: { kind: 'entered' }, useBy: null },
  packed(4, 'Lemon curd, in cups', CURD_PACK, 1500, 250, '2027-02-20'),
  packed(5, 'Lemon juice, winter crates', 'lemon', 2000, 500, '2027-02-10'),
  packed(6, 'Whites of the week', 'white', 480, 120, '2027-01-30'),
]
/** Instruments of the tea room, with how they did against known things so many days ago. */
type Checked = { daysAgo: number } & Omit<DeviceCheck, 'at'>
const checked = (against: DeviceCheck['against'], truth: number, rows: readonly [daysAgo: number, shown: number][]) =>
  rows.map(([daysAgo, shown]): Checked => ({ daysAgo, against, shown, truth }))
export const INSTRUMENTS: { id: string, kind: DeviceKind, name: string, checks: Checked[] }[] = [
  { id: uuid(11, 1), kind: 'probe', name: 'Probe at the hob', checks: [] },
  { id: uuid(11, 2), kind: 'scale', name: 'Bench scale', checks: checked('weight', 1000, [[20, 1001], [118, 1000]]) },
  {
    id: uuid(11, 3), kind: 'pHMeter', name: 'pH pen',
    checks: checked('buffer4', 4.01, [[9, 4.22], [40, 4.16], [71, 4.11], [102, 4.06], [133, 4.01]]),
  },
  { id: uuid(11, 4), kind: 'logger', name: 'Logger, fan fridge', checks: checked('ice', 0, [[62, 0.1]]) },
]
const lot = (n: number): Strength => {
  return lotStrength(LOTS[n]!)
}

type EntryLine = [id: string, g: number, text?: string, strength?: Strength]
interface Entry {
  crust?: [PartKind, string]
  topping?: [PartKind, string, number]
  name: string
  school: School
  use: UseKind
  startAt: string
  note: string
  lines: EntryLine[]
  change?: (doc: Bench) => void
  /** What is poured on it. */
  more?: { role: ComponentRole, name: string, school: School, lines: EntryLine[] }[]
}

const inVessel = (n: number) => {
  const { id, name: _, ...vessel } = VESSELS[n]!
  return { vesselId: id, vessel }
}

const ENTRIES: Entry[] = [
  {
    crust: ['blindShell', 'Sweet shell'], name: 'Bergamot tart for the palm court', school: 'emulsified', use: 'cut', startAt: '2026-11-28T08:30', note: 'Cuts like a dream in the kitchen. Under the glass roof it slumps by the second pot of tea.',
    lines: [['yolk_sep', 173, '9 yolks, EU large'], ['sugar', 245], ['bergamot', 265, '', lot(0)], ['butter82', 430], ['zest', 3]],
    change: (d) => {
      Object.assign(d.assembly, inVessel(0), { portions: 12, crustM: 0.004 })
      Object.assign(d.use, { pieceHeightM: 0.025, pieceWidthM: 0.06, tableTempC: 24, tableTimeS: 4500 })
      Object.assign(d.heat, { targetTempC: 81, holdS: 30 })
      d.chill[0]!.timeS = 10 * 60
      d.chill[1]!.timeS = 6 * 3600
    },
  },
  {
    name: 'Sweet lemon curd for the scones', school: 'yolkBath', use: 'spooned', startAt: '2026-11-28T10:00', note: 'Equal measures, then butter off the heat.',
    lines: [['yolk_sep', 192, '10 yolks, EU large'], ['sugar', 175], ['lemon_sweet', 190, '', lot(1)], ['citric', 3], ['butter82', 110], ['zest', 2]],
    change: (d) => {
      Object.assign(d.assembly, inVessel(1), { portions: 24 })
      Object.assign(d.heat, { targetTempC: 80, holdS: 30 })
      d.chill[1]!.timeS = 4 * 3600
    },
  },
  {
    name: 'Yuzu curd for piping, boiled hard', school: 'wholeEggTempered', use: 'piped', startAt: '2026-11-28T09:15', note: 'Left on the ring while the phone rang.',
    lines: [['egg', 122, '2 eggs, EU large'], ['yolk_sep', 154, '8 yolks, EU large'], ['sugar', 200], ['yuzu', 175, '', lot(2)], ['butter82', 130]],
    change: (d) => {
      Object.assign(d.assembly, inVessel(1), { portions: 40 })
      Object.assign(d.use, { pieceHeightM: 0.012, pieceWidthM: 0.025, tableTimeS: 2700 })
      Object.assign(d.heat, { targetTempC: 86, holdS: 60 })
      d.chill[1]!.timeS = 4 * 3600
    },
  },
  {
    name: 'Botanists’ supper curd, one deep tub', school: 'wholeEggTempered', use: 'spooned', startAt: '2026-11-28T07:00', note: 'For 64, all in the tub from the potting shed.',
    lines: [['egg', 1216, '20 eggs, EU large'], ['sugar', 1150], ['calamansi', 620], ['lemon', 280], ['butter82', 800]],
    change: (d) => {
      Object.assign(d.assembly, inVessel(3), { portions: 64 })
      Object.assign(d.heat, { targetTempC: 81, holdS: 30, burnerW: 1400 })
      d.chill[1]!.timeS = 10 * 3600
    },
  },
  {
    name: 'Bitter orange curd in glasses', school: 'wholeEggTempered', use: 'glass', startAt: '2026-11-28T09:40', note: '',
    lines: [['egg', 182, '3 eggs, EU large'], ['yolk_sep', 58, '3 yolks, EU large'], ['sugar', 150], ['seville', 190], ['lemon', 50], ['butter82', 120], ['zest', 1]],
    change: (d) => {
      Object.assign(d.assembly, inVessel(2), { count: 6, portions: 6 })
      Object.assign(d.use, { pieceHeightM: 0.035, pieceWidthM: 0.065, tableTimeS: 1800 })
      Object.assign(d.heat, { targetTempC: 81, holdS: 30 })
      d.chill[1]!.timeS = 4 * 3600
    },
  },
  {
    name: 'Calamansi posset, fern glasses', school: 'reduced', use: 'glass', startAt: '2026-11-28T20:00', note: 'Boiled back to the volume of the cream alone, weighed in the pan.',
    lines: [['cream48', 720], ['sugar', 130], ['calamansi', 92], ['zest', 2]],
    change: (d) => {
      Object.assign(d.assembly, inVessel(2), { count: 6, portions: 6 })
      const { id: panId, name: _, ...pan } = PANS[0]!
      Object.assign(d.heat, { pan: { panId, ...pan }, burnerId: BURNERS[0]!.id })
      Object.assign(d.use, { pieceHeightM: 0.04, pieceWidthM: 0.065, tableTimeS: 1800 })
    },
  },
  {
    name: 'Palm-house posset with late wine', school: 'wine', use: 'glass', startAt: '2026-11-28T18:00', note: 'Hoped the wine would set it. It does not.',
    lines: [['cream36', 600], ['sugar', 95], ['wine_late', 110], ['orange', 40]],
    change: (d) => {
      Object.assign(d.assembly, inVessel(2), { count: 6, portions: 6 })
      Object.assign(d.use, { pieceHeightM: 0.035, pieceWidthM: 0.065, tableTimeS: 1800 })
    },
  },
  {
    crust: ['shortbread', 'Shortbread base'], name: 'Yuzu bars for the conservatory', school: 'cooledBase', use: 'cut', startAt: '2026-11-28T08:00', note: 'On shortbread, cut four by four.',
    lines: [['egg', 243, '4 eggs, EU large'], ['sugar', 285], ['yuzu', 140, '', lot(2)], ['flour', 35], ['zest', 4]],
    change: (d) => {
      Object.assign(d.assembly, inVessel(4), { portions: 16, crustM: 0.006, crustForm: 'base' })
      Object.assign(d.use, { pieceHeightM: 0.012, pieceWidthM: 0.05, tableTimeS: 2 * 3600 })
      Object.assign(d.heat, { oven: { ...d.heat.oven, airTempC: 170, ovenId: OVENS[0]!.id, offsetK: OVENS[0]!.offsetK } })
    },
  },
  {
    crust: ['crumbBaked', 'Crumb crust'], name: 'Key lime pie, orchid room', school: 'lowOven', use: 'cut', startAt: '2026-11-28T08:15', note: 'Two tins of condensed milk, whisked light, baked slow.',
    lines: [['condensed', 794, '2 tins of 397 g'], ['yolk_sep', 115, '6 yolks, EU large'], ['keylime', 215], ['zest', 3]],
    change: (d) => {
      Object.assign(d.assembly, inVessel(5), { portions: 10, crustM: 0.006 })
      Object.assign(d.heat.oven, { ovenId: OVENS[0]!.id, offsetK: OVENS[0]!.offsetK })
      Object.assign(d.use, { pieceHeightM: 0.026, pieceWidthM: 0.06, tableTimeS: 3600 })
      d.set.whisked = { seconds: 180, byHand: false }
    },
  },
  {
    crust: ['blindShell', 'Sweet shell'], topping: ['meringueBoiled', 'Meringue', 0.03], name: 'Lemon filling for a meringue pie', school: 'juiceAfter', use: 'cut', startAt: '2026-11-28T09:00', note: 'Boiled with the yolks in; juice and butter off the heat.',
    lines: [['water', 330], ['sugar', 210], ['cornflour', 50], ['yolk_sep', 77, '4 yolks, EU large'], ['lemon', 120], ['butter82', 40], ['zest', 3]],
    change: (d) => {
      Object.assign(d.assembly, inVessel(5), { portions: 8, crustM: 0.006 })
      Object.assign(d.use, { pieceHeightM: 0.022, pieceWidthM: 0.06, tableTimeS: 3600 })
    },
  },
  {
    name: 'Orange-blossom milk pudding', school: 'milkPudding', use: 'turnedOut', startAt: '2026-11-28T09:30', note: 'Zest in the milk, moulded and turned out.',
    lines: [['milk', 700], ['sugar', 75], ['cornflour', 62], ['zest', 5]],
    change: (d) => {
      Object.assign(d.assembly, inVessel(6), { count: 5, portions: 5 })
      Object.assign(d.use, { pieceHeightM: 0.04, pieceWidthM: 0.07, tableTimeS: 2700 })
    },
  },
  {
    name: 'Bergamot mousse, whipped cream folded in', school: 'foldedMousse', use: 'glass', startAt: '2026-11-28T07:30', note: 'A small curd with leaf gelatine; cream folded in at 26 °C.',
    lines: [['egg', 122, '2 eggs, EU large'], ['sugar', 120], ['bergamot', 110, '', lot(0)], ['gelatin', 3, '1½ leaves, gold'], ['cream36', 320], ['zest', 2]],
    change: (d) => {
      Object.assign(d.assembly, inVessel(2), { count: 6, portions: 6 })
      Object.assign(d.use, { pieceHeightM: 0.045, pieceWidthM: 0.065, tableTimeS: 1800 })
      Object.assign(d.heat, { targetTempC: 82, holdS: 30 })
    },
  },
  {
    name: 'Grapefruit fool for the terrace', school: 'whippedAcid', use: 'glass', startAt: '2026-11-28T12:00', note: 'Nothing sets it but the whisk.',
    lines: [['creme_fr', 150], ['grapefruit', 60], ['lemon', 20], ['icing', 60], ['cream36', 320], ['zest', 2]],
    change: (d) => {
      Object.assign(d.assembly, inVessel(2), { count: 6, portions: 6 })
      Object.assign(d.use, { pieceHeightM: 0.04, pieceWidthM: 0.065, tableTimeS: 900 })
      d.chill[0]!.timeS = 2 * 3600
      // On each glass: three raspberries and two leaves of mint.
      let n = 0
      for (const as of ['berries', 'leaf'] as const) Object.assign(d, withFinish(d, as, () => `fool-${++n}`))
    },
  },
  {
    name: 'Yuzu gel dots', school: 'blendedGel', use: 'piped', startAt: '2026-11-28T09:20', note: 'Agar boiled in water and sugar, juice in after; set, then blended.',
    lines: [['water', 260], ['sugar', 110], ['agar', 5.2], ['yuzu', 160, '', lot(2)]],
    change: (d) => {
      Object.assign(d.assembly, inVessel(1), { portions: 60 })
      Object.assign(d.use, { pieceHeightM: 0.008, pieceWidthM: 0.012, tableTimeS: 3600 })
    },
  },
  {
    name: 'Sweet lemon light custard, moulded', school: 'boiledMeringue', use: 'turnedOut', startAt: '2026-11-28T07:00', note: 'Pastry cream with gelatine; boiled-sugar meringue of pasteurised whites folded in.',
    lines: [['milk', 220], ['lemon_sweet', 120, '', lot(1)], ['sugar', 130], ['yolk_sep', 96, '5 yolks, EU large'], ['cornflour', 18], ['gelatin', 14, '7 leaves, gold'], ['citric', 4], ['white_carton', 110], ['zest', 2]],
    change: (d) => {
      Object.assign(d.assembly, inVessel(6), { count: 6, portions: 6 })
      Object.assign(d.use, { pieceHeightM: 0.04, pieceWidthM: 0.07, tableTimeS: 1800 })
    },
  },
  {
    crust: ['blindShell', 'Sweet shell'], name: 'Lime tart, set with gelatine', school: 'gelatinBacked', use: 'cut', startAt: '2026-11-28T07:45', note: 'Half an hour in the freezer before it leaves the ring.',
    lines: [['egg', 243, '4 eggs, EU large'], ['sugar', 225], ['lime', 190], ['butter82', 190], ['gelatin', 5], ['zest', 3]],
    change: (d) => {
      Object.assign(d.assembly, inVessel(0), { portions: 12, crustM: 0.004 })
      Object.assign(d.use, { pieceHeightM: 0.02, pieceWidthM: 0.06, tableTimeS: 3600, tableTempC: 22 })
      Object.assign(d.heat, { targetTempC: 81, holdS: 40 })
      const [bench, fridge] = d.chill
      d.chill = [bench!, { ...fridge!, timeS: 4 * 3600 }, { id: `${fridge!.id}-f`, placeId: PLACES[3]!.id, place: { kind: 'freezer', airTempC: -18 }, timeS: 35 * 60, cover: 'film' }, { ...fridge!, id: `${fridge!.id}-t`, timeS: 2 * 3600 }]
    },
  },
  {
    name: 'Lemon curd under a lime cream', school: 'wholeEggTempered', use: 'glass', startAt: '2026-11-28T08:30', note: 'The curd first, cold, then the cream; a glass holds both.',
    lines: [['egg', 122, '2 eggs, EU large'], ['sugar', 110], ['lemon', 100], ['butter82', 60]],
    more: [{ role: 'cream', name: 'Lime cream', school: 'setCream', lines: [['cream36', 260], ['milk', 90], ['sugar', 55], ['gelatin', 2.2], ['lime', 25]] }],
    change: (d) => {
      Object.assign(d.assembly, inVessel(2), { count: 6, portions: 6 })
      Object.assign(d.use, { pieceHeightM: 0.04, pieceWidthM: 0.065, tableTimeS: 1800 })
      Object.assign(d.components[0]!, { name: 'Lemon curd' })
    },
  },
]

/** The tea room's kitchen as the core needs it. */
export const demoKitchen = () => coreKitchen({ settings: SETTINGS, places: PLACES, vessels: VESSELS, ovens: OVENS, burners: BURNERS, pans: PANS, lots: LOTS })

/** The demo's formulas with their fixed ids, in shelf order. */
export function demoFormulas(): { id: string, document: Planned }[] {
  const kitchen = demoKitchen()
  const single = ENTRIES.map((entry, index) => {
    let n = 0
    const id = () => `d${index + 1}-${++n}`
    const lines = entry.lines.map(([ingredientId, massG, text, strength]) => ({ ...line(id(), ingredientId, massG, text ?? ''), ...(strength ? { strength } : {}) }))
    const document = createFormula({ name: entry.name, school: entry.school, use: defaultUse(entry.use), lines, note: entry.note, startAt: entry.startAt }, kitchen, id)
    entry.change?.(document)
    const parts = ([['crust', entry.crust], ['topping', entry.topping]] as const).reduce((d, [role, part]) => part ? withPart(d, kitchen, role, plainMake(part[0]), id, part[1]) : d, document)
    const dessert = (entry.more ?? []).reduce((planned, m) => {
      const { planned: wider, id: own } = withComponent(planned, m, id)
      const bench = benchOf(wider, own)
      const more = m.lines.map(([ingredientId, massG, text]) => line(id(), ingredientId, massG, text ?? ''))
      const made = { ...fillingOf(bench), lines: more, steps: stepsFor(m.school, more, id) }
      return putBack({ ...bench, components: bench.components.map(c => (c.id === own ? made : c)) })
    }, putBack(parts))
    return { id: uuid(6, index + 1), document: dessert }
  })
  const whole = wholeDesserts(kitchen, single.length)
  const next = single.length + whole.length + 1
  const coulis = { id: uuid(6, next + 1), document: coulisOf(kitchen) }
  return [...single, ...whole, lightened(kitchen, next, coulis), coulis, ...wholeDesserts(kitchen, next + 1, ROLLED)]
}

/** Fruit on the shelf by itself. */
function coulisOf(kitchen: Kitchen): Planned {
  let n = 0
  const id = () => `c1-${++n}`
  const grams = { raspberry_whole: 500, icing: 75, lemon: 30 }
  const lines = Object.entries(grams).map(([ingredientId, massG]) => line(id(), ingredientId, massG))
  const note = 'Blended and pressed on Friday for the weekend; what is left by Monday is frozen for the sorbet.'
  return putBack(createFormula({
    name: 'Raspberry coulis', school: 'coulis', use: defaultUse('over'), lines, note, startAt: '2026-11-28T08:15',
  }, kitchen, id))
}

/** A lightened curd over coulis, a shard of tuile on it, a scoop of sorbet beside: what came to the tea room after its whole desserts. */
function lightened(
  kitchen: Kitchen, number: number, coulis: { id: string, document: Planned },
): { id: string, document: Planned } {
  let n = 0
  const id = () => `l1-${++n}`
  const grams = { yolk_sep: 77, egg: 61, sugar: 120, lime: 105, butter82: 60, cream36: 240, zest: 3 }
  const lines = Object.entries(grams).map(([ingredientId, massG]) => line(id(), ingredientId, massG))
  const note = 'The curd cold, the cream to soft peaks; raspberry under it, a shard of tuile at the last.'
  const bench = createFormula({
    name: 'Lime curd, lightened, over raspberry', school: 'lightenedCurd', use: defaultUse('glass'), lines, note,
    startAt: '2026-11-28T10:30',
  }, kitchen, id)
  Object.assign(bench.assembly, inVessel(2), { count: 6, portions: 6 })
  Object.assign(bench.use, { pieceHeightM: 0.045, pieceWidthM: 0.065, tableTimeS: 1200 })
  Object.assign(bench.components[0]!, { name: 'Lightened curd' })
  const componentId = coulis.document.formula.components[0]!.id
  const from = { formulaId: coulis.id, version: 1, componentId }
  const copied = withCopied(putBack(withFinish(bench, 'shard', id)), coulis.document, from, id)
  const weighed = withWeight(copied.planned, kitchen, copied.id!, 90)
  const low = movedLevel(weighed, copied.id!, -1)
  return { id: uuid(6, number), document: withLaid(low, kitchen, 'sorbet', 'Lemon sorbet', id).planned }
}

/** Whole desserts of the tea room: a kind, under its own name there. */
const WHOLE: readonly [kind: DessertKind, name: string, startAt: string][] = [
  ['mousseCake', 'Orchid-house mousse cake, passion heart', '2026-11-27T13:00'],
  ['trifle', 'Glasshouse trifle for the long table', '2026-11-27T16:00'],
  ['pavlova', 'Botanists’ pavlova', '2026-11-28T09:00'],
]
/** One tray of sponge, rolled. */
const ROLLED: typeof WHOLE = [['curdRoll', 'Lemon roll from one tray', '2026-11-28T08:00']]
const PART_NAMES: Partial<Record<PartKind, string>> = {
  spongeBase: 'Sponge', spongeLayer: 'Sponge', rollSheet: 'Sponge sheet', berryLayer: 'Raspberries', whippedLayer: 'Whipped cream',
  meringueDry: 'Dried meringue',
}
const MADE_NAMES: Record<MadeName, string> = {
  custard: 'Orange-blossom custard', insert: 'Passion heart', glaze: 'Lemon glaze', jelly: 'Lemon jelly',
}
const wholeDesserts = (kitchen: Kitchen, from: number, which = WHOLE): { id: string, document: Planned }[] =>
  which.map(([kind, name, startAt], i) => {
    let n = which === WHOLE ? 0 : 1000
    const names = { dessert: () => name, part: (k: PartKind) => PART_NAMES[k] ?? k, made: (m: MadeName) => MADE_NAMES[m] }
    const document = dessertOf(kind, kitchen, names, () => `w${i + 1}-${++n}`)
    document.occasion.startAt = startAt
    const main = document.formula.components.find(c => c.role === 'filling')!
    main.name = kind === 'mousseCake' ? 'Lemon mousse' : 'Lemon curd'
    return { id: uuid(6, from + i + 1), document }
  })

/** The tea room's Friday and Saturday: what is wanted by when, of the demo's formulas by their number. */
const WANTED: Record<'friday' | 'saturday', readonly [formula: number, count: number, serveAt: string][]> = {
  friday: [[2, 24, '14:30'], [8, 16, '15:00'], [6, 24, '19:00']],
  saturday: [[2, 36, '14:30'], [1, 12, '14:30'], [9, 16, '15:00'], [6, 64, '19:00']],
}
export const demoDay = (which: keyof typeof WANTED): DaySheet => ({
  hands: [{ name: 'Ines', from: '07:00', to: '16:00' }, { name: 'Tomas', from: '11:00', to: '21:00' }],
  equipment: equipmentOf({ ovens: OVENS, burners: BURNERS, places: PLACES })
    .map(e => ({ ...e, isOut: which === 'friday' && e.kind === 'blastChiller' })),
  desserts: WANTED[which].map(([n, count, serveAt]): DaySheet['desserts'][number] => ({
    id: `t${n}`, name: demoName(n), formulaId: uuid(6, n), count, serveAt, keepMinutes: STANDS_MIN, steps: null, fixed: {},
    done: [],
  })),
})
const demoName = (n: number) => ENTRIES[n - 1]!.name
