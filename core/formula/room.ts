/** Room under the rim that a filling wants. */
import type { Bench } from './bench'
import { familyOf } from './families'

/** Room that a filling which springs up in the oven wants under the rim, m: half an inch (common practice). */
export const SPRING_ROOM_M = 0.012
/**
 * Whisked egg on a base springs up in the oven; condensed-milk pies hardly do (common practice).
 * @example springs(doc) // false
 */
export const springs = (doc: Bench): boolean => familyOf(doc.family).springs && doc.heat.method === 'oven'
/** Headroom that keeps a carried tin from spilling, m (common practice). */
export const CARRY_ROOM_M = 0.003
/**
 * Headroom a filling wants, m.
 * @example roomWanted(doc) // 0.003
 */
export const roomWanted = (doc: Bench): number => springs(doc) ? SPRING_ROOM_M : CARRY_ROOM_M
