/** A day sheet as it travels between browser and server, and as it is kept: one a day and kitchen. */
import type { OnHand } from '#core/ledger/ledger'
import type { EquipmentKind } from '#core/schedule/day'
import type { StepInput } from '#core/schedule/read'
import type { Counted } from '#core/plan/covers'
import type { KitchenRecord } from './kitchen'

export interface SheetHand {
  name: string
  /** HH:MM. */
  from: string
  to: string
  /** A break, HH:MM; none where absent. */
  pause?: { from: string, to: string }
}
export interface SheetEquipment {
  id: string
  kind: EquipmentKind
  name: string
  capacity: number | null
  heatKPerMin: number | null
  coolKPerMin: number | null
  /** The widest pan a ring takes, m; absent: any. */
  panM?: number | null
  /** It cannot be had before, ISO without a zone; absent: always. */
  freeFrom?: string
  /** A ring on the supply that several share. */
  isShared?: boolean
  /** Out of order, or away, on that day. */
  isOut: boolean
}
export interface SheetDessert {
  id: string
  name: string
  /** Of the shelf; null: by its own steps. */
  formulaId: string | null
  /** A kept version of it; absent: as it is now. */
  versionId?: string
  count: number | null
  /** Absent: covers. */
  countOf?: Counted
  /** HH:MM. */
  serveAt: string
  /** Nothing of it begins before, ISO without a zone; absent: whenever it must. */
  earliest?: string
  keepMinutes: number | null
  /** Baked in air of this, °C, in place of its formula's own. */
  ovenC?: number
  steps: StepInput[] | null
  /** Where steps were put by hand, or began, by their id; with the minutes one will last where its batch tells. */
  fixed: Record<string, { start: string, who: string | null, began: boolean, lasts?: number }>
  /** Steps that are done. */
  done: string[]
}
export interface DaySheet {
  hands: SheetHand[]
  equipment: SheetEquipment[]
  desserts: SheetDessert[]
  /** What the rings on the shared supply get together, W; absent: each has its own. */
  sharedW?: number | null
  /** Said to be on hand for this day, g; eggs by the weight of what is in their shells. */
  have?: OnHand[]
}
export interface DayRecord {
  date: string
  /** 0: nothing is kept of it yet. */
  version: number
  sheet: DaySheet
}

/** A deck oven's change of temperature, K a minute up and down (common practice; the sheet has it changed). */
const OVEN_RATES = { heatKPerMin: 8, coolKPerMin: 2.5 } as const
/** Shelves' worth of desserts in a fridge at a time, and trays in an oven, where nothing is said (common practice). */
const FRIDGE_HOLDS = 12
const OVEN_HOLDS = 2

/** A plate stands ready for so long before it is served, minutes, where nothing is said (judgement). */
export const STANDS_MIN = 60

/** What a kitchen has to work on: its ovens, rings, fridges and freezers; a mixer. */
export function equipmentOf(k: Pick<KitchenRecord, 'ovens' | 'burners' | 'places'>): SheetEquipment[] {
  const plain = { heatKPerMin: null, coolKPerMin: null, isOut: false }
  const cold = (kind: KitchenRecord['places'][number]['kind']): EquipmentKind | null =>
    kind === 'bench' || kind === 'iceBath' ? null
      : kind === 'blastChiller' ? 'blastChiller' : kind === 'freezer' ? 'freezer' : 'fridge'
  return [
    ...k.ovens.map(o => ({ ...plain, id: o.id, kind: 'oven' as const, name: o.name, capacity: OVEN_HOLDS, ...OVEN_RATES })),
    ...k.burners.filter(b => b.kind !== 'microwave').map(b =>
      ({ ...plain, id: b.id, kind: 'ring' as const, name: b.name, capacity: 1 })),
    ...k.places.flatMap((p) => {
      const kind = cold(p.kind)
      return kind ? [{ ...plain, id: p.id, kind, name: p.name, capacity: FRIDGE_HOLDS }] : []
    }),
    { ...plain, id: 'mixer', kind: 'mixer' as const, name: '', capacity: 1 },
  ]
}
