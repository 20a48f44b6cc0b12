/** What lies in the kitchen's lots, added to a wish; and what was found, in the order a cook would take it. */
import { differenceInCalendarDays, parseISO } from 'date-fns'
import type { Lot } from '../kitchen/kitchen'
import { type CanMake, more, usesUp, type Wish } from './canMake'

/** Days until the last one a lot is good, today being 0; null: no date. */
const daysLeft = (lot: Pick<Lot, 'useBy'>, today: string): number | null =>
  lot.useBy === null ? null : differenceInCalendarDays(parseISO(lot.useBy), parseISO(today))

/**
 * Lots that were weighed and are still good. @param today ISO date
 * @example goodLots([], '2026-11-28') // []
 */
export const goodLots = (lots: readonly Lot[], today: string): Lot[] =>
  lots.filter(l => (l.massG ?? 0) > 0 && (daysLeft(l, today) ?? 0) >= 0)

/**
 * A wish with what the lots hold added to what is there, and the days each of them is still good.
 * @example withLots(plainWish(), [], '2026-11-28').due.size // 0
 */
export function withLots(wish: Wish, lots: readonly Lot[], today: string): { wish: Wish, due: Map<string, number> } {
  const have = new Map(wish.have.map(h => [h.ingredientId, h]))
  const due = new Map<string, number>()
  for (const lot of goodLots(lots, today)) {
    const packG = lot.method.kind === 'packed' && lot.method.frozen ? lot.method.packG : null
    have.set(lot.ingredientId, more(have.get(lot.ingredientId), lot.ingredientId, lot.massG!, packG))
    const days = daysLeft(lot, today)
    if (days !== null) due.set(lot.ingredientId, Math.min(days, due.get(lot.ingredientId) ?? Infinity))
  }
  return { wish: { ...wish, have: [...have.values()] }, due }
}

/**
 * What fits, that which uses up most of what is there first, and what does not.
 * @example sorted([{ can: { refusals: [{ why: 'usesNone' }], uses: [] } }], plainWish(), new Map()).fits // []
 */
export function sorted<T extends { can: CanMake }>(
  found: readonly T[], { have }: Pick<Wish, 'have'>, due: ReadonlyMap<string, number>,
): { fits: T[], others: T[] } {
  return {
    fits: found.filter(f => f.can.refusals.length === 0)
      .sort((a, b) => usesUp(b.can, have, due) - usesUp(a.can, have, due)),
    others: found.filter(f => f.can.refusals.length > 0),
  }
}
