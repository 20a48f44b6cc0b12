/** A juice sharper or weaker than a line says: apart from the document, which knows no compositions. */
import type { Measured, Strength } from '../base/ingredients/types'
import type { Kitchen } from '../kitchen/kitchen'
import { acidPercentOf, toParts } from '../physics/matter/mix'
import { type Line, strengthOf } from './document'

/**
 * A juice's strength with so many times its acid; what else was measured of it stays.
 * @example sharpened(lines[2], kitchen, 0.5).kind // 'measured'
 */
export function sharpened(line: Line, kitchen: Kitchen, factor: number): Strength {
  const strength = strengthOf(line, kitchen)
  const [part] = toParts([line], () => strength)
  const { pH, brix, fatPercent } = strength.kind === 'typical' ? {} as Partial<Measured> : strength
  const known = Object.entries({ pH, brix, fatPercent }).filter(([, v]) => v !== undefined)
  return { kind: 'measured', acidPercent: acidPercentOf(part!) * factor, ...Object.fromEntries(known) }
}
