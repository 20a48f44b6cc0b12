/** The kitchen as it travels between browser and server: plain data, without the schemas that check it. */
import type {
  OwnRules,
  Kitchen,
  KitchenBurner,
  KitchenOven,
  KitchenPan,
  KitchenPlace,
  KitchenVessel,
  Lot,
} from '#core/kitchen/kitchen'
import type { EggGrade } from '#core/base/ingredients/measures'
import type { ReadHouse } from '#core/formats/reader/read'
import type { CupSystem } from '#core/base/units'

export interface KitchenSettings extends OwnRules {
  vocabulary: 'gb' | 'us'
  temperatureUnit: 'C' | 'F'
  /** Whose cups and spoons the kitchen measures with; null until it has said. */
  cups: CupSystem | null
  eggGrade: EggGrade
  altitudeM: number
  roomTempC: number
  foodCode: 'us' | 'uk'
  business: boolean
  /** Sign of the prices; they are the kitchen's own. */
  currency: string
  /** Price per kg by ingredient id. */
  prices: Record<string, number>
}

/** What settings stored by an earlier version lack. */
export const SETTINGS_ADDED = { currency: '£', prices: {} as Record<string, number> }

export interface LotRecord extends Lot {
  version: number
}
/** What is saved as one: everything of the kitchen but its lots. */
export interface KitchenDocument {
  name: string
  settings: KitchenSettings
  places: KitchenPlace[]
  vessels: KitchenVessel[]
  ovens: KitchenOven[]
  burners: KitchenBurner[]
  pans: KitchenPan[]
}
/** The kitchen as the server sends it. `version` counts its own changes; `revision` also those of its lots. */
export interface KitchenRecord extends KitchenDocument {
  id: string
  version: number
  revision: number
  lots: LotRecord[]
  /** The learned set it goes by; absent: what is stated. */
  learned?: { id: string, number: number, theta: Record<string, number> }
}

/** The part of a record that is saved as one. */
export const kitchenDocument = ({
  name,
  settings,
  places,
  vessels,
  ovens,
  burners,
  pans,
}: KitchenDocument): KitchenDocument => ({ name, settings, places, vessels, ovens, burners, pans })

/** Its own rules, as far as it has any. */
const ownRules = ({ ownJuiceG, ownCanG, ownPowderG, ingredients }: OwnRules): OwnRules =>
  Object.fromEntries(Object.entries({ ownJuiceG, ownCanG, ownPowderG, ingredients }).filter(([, v]) => v !== undefined))

/** What of it a text is read by. */
export const readHouse = ({ cups, ownJuiceG, ownCanG, ingredients }: KitchenSettings): ReadHouse =>
  ({ cups, ...ownRules({ ownJuiceG, ownCanG, ingredients }) })

/** A lot without what only its saving needs. */
function bareLot(lot: Lot): Lot {
  const { version: _, ...bare } = lot as LotRecord
  return bare
}
/** What of it the core needs. */
export const coreKitchen = (
  k: Pick<KitchenDocument, 'settings' | 'places' | 'vessels' | 'ovens' | 'burners' | 'pans'>
    & { lots: Lot[], learned?: KitchenRecord['learned'] },
): Kitchen => ({
  altitudeM: k.settings.altitudeM,
  roomTempC: k.settings.roomTempC,
  foodCode: k.settings.foodCode,
  business: k.settings.business,
  eggGrade: k.settings.eggGrade,
  places: k.places,
  vessels: k.vessels,
  ovens: k.ovens,
  burners: k.burners,
  pans: k.pans,
  lots: k.lots.map(bareLot),
  prices: k.settings.prices,
  ...ownRules(k.settings),
  ...(k.learned ? { learned: k.learned.theta } : {}),
})
