/** A part of a whole dessert in its place. */
import type { ComponentRole, Layer } from '../formula/document'
import type { Taste } from '../physics/matter/taste'
import type { VerdictCode } from '../pipeline/assessment'
import type { Nature } from './nature'

export interface PlatePart {
  id: string
  role: ComponentRole
  name: string
  form: Layer['form'] | 'beside'
  /** Over the bottom of the vessel or the plate, and thick, m; 0 for what lies beside. */
  fromM: number
  thickM: number
  /** Of all vessels together, as it is laid in or poured, g; of one portion, g. */
  massG: number
  portionG: number
  /** Share of its thickness it loses under what lies on it, from the cold and on the plate. */
  lost: { cold: number, plate: number }
  /** How it sets by itself; null: it is not computed. */
  code: VerdictCode | null
  /** The field in the way of an answer. */
  problem: string | null
  taste: SpoonTaste
  nature: Nature
}
export interface SpoonTaste extends Pick<Taste, 'sour' | 'sweet'> { fatPercent: number }
