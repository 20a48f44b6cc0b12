/** Formulas of the trade with what a cook expects of them (`core/checks/trade.json`), run as a kitchen would. */
import trade from '../../core/checks/trade.json'
import type { Bench } from '../../core/formula/bench'
import type { School } from '../../core/formula/document'
import type { Vessel } from '../../core/physics/geometry/cavity'
import type { BandId, UseKind } from '../../core/physics/set/bands'
import { assess, work } from '../../core/pipeline/assess'
import { sampleShares } from '../../core/solve/sampling'
import { kitchen, make, type Grams } from './core'

export interface TradeRow {
  name: string
  school: School
  use: UseKind
  massG: Grams
  heat?: { targetTempC: number, holdS: number }
  vessel?: Omit<Vessel, 'taper' | 'heldM3'>
  count?: number
  expect: {
    bands: BandId[]
    never?: string[]
    flags?: string[]
    minutes?: [number, number]
    safe?: boolean
    holds?: boolean
  }
}
export const TRADE = trade.rows as unknown as TradeRow[]
/** As full as a cook fills it. */
const FULL = 0.85

/** The row's formula, in as many vessels as it fills. */
export function tradeBench(row: TradeRow): Bench {
  const doc = make(row.school, (d) => {
    if (row.heat) Object.assign(d.heat, row.heat)
    if (row.vessel) d.assembly.vessel = { ...row.vessel, taper: 1, heldM3: null }
    if (row.vessel) d.assembly.count = row.count ?? 1
  }, row.massG, row.use)
  if (row.vessel || row.school === 'tartlets') return doc
  const one = assess({ ...doc, assembly: { ...doc.assembly, count: 1 } }, kitchen)
  return { ...doc, assembly: { ...doc.assembly, count: Math.max(1, Math.ceil(one.shape.fillShare / FULL)) } }
}

/** What a row is told, and where that is not what a cook expects. */
export function tradeResult(row: TradeRow) {
  const worked = work(tradeBench(row), kitchen)
  const { assessment: a } = worked
  const shares = sampleShares(worked)
  const codes: string[] = a.findings.map(f => f.code)
  const { bands, never = [], flags = [], minutes, safe, holds } = row.expect
  const wrong: string[] = []
  const band = (Object.entries(shares.cold) as [BandId, number][]).reduce((x, y) => (y[1] > x[1] ? y : x))[0]
  const inBand = bands.reduce((s, b) => s + shares.cold[b], 0)
  if (!bands.includes(band)) wrong.push(`band ${band} (${a.verdict.cold.tauStarPa.toFixed(0)} Pa)`)
  for (const code of never) if (codes.includes(code)) wrong.push(`says ${code}`)
  for (const code of flags) if (!codes.includes(code)) wrong.push(`does not say ${code}`)
  if (minutes && (a.heat.endS < 60 * minutes[0] || a.heat.endS > 60 * minutes[1]))
    wrong.push(`${(a.heat.endS / 60).toFixed(1)} min`)
  if (safe !== undefined && a.chill.safe !== safe) wrong.push(safe ? 'not safe' : 'called safe')
  if (holds && shares.holds < 0.5) wrong.push(`holds ${(100 * shares.holds).toFixed(0)} %`)
  return { wrong, inBand, shares, assessment: a }
}
