/** What a set does, in millimetres and a cook's words: how high it cuts and stands, or how far a ring of it sinks. */
import type { Solid } from '#core/formula/fruit'
import { isShaped, type UseKind } from '#core/physics/set/bands'
import { RING_M, slumpReading } from '#core/physics/set/kitchenTests'
import type { Assessment } from '#core/pipeline/assessment'
import { type PieceFigures, type PieceState, standsAt } from '#core/pipeline/summary'
import { group, say } from './say'

type Format = ReturnType<typeof useFormat>
/** Heights above this are told as "over": nobody cuts so high. */
const HIGH_M = 0.2
/** What loses more of its height than this runs. */
const RUNS = 0.75
/** What neither stands nor runs. */
const SOLID_NAMES = group<Record<Solid, string>>('stands.SOLIDS')
const height = (m: number, fmt: Format) =>
  m > HIGH_M ? say('stands.over', { high: fmt.mm(HIGH_M) }) : fmt.mm(m)

/** "cuts to 29 mm", "turns out to 48 mm", "a 50 mm ring sinks 12 mm" */
export function coldWords({ use, cold, solid }: PieceFigures, fmt: Format): string {
  if (solid) return SOLID_NAMES[solid]
  if (use === 'over' && cold.slump > RUNS) return say('stands.runs')
  if (!isShaped(use)) return say('stands.ringSinks', { mm: fmt.mm(cold.ringSlumpM) })
  const high = { high: height(cold.cutsM, fmt) }
  // Less than a millimetre is no piece.
  const none = cold.cutsM < 0.001
  if (use === 'piped') return none ? say('stands.doesNotPipe') : say('stands.pipesTo', high)
  if (use === 'turnedOut') return none ? say('stands.doesNotTurnOut') : say('stands.turnsOutTo', high)
  return none ? say('stands.doesNotCut') : say('stands.cutsTo', high)
}

/** "stands to 14 mm" */
export const plateWords = ({ use, plate, solid }: PieceFigures, fmt: Format): string => solid
  ? SOLID_NAMES[solid]
  : isShaped(use)
    ? say('stands.standsTo', { high: height(plate.standsM, fmt) })
    : use === 'over' && plate.slump > RUNS ? say('stands.runs') : say('stands.ringSinks', { mm: fmt.mm(plate.ringSlumpM) })

/** What is wanted: "yours is 24 mm high", or how far a ring may sink. */
export function wantedWords(a: Assessment, { use, heightM, solid }: PieceFigures, fmt: Format): string {
  if (solid) return say('stands.noSet')
  if (isShaped(use)) return say('stands.yoursIs', { mm: fmt.mm(heightM) })
  const { coldMinPa, coldMaxPa } = a.verdict.target
  const ring = (pa: number) => fmt.fixed(1000 * slumpReading(pa, a.shape.density))
  const [from, to] = [ring(coldMaxPa), `${ring(coldMinPa)} mm`]
  if (!(coldMinPa > 0)) return say('stands.mayRun', { from })
  return from === '0' ? say('stands.ringWantedMost', { to }) : say('stands.ringWanted', { from, to })
}

/** Where eight in ten batches lie on the plate. @param rangePa its stress, from and to */
export function rangeWords(a: Assessment, use: UseKind, rangePa: readonly [number, number], fmt: Format): string {
  if (isShaped(use)) {
    const [from, to] = rangePa.map(pa => standsAt(a, pa)) as [number, number]
    return say('stands.standsRange', { from: fmt.fixed(from * 1000), to: fmt.mm(to) })
  }
  const isPuddle = (pa: number) => use === 'over' && slumpReading(pa, a.shape.density) > RUNS * RING_M
  if (rangePa.every(isPuddle)) return say('stands.itRuns')
  const [most, least] = rangePa.map(pa => slumpReading(pa, a.shape.density)) as [number, number]
  return say('stands.ringRange', { from: fmt.fixed(least * 1000), to: fmt.mm(most) })
}

/** Under a drawing: how the piece it shows fares. In a glass a spoon has taken some: what sags is its hole. */
export function faceWord(p: PieceFigures, s: Pick<PieceState, 'slump'>, layered: boolean, fmt: Format): string {
  if (p.solid) return SOLID_NAMES[p.solid]
  const lost = fmt.mm(Math.max(p.heightM * s.slump, 0.001))
  const runs = s.slump > RUNS
  const stands = s.slump < 0.005
  switch (p.use) {
    case 'glass':
      return layered && !stands
        ? say('cutFace.setsSoft')
        : stands ? say('stands.holeStays') : runs ? say('stands.holeFills') : say('stands.holeRounds')
    case 'spooned':
    case 'over':
      return stands || fmt.mm(p.heightM * (1 - s.slump)) === fmt.mm(p.heightM)
        ? say('stands.heapStands')
        : runs ? say('stands.heapRuns') : say('stands.heapSettles', { high: fmt.mm(p.heightM * (1 - s.slump)) })
    default:
      return stands ? say('stands.stands') : runs ? say('stands.runs') : say('stands.sags', { lost })
  }
}
