/** A filling's lines split by its steps: heated together, stirred in afterwards, whipped and folded in. */
import { fillingOf, type Bench } from '../formula/bench'
import { given, strengthOf } from '../formula/document'
import type { Kitchen } from '../kitchen/kitchen'
import { type MixPart, toParts } from '../physics/matter/mix'
import { overrunOf } from './whipped'

/** What joins the mix after its heat, in the order of the steps. */
export interface Addition {
  kind: 'stirIn' | 'foldIn'
  /** Place of the step among the filling's steps. */
  step: number
  parts: MixPart[]
  lineTempC: number
  /** The mix is brought to this first; null: as it is. */
  mixTempC: number | null
  /** Volume gained by whipping, as a share of its own; 0 for what is not whipped. */
  overrun: number
}

/** The mix as heated, and what joins it afterwards. */
export interface MixPlan {
  cooked: MixPart[]
  additions: Addition[]
  all: MixPart[]
}

/**
 * Splits the filling's lines by its steps. @throws {InputError} naming the line
 * @example mixPlanOf(doc, kitchen).additions.length // 1
 */
export function mixPlanOf(doc: Bench, kitchen: Kitchen): MixPlan {
  const filling = fillingOf(doc)
  const index = doc.components.indexOf(filling)
  const all = toParts(filling.lines, line => strengthOf(line, kitchen), `components.${index}.lines`)
  const taken = new Set<string>()
  const additions: Addition[] = []
  filling.steps.forEach((step, i) => {
    if (step.kind !== 'stirIn' && step.kind !== 'foldIn') return
    const ids = new Set(step.lineIds.filter(id => !taken.has(id)))
    ids.forEach(id => taken.add(id))
    const parts = all.filter((p, k) => ids.has(filling.lines[k]!.id) && p.massG > 0)
    if (parts.length)
      additions.push({
        kind: step.kind,
        step: i,
        parts,
        lineTempC: step.lineTempC,
        mixTempC: given(step.mixTempC),
        overrun: step.kind === 'foldIn' ? overrunOf(parts, step) : 0,
      })
  })
  return { cooked: all.filter((_, i) => !taken.has(filling.lines[i]!.id)), additions, all }
}
