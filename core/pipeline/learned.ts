/**
 * A plan in a kitchen that has learned of itself: what is true of its ring, oven, fridges, probe and sets in place of
 * what is stated (`Kitchen.learned`, accepted by a cook). The plan stays as it is written; a probe that is known to err
 * is read as it errs, so the heat ends where the plan means it to.
 */
import { FIELDS } from '../base/fields'
import { type ParameterId, parameterRow, type Parameters } from '../base/parameters'
import type { Bench } from '../formula/bench'
import { placeOf } from '../formula/document'
import type { Kitchen, KitchenPlace } from '../kitchen/kitchen'
import { type Theta, thetaOf } from '../kitchen/spreads'
import { heatsInPan, meansBoil } from '../physics/heat/pot'
import { MECHANISMS } from '../physics/set/firmness'

/** Nothing is supposed beyond what can be entered, or what the model can be asked. */
export const inField = (field: keyof typeof FIELDS, value: number): number =>
  Math.min(FIELDS[field].max, Math.max(FIELDS[field].min, value))
const inRow = (id: ParameterId, value: number): number => {
  const { min, max } = parameterRow(id)
  return Math.min(max, Math.max(min, value))
}

/** The kinds of place whose convection is a parameter of its own. */
const CONVECTION = {
  domesticFridge: 'domesticH', fanFridge: 'fanH', walkIn: 'walkInH', blastChiller: 'blastH', freezer: 'freezerH',
} as const

/** Parameters as they are supposed: sets, steam, bath, convection. */
export function supposedParameters(p: Parameters, b: Bench, kitchen: Kitchen, t: Theta): Parameters {
  const set = Object.fromEntries(MECHANISMS.map(m =>
    [m, inRow(`set.${m}` as ParameterId, p.set[m] * thetaOf(t, 'setFactor', m.replace(/Pa$/, '')))]))
  const pot: Record<string, number> = {
    stillAirH: inRow('pot.stillAirH', p.pot.stillAirH * thetaOf(t, 'evaporationFactor', b.heat.pan?.panId ?? '')),
  }
  if (b.heat.method === 'waterBath') {
    const f = thetaOf(t, 'burnerFactor', b.heat.burnerId ?? '')
    pot.bathU = inRow('pot.bathU', p.pot.bathU * f)
    pot.bathPowerW = inRow('pot.bathPowerW', p.pot.bathPowerW * f)
  }
  const cold: Record<string, number> = {}
  for (const leg of b.chill) {
    const { kind } = placeOf(leg, kitchen)
    if (!(kind in CONVECTION)) continue
    const name = CONVECTION[kind as keyof typeof CONVECTION]
    cold[name] = inRow(`cold.${name}`, p.cold[name] * thetaOf(t, 'fridgeConvectionFactor', leg.placeId ?? ''))
  }
  return { ...p, set: { ...p.set, ...set }, pot: { ...p.pot, ...pot }, cold: { ...p.cold, ...cold } }
}

/** A place's air as it is supposed; bench and ice keep what they are. */
const supposedAir = <P extends Pick<KitchenPlace, 'kind' | 'airTempC'>>(p: P, id: string, t: Theta): P =>
  p.kind === 'bench' || p.kind === 'iceBath'
    ? p : { ...p, airTempC: inField('chill.*.place.airTempC', p.airTempC + thetaOf(t, 'fridgeAirOffsetK', id)) }

/** Ring, oven, losses and places of a bench as they are supposed; the heat's end stays the plan's. */
export function supposedBench(b: Bench, t: Theta): Bench {
  const { heat, losses } = b
  const burner = heat.method === 'waterBath' ? 1 : thetaOf(t, 'burnerFactor', heat.burnerId ?? '')
  const offsetK = heat.oven.offsetK + thetaOf(t, 'ovenOffsetK', heat.oven.ovenId ?? '')
  return {
    ...b,
    chill: b.chill.map(leg => (leg.placeId === null ? { ...leg, place: supposedAir(leg.place, '', t) } : leg)),
    losses: {
      sieveFraction: Math.min(0.9, losses.sieveFraction * thetaOf(t, 'lossFactor', 'sieve')),
      panG: losses.panG * thetaOf(t, 'lossFactor', 'pan'),
    },
    heat: {
      ...heat,
      burnerW: inField('heat.burnerW', heat.burnerW * burner),
      oven: { ...heat.oven, offsetK: inField('heat.oven.offsetK', offsetK) },
    },
  }
}
/** Fridges and ovens of a kitchen as they are supposed. */
export const supposedKitchen = ({ learned: _, ...kitchen }: Kitchen, t: Theta): Kitchen => ({
  ...kitchen,
  places: kitchen.places.map(p => supposedAir(p, p.id, t)),
  ovens: kitchen.ovens.map(o =>
    ({ ...o, offsetK: inField('heat.oven.offsetK', o.offsetK + thetaOf(t, 'ovenOffsetK', o.id)) })),
})
/**
 * Where a cook who goes by the probe really stops: a probe that shows too much stops it too early. Boils are seen.
 * @param shownC where the probe is to stand, °C
 */
export function stopsAtC({ heat }: Bench, kitchen: Pick<Kitchen, 'altitudeM'>, t: Theta, shownC: number): number {
  if (heatsInPan(heat.method) && meansBoil(heat.targetTempC, kitchen.altitudeM)) return heat.targetTempC
  return inField('heat.targetTempC', shownC - thetaOf(t, 'probeBiasK'))
}

/**
 * A plan as it will go in a kitchen that has learned of itself; as it is stated where nothing was learned.
 * @example inLearnedKitchen(doc, kitchen, STANDARD).bench === doc // true
 */
export function inLearnedKitchen(
  bench: Bench, kitchen: Kitchen, parameters: Parameters,
): { bench: Bench, kitchen: Kitchen, parameters: Parameters } {
  const t = kitchen.learned
  if (!t || Object.keys(t).length === 0) return { bench, kitchen, parameters }
  return {
    bench: supposedBench(bench, t),
    kitchen: supposedKitchen(kitchen, t),
    parameters: supposedParameters(parameters, bench, kitchen, t),
  }
}
