/**
 * What binds: with so much of each, how much can be made, what stops it, what is left over, and what it would take to
 * use all of one thing. Eggs and cans that must be whole stay whole.
 */
import type { EggGrade } from '../base/ingredients/measures'
import { type Bench, fillingOf } from '../formula/bench'
import type { Line, Piece } from '../formula/document'
import { scaleFormula, withMasses } from '../formula/edits'
import { countEggs, type EggCount, shellsFor } from '../formula/eggs'

export interface BindLine {
  lineId: string
  needG: number
  /** At hand, g; null: without limit. */
  haveG: number | null
  /** May not be exceeded even where there is more: the formula's pinned maximum. */
  pinned: boolean
  piece: Piece | null
}

export interface Bound {
  lineId: string
  /** In the batch, g, and in pieces where it is counted. */
  useG: number
  pieces: number | null
  /** By how much whole pieces bend the formula here, as a share of what it asks. */
  bend: number
  leftG: number | null
  /** Alone, this would allow so many batches; null: without limit. */
  allows: number | null
}

export interface Binding {
  /** Batches of the formula; 0 when nothing can be made. Null when nothing limits it. */
  factor: number | null
  /** Lines that stop it. */
  limits: string[]
  /** Whole pieces stop it short of the limit: this line's. */
  wholeOf: string | null
  lines: Bound[]
}

/**
 * Lines of a formula as they bind. A pinned line may not grow: what it has is what the formula asks.
 * @example bindLines(lines, [{ lineId: lines[0].id, massG: 85 }])[0].haveG // 85
 */
export const bindLines = (lines: readonly Line[], have: readonly { lineId: string, massG: number }[]): BindLine[] =>
  lines
    .filter(l => l.massG > 0)
    .map((l) => {
      const stated = have.find(h => h.lineId === l.id)?.massG ?? null
      return {
        lineId: l.id,
        needG: l.massG,
        haveG: l.pinned ? Math.min(stated ?? Infinity, l.massG) : stated,
        pinned: l.pinned ?? false,
        piece: l.piece ?? null,
      }
    })

/** A shortage under this share of a line makes no smaller batch and cracks no other egg. */
const SHORT = 0.01
const near = (x: number) => (Math.abs(x - Math.round(x)) < 1e-6 ? Math.round(x) : x)
/** Whole pieces may bend another line by this much; beyond it the batch is made smaller. */
const BEND = 0.1

/**
 * Solves for the largest batch.
 * @example binding(bindLines(lines, [{ lineId: lines[0].id, massG: 85 }])).factor // 0.5
 */
export function binding(lines: readonly BindLine[]): Binding {
  const allows = (l: BindLine) => (l.haveG === null ? null : l.haveG / l.needG)
  const limited = lines.filter(l => l.haveG !== null)
  if (limited.length === 0)
    return { factor: null, limits: [], wholeOf: null, lines: lines.map(l => bound(l, 1, null)) }
  const most = Math.min(...limited.map(l => allows(l)!))
  const limits = limited.filter(l => allows(l)! <= most * (1 + 1e-9)).map(l => l.lineId)
  // The coarsest whole piece sets the steps; the others are rounded to it.
  const counted = lines.filter(l => l.piece).sort((a, b) => b.piece!.eachG / b.needG - a.piece!.eachG / a.needG)
  const coarsest = counted[0]
  if (!coarsest) return { factor: most, limits, wholeOf: null, lines: lines.map(l => bound(l, most, null)) }
  const step = coarsest.piece!.eachG / coarsest.needG
  for (let n = Math.floor(near((most * (1 + SHORT)) / step)); n >= 0; n--) {
    const factor = n * step
    const bent = lines.map(l => bound(l, factor, l.piece))
    const fits = bent.every((b, i) => lines[i]!.haveG === null || b.useG <= lines[i]!.haveG! * (1 + SHORT) + 1e-9)
    if (n === 0 || (fits && bent.every(b => Math.abs(b.bend) <= BEND)))
      return { factor, limits, wholeOf: factor < most * (1 - SHORT) ? coarsest.lineId : null, lines: bent }
  }
  return { factor: 0, limits, wholeOf: coarsest.lineId, lines: lines.map(l => bound(l, 0, l.piece)) }
}

function bound(l: BindLine, factor: number, piece: Piece | null): Bound {
  const asked = factor * l.needG
  const pieces = piece ? Math.round(near(asked / piece.eachG)) : null
  const useG = piece ? pieces! * piece.eachG : asked
  return {
    lineId: l.lineId,
    useG,
    pieces,
    bend: asked > 0 ? useG / asked - 1 : 0,
    leftG: l.haveG === null || !Number.isFinite(l.haveG) ? null : Math.max(0, l.haveG - useG),
    allows: l.haveG === null ? null : l.haveG / l.needG,
  }
}

/** What using all of one line would take: the factor, and how much more of each other line than there is. */
export function toUseAll(
  lines: readonly BindLine[],
  lineId: string,
): { factor: number, more: { lineId: string, massG: number, pieces: number | null }[] } | null {
  const line = lines.find(l => l.lineId === lineId)
  if (!line || line.haveG === null || !Number.isFinite(line.haveG)) return null
  const factor = line.haveG / line.needG
  const more = lines
    .filter(l => l.lineId !== lineId && l.haveG !== null && factor * l.needG > l.haveG * (1 + SHORT))
    .map(l => ({
      lineId: l.lineId,
      massG: factor * l.needG - l.haveG!,
      pieces: l.piece ? shellsFor((factor * l.needG - l.haveG!) / l.piece.eachG) : null,
    }))
  return { factor, more }
}

/**
 * The formula at the factor that uses all of one line, whole pieces at their counts, and the shells it takes in all.
 * @example useAllOf(doc, bindLines(lines, [{ lineId: lines[0].id, massG: 340 }]), lines[0].id, 'usL').eggs.eggs // 20
 */
export function useAllOf(
  doc: Bench, lines: readonly BindLine[], lineId: string, grade: EggGrade,
): { doc: Bench, eggs: EggCount } | null {
  const all = toUseAll(lines, lineId)
  if (!all) return null
  const whole = lines.flatMap(l => l.piece
    ? [[l.lineId, Math.max(1, Math.round((all.factor * l.needG) / l.piece.eachG)) * l.piece.eachG] as const]
    : [])
  const next = withMasses(scaleFormula(doc, all.factor), new Map(whole))
  return { doc: next, eggs: countEggs(fillingOf(next).lines, grade) }
}

/** The formula scaled to what can be made, whole pieces at their counts. */
export const scaleToBinding = (doc: Bench, b: Binding): Bench =>
  withMasses(
    scaleFormula(doc, b.factor ?? 1),
    new Map(b.lines.filter(l => l.pieces !== null).map(l => [l.lineId, Math.round(l.useG * 10) / 10])),
  )
