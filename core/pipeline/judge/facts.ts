/** What the judge looks at: the stages, and the few figures made from them. */
import type { Ingredient } from '../../base/ingredients/types'
import type { Bench } from '../../formula/bench'
import type { Kitchen } from '../../kitchen/kitchen'
import type { Mix } from '../../physics/matter/mix'
import type { Taste } from '../../physics/matter/taste'
import type { Weeping } from '../../physics/set/weeping'
import type { Assessment, Finding, FindingCode, Severity, Station } from '../assessment'
import type { Chilled } from '../chilled'
import type { Heated } from '../heated'
import type { Mixed } from '../mixed'
import type { Settled } from '../settled'

export interface Facts {
  doc: Bench
  kitchen: Kitchen
  mixed: Mixed
  heated: Heated
  chilled: Chilled
  settled: Settled
  heat: Assessment['heat']
  flavour: Taste
  dissolving: Assessment['balance']['dissolving']
  release: Assessment['shape']['release']
  load: Assessment['chill']['load']
  weeping: Weeping
}

/** Notes a finding. */
export type Find = (
  code: FindingCode,
  severity: Severity,
  station: Station,
  path: string,
  params?: Finding['params'],
) => void

/** Whether any line with grams satisfies a condition. */
export const holds = (m: Mix, test: (row: Ingredient) => boolean): boolean =>
  m.parts.some(p => p.massG > 0 && test(p.row))
