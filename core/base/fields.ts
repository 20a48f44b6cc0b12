/**
 * Every number that can be entered: unit, limits, step, decimals. The core's checks, the wire's schemas, the published
 * JSON Schema and the fields of the interface all read this one table, so that none can refuse what another offers.
 * A path is that of the document with `*` for a place in a list; a tin or a pan of the kitchen has the same limits as
 * the one in a document. Limits are what the models and kitchens can mean (judgement), not what a cook should want.
 */
import { within } from './errors'

export interface Field {
  unit: string
  min: number
  max: number
  /** Step of the arrow keys and decimals shown, in the unit. */
  step: number
  decimals: number
}
const field = (unit: string, min: number, max: number, step = 1, decimals = 1): Field =>
  ({ unit, min, max, step, decimals })
const tempC = (min: number, max: number, step = 1) => field('°C', min, max, step)
const metres = (min: number, max: number, step = 0.001) => field('m', min, max, step, 4)
const seconds = (max: number, step = 60) => field('s', 0, max, step, 0)
const grams = (min: number, max: number, step = 5) => field('g', min, max, step)
const DAY_S = 24 * 3600

export const FIELDS = {
  'components.*.lines.*.massG': grams(0, 1e6),
  'components.*.lines.*.piece.eachG': grams(0.05, 20000),
  'components.*.make.ratio': field('', 0.1, 10, 0.1, 2),
  'components.*.make.restS': seconds(2 * DAY_S, 300),
  'components.*.make.bakedS': seconds(10 * 3600),
  'components.*.steps.*.lineTempC': tempC(-20, 125),
  'components.*.steps.*.mixTempC': tempC(0, 110),
  'components.*.steps.*.overrun': field('', 0, 10, 0.1, 2),
  'use.pieceHeightM': metres(0.002, 0.3),
  'use.pieceWidthM': metres(0.005, 0.5, 0.005),
  'use.tableTempC': tempC(0, 45),
  'use.tableTimeS': seconds(DAY_S, 300),
  'stock.fruit.*.count': field('', 0, 100000, 1, 0),
  'stock.fruit.*.weightG': grams(0, 1e6),
  'stock.fruit.*.measuredJuiceG': grams(0, 1e6),
  'stock.have.*.massG': grams(0, 1e6),
  'stock.covers.people': field('', 1, 5000, 1, 0),
  'stock.covers.each': field('', 0.1, 50, 0.5, 1),
  'stock.covers.count': field('', 1, 500, 1, 0),
  'stock.covers.massG': grams(1, 1e6, 50),
  'stock.covers.volumeM3': field('m³', 1e-6, 1, 1e-4, 6),
  'assembly.vessel.lengthM': metres(0.02, 1, 0.005),
  'assembly.vessel.widthM': metres(0.02, 1, 0.005),
  'assembly.vessel.heightM': metres(0.005, 0.4),
  'assembly.vessel.taper': field('', 0.2, 1, 0.01, 2),
  'assembly.vessel.heldM3': field('m³', 1e-6, 0.1, 5e-6, 6),
  'assembly.depth': metres(0.002, 0.3),
  'assembly.count': field('', 1, 500, 1, 0),
  'assembly.portions': field('', 1, 2000, 1, 0),
  'assembly.crustM': metres(0, 0.06, 0.0005),
  'assembly.toppingM': metres(0, 0.2, 0.005),
  'assembly.layers.*.thicknessM': metres(0, 0.2, 0.005),
  'assembly.insertM3': field('m³', 0, 0.05, 5e-6, 6),
  'assembly.tiltDeg': field('°', 0, 60, 5, 0),
  'losses.sieveFraction': field('', 0, 0.5, 0.01, 3),
  'losses.panG': grams(0, 5000),
  'heat.targetTempC': tempC(10, 105),
  'heat.holdS': seconds(3600, 30),
  'heat.startTempC': tempC(0, 100),
  'heat.burnerW': field('W', 50, 12000, 50, 0),
  'heat.pan.diameterM': metres(0.08, 0.8, 0.005),
  'heat.pan.heightM': metres(0.02, 0.6, 0.005),
  'heat.pan.tareG': grams(20, 20000),
  'heat.course.rampKPerMin': field('K/min', 0.1, 60, 0.5),
  'heat.course.peakTempC': tempC(0, 120),
  'heat.course.holdS': seconds(DAY_S),
  'heat.evaporationG': grams(0, 1e6),
  'heat.oven.airTempC': tempC(60, 300, 5),
  'heat.oven.offsetK': field('K', -40, 40),
  'heat.oven.timeS': seconds(6 * 3600),
  'heat.oven.steam': field('', 0, 1, 0.1, 2),
  'heat.oven.atOnce': field('', 1, 500, 1, 0),
  'heat.burstS': field('s', 5, 600, 5, 0),
  'heat.stirEveryS': field('s', 1, 3600, 10, 0),
  'heat.pouchM': metres(0.003, 0.12),
  'set.milkHeat': field('', 0, 1, 0.05, 2),
  'set.air': field('', 0, 0.95, 0.05, 2),
  'set.whippedFat': field('', 0, 0.6, 0.05, 2),
  'set.starch.peakTempC': tempC(0, 120),
  'set.starch.minutes': field('min', 0, 600),
  'set.whisked.seconds': seconds(3600, 30),
  'set.bloom': field('g Bloom', 30, 350, 10, 0),
  'chill.*.timeS': seconds(14 * DAY_S, 300),
  'chill.*.opensPerHour': field('', 0, 120, 1, 0),
  'chill.*.alongsideG': grams(0, 1e6, 100),
  'chill.*.place.airTempC': tempC(-40, 45, 0.5),
  'serve.claimDays': field('days', 1, 400, 1, 0),
  'serve.temperC': tempC(-2, 40),
  'serve.ownS.*': seconds(6 * 3600),
  'serve.coldTempC': tempC(-2, 60),
  'serve.chilledS': seconds(14 * DAY_S),
  'kitchen.ownJuiceG.*': grams(1, 2000),
  'kitchen.ownCanG.*': grams(10, 10_000),
  'kitchen.ownPowderG': grams(2, 50),
  'kitchen.altitudeM': field('m', -400, 5000, 50, 0),
  'kitchen.roomTempC': tempC(5, 45),
  'kitchen.burners.*.ratedW': field('W', 50, 12000, 50, 0),
  'label.fat': field('g', 0, 100, 0.5), 'label.carbs': field('g', 0, 100, 0.5), 'label.sugars': field('g', 0, 100, 0.5),
  'label.fibre': field('g', 0, 100, 0.5), 'label.protein': field('g', 0, 100, 0.5), 'label.salt': field('g', 0, 100, 0.1, 2),
  'label.acid': field('%', 0, 15, 0.1, 2), 'label.pH': field('pH', 1.5, 11, 0.1, 2), 'label.alcohol': field('%', 0, 96, 1),
  'label.density': field('g/ml', 0.05, 2.5, 0.01, 2), 'label.pack': field('g', 1, 50_000, 10),
  'label.set': field('Pa', 1, 5000, 5, 0), 'method.packG': grams(10, 20_000),
  'lot.massG': grams(0, 1e6),
  'lot.acidPercent': field('%', 0, 15, 0.1, 2),
  'lot.pH': field('pH', 0, 14, 0.05, 2),
  'lot.brix': field('°Bx', 0, 85, 0.1),
  'lot.fatPercent': field('%', 0, 85, 0.5),
  'method.sampleG': grams(0.05, 500, 0.1),
  'method.mlNaOH': field('ml', 0, 500, 0.1, 2),
  'method.molarity': field('mol/l', 0.001, 5, 0.01, 3),
  'method.endPH': field('pH', 6, 9.5, 0.1, 2),
  'method.pH': field('pH', 1.5, 6, 0.05, 2),
  'method.readingBrix': field('°Bx', 0, 85, 0.1),
  'method.knownAcidPercent': field('%', 0.1, 15, 0.1, 2),
  'method.knownWaterMl': field('ml', 0, 500),
  'method.waterMl': field('ml', 0, 500),
} as const satisfies Record<string, Field>
export type FieldPath = keyof typeof FIELDS

/**
 * The field of a path in a document: `chill.2.timeS` is one of `chill.*.timeS`. Undefined for what is no number.
 * @example fieldAt('chill.2.timeS').unit // 's'
 */
export const fieldAt = (path: string): Field | undefined =>
  (FIELDS as Record<string, Field>)[path.replace(/\.\d+(?=\.|$)/g, '.*')]

/**
 * Checks a number against its field. @param path in the document, with its places in lists
 * @throws {InputError} naming the path
 * @example checkField('chill.0.timeS', 3600) // 3600
 */
export function checkField(path: string, value: unknown): number {
  const f = fieldAt(path)!
  return within(value, path, f.min, f.max)
}
