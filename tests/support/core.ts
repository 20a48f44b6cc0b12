/** Formulas and a kitchen for tests. Figures are made up unless a test names their source. */
import { createFormula, defaultUse, line } from '../../core/formula/create'
import type { Bench } from '../../core/formula/bench'
import type { School } from '../../core/formula/document'
import type { Kitchen } from '../../core/kitchen/kitchen'
import type { UseKind } from '../../core/physics/set/bands'
import type { MixPart } from '../../core/physics/matter/mix'
import { plainVessel } from '../../core/physics/geometry/cavity'
import { familyOf } from '../../core/formula/families'
import { schoolOf } from '../../core/formula/schools'
import { findIngredient } from '../../core/base/ingredients/ingredients'

export const kitchen: Kitchen = {
  altitudeM: 0,
  roomTempC: 20,
  foodCode: 'us',
  business: true,
  eggGrade: 'usL',
  vessels: [],
  ovens: [],
  burners: [{ id: 'hob', name: 'Hob', kind: 'induction', ratedW: 2000 }],
  pans: [],
  lots: [],
  prices: {},
  places: [
    { id: 'fan', name: 'Fan fridge', kind: 'fanFridge', airTempC: 3 },
    { id: 'still', name: 'Still fridge', kind: 'domesticFridge', airTempC: 4 },
  ],
}

/** Ids that count up: the core asks its caller for them. */
export function counter(prefix = 'i') {
  let n = 0
  return () => `${prefix}${++n}`
}

export type Grams = Record<string, number>
export const YOLK_CURD: Grams = { yolk_sep: 170, sugar: 170, lemon: 170, butter82: 85 }
export const EGG_CURD: Grams = { egg: 240, sugar: 200, lemon: 200, butter82: 115 }

/** Parts of a mix from grams by ingredient. */
export const parts = (grams: Grams): MixPart[] =>
  Object.entries(grams).map(([id, massG]) => ({ row: findIngredient(id)!, massG, strength: { kind: 'typical' } }))

/** A document from grams; `edit` changes what the test is about. */
export function formula(
  grams: Grams = YOLK_CURD,
  edit: (d: Bench) => void = () => {},
  options: { school?: School, use?: UseKind } = {},
): Bench {
  const id = counter()
  const lines = Object.entries(grams).map(([ingredientId, massG]) => line(id(), ingredientId, massG))
  const doc = createFormula(
    {
      name: 'Test curd',
      school: options.school ?? 'yolkBath',
      use: defaultUse(options.use ?? 'spooned'),
      lines,
      startAt: '2026-11-28T09:00',
    },
    kitchen,
    id,
  )
  doc.heat.targetTempC = 80
  edit(doc)
  return doc
}

/** A tart of 20 mm that holds cold and sags on a warm table. */
export const saggingTart = (crustM = 0): Bench => formula(
  { yolk_sep: 170, sugar: 210, lemon: 210, butter82: 360 },
  (d) => {
    d.use = { kind: 'cut', pieceHeightM: 0.02, pieceWidthM: 0.06, tableTempC: 24, tableTimeS: 5400 }
    d.assembly.vessel = plainVessel('tartRing', 'metal', 0.22, 0.22, 0.035)
    d.assembly.crustM = crustM
  },
  { school: 'emulsified', use: 'cut' },
)

/** A formula in grams of every way of making. */
export const MADE: Record<School, Grams> = {
  yolkBath: { yolk_sep: 170, sugar: 170, lemon: 170, butter82: 85 },
  wholeEggTempered: { egg: 240, sugar: 200, lemon: 200, butter82: 115 },
  emulsified: { egg: 200, sugar: 220, lemon: 160, butter82: 300 },
  microwave: { egg: 240, sugar: 200, lemon: 200, butter82: 115 },
  gelatinBacked: { egg: 240, sugar: 200, lemon: 180, butter82: 150, gelatin: 5 },
  reduced: { cream36: 600, sugar: 150, lemon: 90 },
  boiled: { cream36: 600, sugar: 150, lemon: 80 },
  dissolved: { cream48: 600, sugar: 110, lemon: 75 },
  wine: { cream36: 600, sugar: 120, wine_late: 60, lemon: 60 },
  hotBase: { egg: 300, sugar: 380, lemon: 180, flour: 60 },
  cooledBase: { egg: 300, sugar: 380, lemon: 180, flour: 40 },
  lowOven: { condensed: 800, yolk_sep: 110, lime: 240 },
  steadyOven: { condensed: 800, yolk_sep: 110, lime: 240 },
  tartlets: { condensed: 400, yolk_sep: 55, lime: 120 },
  chillOnly: { condensed: 800, cream36: 100, lime: 240 },
  juiceAfter: { water: 330, sugar: 210, cornflour: 50, yolk_sep: 70, lemon: 120, butter82: 40 },
  boiledAgain: { water: 330, sugar: 210, cornflour: 50, yolk_sep: 110, lemon: 120, butter82: 40 },
  milkPudding: { milk: 700, sugar: 75, cornflour: 60, zest: 5 },
  coldSouffle: { egg: 120, sugar: 150, lemon: 110, gelatin: 6, cream36: 260, white_carton: 90 },
  foldedMousse: { egg: 120, sugar: 120, lemon: 110, gelatin: 4, cream36: 320 },
  setCream: { cream36: 400, milk: 150, sugar: 80, gelatin: 4.4, lemon: 30 },
  whippedAcid: { creme_fr: 150, lemon: 60, icing: 60, cream36: 320 },
  beatenWhites: { lemon: 60, icing: 80, cream36: 250, white: 90 },
  lightenedCurd: { yolk_sep: 90, sugar: 100, lemon: 100, butter82: 60, cream36: 200 },
  blendedGel: { water: 260, sugar: 110, agar: 5.2, yuzu: 160 },
  frozenInsert: { water: 160, sugar: 80, agar: 3, raspberry: 260 },
  boiledMeringue: { milk: 220, lemon: 120, sugar: 140, yolk_sep: 96, cornflour: 18, gelatin: 14, white: 110 },
  coulis: { raspberry_whole: 500, icing: 75, lemon: 30 },
  boundSauce: { orange: 500, sugar: 60, cornflour: 12.5 },
  roastedFruit: { peach: 1500, orange: 62, sugar: 51 },
  maceratedFruit: { strawberry: 500, sugar: 50, lemon: 15 },
  confitPeel: { zest: 100, sugar: 150, water: 150 },
  peelPowder: { zest: 100 },
  steepedSpirit: { spirit: 500, zest: 30, sugar: 100 },
}

/** A formula of a way of making, as its defaults have it. */
export function make(
  school: School,
  edit: (d: Bench) => void = () => {},
  grams = MADE[school],
  use: UseKind = familyOf(schoolOf(school).family).uses[0]!,
) {
  const id = counter()
  const doc = createFormula(
    { name: 'x', school, use: defaultUse(use), lines: Object.entries(grams).map(([i, g]) => line(id(), i, g)) },
    kitchen,
    id,
  )
  edit(doc)
  return doc
}
