/** Judging the cold: vessel, cover, the code's stages, the fridge. */
import { vesselOf } from '../../formula/bench'
import { placeOf } from '../../formula/document'
import { CODES, type StageResult } from '../../physics/safety/keeping'
import { valueAt } from '../../physics/thermal/conduction'
import type { Finding } from '../assessment'
import type { Facts, Find } from './facts'
import { FROZEN_C, GLASS_C, SWEAT_C } from './limits'

/** The stage a cooling fails, for the finding. */
function failing(stages: StageResult[]): Finding['params'] {
  const worst = stages.find(s => !s.passes)!
  return { toC: worst.toC, withinS: worst.withinS, takesS: worst.takesS ?? -1 }
}

export function judgeChill({ doc, kitchen, chilled, settled, heat, load }: Facts, find: Find): void {
  const { freeze, stages, slowStages, chilledS } = settled
  const { run } = chilled
  if (freeze && freeze.firmS !== null) {
    find('frozen', 'info', 'chill', 'chill', {
      percent: 100 * freeze.mostIce,
      freezingC: freeze.freezingC,
      firmS: freeze.firmS,
      thawedS: freeze.thawedS ?? -1,
    })
    if (freeze.thawedS === null || freeze.thawedS > chilledS)
      find('thawing', settled.cold.tempC < FROZEN_C ? 'stop' : 'look', 'chill', `chill.${doc.chill.length - 1}.timeS`, { thawedS: freeze.thawedS ?? -1 })
  }
  if (vesselOf(doc, kitchen).material === 'glass' && heat.pourTempC > GLASS_C)
    find('hotIntoGlass', 'look', 'chill', 'assembly.vessel.material', { tempC: heat.pourTempC })
  const firstCovered = doc.chill.findIndex(leg => leg.cover !== 'open' && placeOf(leg, kitchen).kind !== 'iceBath')
  const coveredC = firstCovered < 0 ? 0 : valueAt(run.timeS, run.coreC, run.spans[firstCovered]!.fromS)
  if (coveredC > SWEAT_C) find('filmTooHot', 'info', 'chill', `chill.${firstCovered}.cover`, { tempC: coveredC })
  if (doc.chill[doc.chill.length - 1]!.cover === 'open')
    find('uncovered', 'info', 'chill', `chill.${doc.chill.length - 1}.cover`)
  if (!stages.every(s => s.passes)) find('coolsTooSlowly', 'stop', 'chill', 'chill', failing(stages))
  else if (!slowStages.every(s => s.passes)) find('coolsAtLimit', 'look', 'chill', 'chill', failing(slowStages))
  if (load && load.watts > load.capacityW)
    find('fridgeLoad', 'look', 'chill', `chill.${load.leg}`, {
      watts: load.watts,
      capacityW: load.capacityW,
      tempC: load.warmestC,
    })
  const last = placeOf(doc.chill[doc.chill.length - 1]!, kitchen)
  const { holdC } = CODES[kitchen.foodCode]
  if (last.airTempC > holdC)
    find('fridgeWarm', 'stop', 'chill', `chill.${doc.chill.length - 1}`, { tempC: last.airTempC, limitC: holdC })
}
