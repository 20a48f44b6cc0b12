/**
 * Judging: from what was computed to findings (code, severity, path, parameters) and the verdict, station by station.
 * No
 * numbers are made here but limits; every limit names its source where it is defined.
 */
import { fillingOf } from '../../formula/bench'
import type { Finding, VerdictCode } from '../assessment'
import { judgeBalance, judgeSetters } from './balance'
import { judgeChill } from './chill'
import type { Facts, Find } from './facts'
import { judgeHeat, judgeJoining } from './heat'
import { judgeServing, judgeSet, setFigures } from './serve'
import type { SetFigures } from './verdict'
import { judgeShape } from './shape'

/** Findings, verdict, use-by and days of keeping. */
export function judge(f: Facts): {
  findings: Finding[]
  verdict: { code: VerdictCode, leans: VerdictCode }
  useBy: string | null
  storageDays: number
  figures: SetFigures
} {
  const findings: Finding[] = []
  const find: Find = (code, severity, station, path, params = {}) =>
    findings.push({ code, severity, station, path, params })
  const path = `components.${f.doc.components.indexOf(fillingOf(f.doc))}.lines`
  judgeBalance(f, path, find)
  judgeSetters(f, path, find)
  judgeShape(f, find)
  judgeHeat(f, path, find)
  judgeJoining(f, find)
  judgeChill(f, find)
  const keeping = judgeServing(f, path, find)
  const figures = setFigures(f)
  const verdict = judgeSet(f, path, find, figures)
  return { findings, verdict, figures, ...keeping }
}
