/** Desserts of several components for tests. Figures are made up. */
import { benchOf, fillingOf, type Planned, putBack } from '../../core/formula/bench'
import { line } from '../../core/formula/create'
import { withComponent } from '../../core/formula/layers'
import { stepsFor } from '../../core/formula/steps'
import { counter, formula } from './core'

/** A tart of two fillings: a curd, and a set cream on it. */
export function twoFillings(): { planned: Planned, creamId: string } {
  const id = counter('x')
  const curd = formula(undefined, d => void (d.assembly.vessel.heightM = 0.08), { use: 'cut' })
  const { planned, id: creamId } = withComponent(
    putBack(curd), { role: 'cream', name: 'Lime cream', school: 'setCream' }, id,
  )
  const cream = benchOf(planned, creamId)
  const lines = Object.entries({ cream36: 300, sugar: 60, gelatin: 4, lime: 30 }).map(([i, g]) => line(id(), i, g))
  const filled = { ...fillingOf(cream), lines, steps: stepsFor('setCream', lines, id) }
  return {
    planned: putBack({ ...cream, components: cream.components.map(c => (c.id === creamId ? filled : c)) }),
    creamId,
  }
}
