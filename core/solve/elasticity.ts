/** What would move it most: how firmness and sharpness answer to each line and to the heat, d ln τ / d ln g. */
import { fillingOf, type Bench } from '../formula/bench'
import { withMass } from '../formula/edits'
import type { Kitchen } from '../kitchen/kitchen'
import { createQuick, type Quick } from './quick'

export interface Lever {
  kind: 'mass' | 'target' | 'hold'
  lineId: string | null
  ingredientId: string | null
  /** d ln τ on the plate / d ln g; for the heat, d ln τ per K or per minute. */
  firmness: number
  /** d ln sour / d ln g; 0 for the heat. */
  sharpness: number
  /** A step a cook would take, and what it brings: ratio of the plate's stress and of the sourness. */
  from: number
  to: number
  firmerBy: number
  sharperBy: number
  doc: Bench
}

/**
 * A mass a cook can weigh, by its size: .1 g under 5 g, .5 g under 20 g, else whole grams.
 * @example weighable(123.4) // 123
 */
export const weighable = (g: number): number =>
  g < 5 ? Math.round(g * 10) / 10 : g < 20 ? Math.round(g * 2) / 2 : Math.round(g)

const ln = (x: number) => Math.log(Math.max(x, 1e-9))
/** Half-step of the derivative. */
const H = 0.02
/** A step that moves neither by so much is not offered, and no change is told of less. */
export const LEAST_MOVE = 0.004
/** The step offered: a twentieth of the line, at least a tenth of a gram. */
const STEP = 0.05
/** Less stress on the plate than this is none, Pa. */
const LEAST_SET_PA = 0.01

/**
 * Levers of a formula, the strongest on the firmness first. Derivatives by central differences (±2 %, ±1 K, ±30 s).
 * @param firmer the direction the steps are offered in
 */
export function levers(
  doc: Bench,
  kitchen: Kitchen,
  firmer = true,
  quick: Quick = createQuick(doc, kitchen),
): Lever[] {
  const here = quick(doc)
  /** What has no set has nothing to move. */
  const isSet = here.platePa > LEAST_SET_PA
  const out: Lever[] = []
  const add = (
    kind: Lever['kind'],
    lineId: string | null,
    ingredientId: string | null,
    firmness: number,
    sharpness: number,
    from: number,
    to: number,
    next: Bench,
  ) => {
    const p = quick(next)
    out.push({
      kind,
      lineId,
      ingredientId,
      firmness,
      sharpness,
      from,
      to,
      firmerBy: isSet ? p.platePa / here.platePa : 1,
      sharperBy: p.sour / Math.max(here.sour, 1e-9),
      doc: next,
    })
  }
  for (const l of fillingOf(doc).lines) {
    if (!(l.massG > 0) || l.pinned) continue
    const up = quick(withMass(doc, l.id, l.massG * (1 + H)))
    const down = quick(withMass(doc, l.id, l.massG * (1 - H)))
    const span = Math.log(1 + H) - Math.log(1 - H)
    const firmness = isSet ? (ln(up.platePa) - ln(down.platePa)) / span : 0
    const step = l.piece ? l.piece.eachG : Math.max(0.1, STEP * l.massG)
    const to = Math.max(
      0,
      l.piece
        ? l.massG + step * Math.sign(firmness || 1) * (firmer ? 1 : -1)
        : weighable(l.massG + step * Math.sign(firmness || 1) * (firmer ? 1 : -1)),
    )
    if (to > 0 && to !== l.massG)
      add(
        'mass',
        l.id,
        l.ingredientId,
        firmness,
        (ln(up.sour) - ln(down.sour)) / span,
        l.massG,
        to,
        withMass(doc, l.id, to),
      )
  }
  const { method, targetTempC, holdS, course } = doc.heat
  if (isSet && method !== 'oven' && method !== 'none' && 'simulated' in course) {
    const heat = (part: Partial<Bench['heat']>): Bench => ({
      ...doc,
      heat: { ...doc.heat, ...part },
    })
    const perK =
      (ln(quick(heat({ targetTempC: targetTempC + 1 })).platePa) -
        ln(quick(heat({ targetTempC: targetTempC - 1 })).platePa)) /
        2
    const t = targetTempC + Math.sign(perK || 1) * (firmer ? 1 : -1)
    if (Math.abs(perK) > 1e-3) add('target', null, null, perK, 0, targetTempC, t, heat({ targetTempC: t }))
    const longer = ln(quick(heat({ holdS: holdS + 30 })).platePa)
    const shorter = ln(quick(heat({ holdS: Math.max(0, holdS - 30) })).platePa)
    const perMin = (longer - shorter) / ((holdS + 30 - Math.max(0, holdS - 30)) / 60)
    const h = holdS + 60 * Math.sign(perMin || 1) * (firmer ? 1 : -1)
    if (Math.abs(perMin) > 1e-3 && h >= 0) add('hold', null, null, perMin, 0, holdS, h, heat({ holdS: h }))
  }
  const moves = ({ firmerBy, sharperBy }: Lever) => [firmerBy, sharperBy].some(r => Math.abs(r - 1) >= LEAST_MOVE)
  return out.filter(moves).sort((a, b) =>
    Math.abs(ln(b.firmerBy)) - Math.abs(ln(a.firmerBy)) || Math.abs(ln(b.sharperBy)) - Math.abs(ln(a.sharperBy)))
}
