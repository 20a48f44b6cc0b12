/** What was chosen on the shelf to be made of what there is, on its way to the sheet of its day. */
import type { EquipmentKind } from '#core/schedule/day'

export interface ToPlan {
  /** The sheet it goes to, ISO. */
  date: string
  formulaId: string
  name: string
  count: number
  /** HH:MM. */
  serveAt: string
  /** Nothing of it begins before, ISO without a zone. */
  earliest: string
  /** Not to be had on the day; or not before a moment, ISO without a zone. */
  without: { kind: EquipmentKind, freeFrom: string | null }[]
}

/** From the shelf to the day, kept by this tab. */
export const useToPlan = () => useKeptByTab<ToPlan | null>('lumbik:to-plan', null, {
  serializer: { read: v => JSON.parse(v) as ToPlan | null, write: v => JSON.stringify(v) },
})
