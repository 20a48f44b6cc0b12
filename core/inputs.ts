/** Whether a formula and a kitchen are possible at all; every limit names its field. */
import { InputError, within } from './errors'
import { placeOf, vesselOf, type FormulaDocument, type Kitchen } from './formula/document'

/** @throws {InputError} naming the first field that cannot be */
export function checkInputs(doc: FormulaDocument, kitchen: Kitchen): void {
  const use = doc.use
  within(use.pieceHeightM, 'use.pieceHeightM', 0.002, 0.3)
  within(use.pieceWidthM, 'use.pieceWidthM', 0.005, 0.5)
  within(use.tableTempC, 'use.tableTempC', 0, 45)
  within(use.tableTimeS, 'use.tableTimeS', 0, 24 * 3600)
  within(doc.heat.targetTempC, 'heat.targetTempC', 40, 105)
  within(doc.heat.holdS, 'heat.holdS', 0, 3600)
  within(doc.heat.startTempC, 'heat.startTempC', 0, 60)
  within(doc.heat.burnerW, 'heat.burnerW', 50, 5000)
  const v = vesselOf(doc, kitchen)
  within(v.lengthM, 'assembly.vessel.lengthM', 0.02, 1)
  if (v.kind === 'rectangle') within(v.widthM, 'assembly.vessel.widthM', 0.02, 1)
  within(v.heightM, 'assembly.vessel.heightM', 0.005, 0.4)
  within(doc.assembly.count, 'assembly.count', 1, 500)
  within(doc.assembly.portions, 'assembly.portions', 1, 2000)
  within(doc.assembly.crustM, 'assembly.crustM', 0, 0.02)
  within(doc.losses.sieveFraction, 'losses.sieveFraction', 0, 0.5)
  within(doc.losses.panG, 'losses.panG', 0, 5000)
  if (doc.chill.length === 0) throw new InputError('missing', 'chill')
  doc.chill.forEach((leg, i) => {
    within(leg.timeS, `chill.${i}.timeS`, 0, 14 * 24 * 3600)
    within(placeOf(leg, kitchen).airTempC, `chill.${i}.place.airTempC`, -40, 45)
  })
  within(kitchen.altitudeM, 'kitchen.altitudeM', -400, 5000)
  within(kitchen.roomTempC, 'kitchen.roomTempC', 5, 45)
}
