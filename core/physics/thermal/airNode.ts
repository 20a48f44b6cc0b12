/**
 * The air of an oven or a fridge as one node that its load warms or cools:
 *
 *   C·dT/dt = P − G·(T − T_room) − U·(T − T_load),   P held back at 0 and at the most the machine has
 *
 * An oven's elements follow the thermostat with a lag, so that a cold load pulls its air down for some minutes; a
 * fridge carries off heat in proportion to how far it is over its dial. Over a step everything but the air stays as it
 * is, and the air goes its exponential way: no load, however large, can make it swing. Sizes are from memory (L): what
 * matters is when they are overrun.
 */
import { type Parameters, STANDARD } from '../../base/parameters'

/** What stands in the air: U, W/K, of all its faces together, and the temperature it takes the air to, °C. */
export interface Load {
  wPerK: number
  tempC: number
}

/**
 * Several loads as one.
 * @example together([{ wPerK: 1, tempC: 60 }, { wPerK: 3, tempC: 20 }]) // { wPerK: 4, tempC: 30 }
 */
export function together(loads: readonly Load[]): Load {
  const wPerK = loads.reduce((sum, l) => sum + l.wPerK, 0)
  const tempC = wPerK > 0 ? loads.reduce((sum, l) => sum + l.wPerK * l.tempC, 0) / wPerK : loads[0]!.tempC
  return { wPerK, tempC }
}

/** On its way to rest at a rate, 1/s. */
const towards = (tempC: number, restC: number, rate: number, dt: number) =>
  restC + (tempC - restC) * Math.exp(-rate * dt)

/** An oven's air over a bake: temperature now, power of its elements. */
export interface OvenAirNode {
  tempC: number
  powerW: number
}

/** `doorJ` is what loading takes of an oven this much hotter than the room, K. */
const DOOR_AT_K = 160

/** Heat that keeps an empty oven where its dial is, W. */
const holdingW = (dialC: number, roomC: number, c: Parameters['oven']): number =>
  c.lossWPerK * Math.max(0, dialC - roomC)

/**
 * An oven just loaded: its door has taken the heat of some seconds.
 * @example loadedOven(180, 20).tempC // 168
 */
export const loadedOven = (dialC: number, roomC: number, c: Parameters['oven'] = STANDARD.oven): OvenAirNode => ({
  tempC: dialC - Math.max(0, (c.doorJ / c.capacityJPerK) * ((dialC - roomC) / DOOR_AT_K)),
  powerW: holdingW(dialC, roomC, c),
})

/**
 * An oven's air after a time.
 * @example ovenAfter(loadedOven(180, 20), { dialC: 180, roomC: 20 }, { wPerK: 10, tempC: 20 }, 60).tempC < 168 // true
 */
export function ovenAfter(
  node: OvenAirNode,
  { dialC, roomC }: { dialC: number, roomC: number },
  load: Load,
  dt: number,
  c: Parameters['oven'] = STANDARD.oven,
): OvenAirNode {
  const wantedW = holdingW(dialC, roomC, c) + c.gainWPerK * (dialC - node.tempC)
  const givenW = Math.min(c.powerW, Math.max(0, wantedW))
  const powerW = towards(node.powerW, givenW, 1 / c.elementS, dt)
  const wPerK = c.lossWPerK + load.wPerK
  const restC = (powerW + c.lossWPerK * roomC + load.wPerK * load.tempC) / wPerK
  return { tempC: towards(node.tempC, restC, wPerK / c.capacityJPerK, dt), powerW }
}

/** A cold place: its dial, °C; heat held by its air, shelves and walls, J/K; the most it carries off, W. */
export interface ColdStore {
  dialC: number
  heldJPerK: number
  mostW: number
}

/**
 * A cold place's air after a time: it carries off nothing under its dial, more with every kelvin over it, and no more
 * than it has from `fullPowerK` on.
 * @example coldAfter(4, { dialC: 4, heldJPerK: 20000, mostW: 90 }, { wPerK: 1, tempC: 60 }, 3600) // 5.80
 */
export function coldAfter(
  airC: number,
  { dialC, heldJPerK, mostW }: ColdStore,
  load: Load,
  dt: number,
  c: Parameters['cold'] = STANDARD.cold,
): number {
  const gainW = mostW / c.fullPowerK
  const fullC = dialC + c.fullPowerK
  // Most of the time it stays between its dial and full power.
  if (airC >= dialC && airC <= fullC && load.tempC >= dialC) {
    const wPerK = load.wPerK + gainW
    const restC = (load.wPerK * load.tempC + gainW * dialC) / wPerK
    if (restC <= fullC) return towards(airC, restC, wPerK / heldJPerK, dt)
  }
  let tempC = airC
  let leftS = dt
  // Three stretches at most: under the dial, over it, full on.
  for (let stretch = 0; stretch < 3 && leftS > 0; stretch++) {
    const warming = load.wPerK * (load.tempC - tempC)
    const full = tempC > fullC || (tempC === fullC && warming > mostW)
    const idle = tempC < dialC || (tempC === dialC && warming < 0)
    const pull = full || idle ? 0 : gainW
    const wPerK = Math.max(load.wPerK + pull, 1e-9)
    const restC = (load.wPerK * load.tempC + pull * dialC - (full ? mostW : 0)) / wPerK
    const rate = wPerK / heldJPerK
    const endC = towards(tempC, restC, rate, leftS)
    const edgeC = [dialC, fullC].find(e => e !== tempC && (tempC - e) * (endC - e) < 0)
    if (edgeC === undefined) return endC
    leftS += Math.log((edgeC - restC) / (tempC - restC)) / rate
    tempC = edgeC
  }
  return tempC
}
