/** Whether a formula and a kitchen are possible at all; every limit names its field. */
import { InputError, within } from '../base/errors'
import { fillingOf, type FormulaDocument, given, placeOf, type ProcessValue, vesselOf } from '../formula/document'
import type { Kitchen } from '../kitchen/kitchen'
import { cavityOf, cavityVolume } from '../physics/geometry/cavity'

/** @throws {InputError} naming the first field that cannot be */
export function checkInputs(doc: FormulaDocument, kitchen: Kitchen): void {
  const use = doc.use
  within(use.pieceHeightM, 'use.pieceHeightM', 0.002, 0.3)
  within(use.pieceWidthM, 'use.pieceWidthM', 0.005, 0.5)
  within(use.tableTempC, 'use.tableTempC', 0, 45)
  within(use.tableTimeS, 'use.tableTimeS', 0, 24 * 3600)
  checkHeat(doc, kitchen)
  checkSet(doc)
  const v = vesselOf(doc, kitchen)
  within(v.lengthM, 'assembly.vessel.lengthM', 0.02, 1)
  if (v.kind === 'rectangle') within(v.widthM, 'assembly.vessel.widthM', 0.02, 1)
  within(v.heightM, 'assembly.vessel.heightM', 0.005, 0.4)
  within(v.taper, 'assembly.vessel.taper', 0.2, 1)
  if (v.heldM3 !== null) within(v.heldM3, 'assembly.vessel.heldM3', 1e-6, 0.1)
  within(doc.assembly.toppingM, 'assembly.toppingM', 0, 0.2)
  within(doc.assembly.insertM3, 'assembly.insertM3', 0, 0.05)
  if (
    doc.assembly.insertM3 > 0 &&
    doc.assembly.insertM3 >= cavityVolume(cavityOf(v, { ...doc.assembly, insertM3: 0 }))
  )
    throw new InputError('tooLarge', 'assembly.insertM3', {
      max: cavityVolume(cavityOf(v, { ...doc.assembly, insertM3: 0 })),
    })
  within(doc.assembly.tiltDeg, 'assembly.tiltDeg', 0, 60)
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
  fillingOf(doc).steps.forEach((step, i) => {
    if (step.kind !== 'stirIn' && step.kind !== 'foldIn') return
    const path = `components.${doc.components.indexOf(fillingOf(doc))}.steps.${i}`
    within(step.lineTempC, `${path}.lineTempC`, -20, 125)
    const mixTempC = given(step.mixTempC)
    if (mixTempC !== null) within(mixTempC, `${path}.mixTempC`, 0, 110)
    if (step.kind === 'foldIn') within(step.overrun, `${path}.overrun`, 0, 10)
  })
  doc.components.forEach((c, i) => {
    if (c.make) within(c.make.ratio, `components.${i}.make.ratio`, 0.1, 10)
  })
  if (doc.serve.claimDays !== null) within(doc.serve.claimDays, 'serve.claimDays', 1, 400)
  if (doc.serve.temperC !== null) within(doc.serve.temperC, 'serve.temperC', -2, 40)
  const coldTempC = given(doc.serve.coldTempC)
  if (coldTempC !== null) within(coldTempC, 'serve.coldTempC', -2, 60)
  const chilledS = given(doc.serve.chilledS)
  if (chilledS !== null) within(chilledS, 'serve.chilledS', 0, 14 * 24 * 3600)
  within(kitchen.altitudeM, 'kitchen.altitudeM', -400, 5000)
  within(kitchen.roomTempC, 'kitchen.roomTempC', 5, 45)
}

function checkHeat({ heat }: FormulaDocument, kitchen: Kitchen): void {
  within(heat.targetTempC, 'heat.targetTempC', 10, 105)
  within(heat.holdS, 'heat.holdS', 0, 3600)
  within(heat.startTempC, 'heat.startTempC', 0, 100)
  within(heat.burnerW, 'heat.burnerW', 50, 5000)
  if (heat.pan) {
    within(heat.pan.diameterM, 'heat.pan.diameterM', 0.08, 0.8)
    within(heat.pan.heightM, 'heat.pan.heightM', 0.02, 0.6)
    if (heat.pan.tareG !== null) within(heat.pan.tareG, 'heat.pan.tareG', 20, 20000)
  }
  const course = given(heat.course)
  if (course) {
    within(course.rampKPerMin, 'heat.course.rampKPerMin', 0.1, 60)
    within(course.peakTempC, 'heat.course.peakTempC', 0, 120)
    within(course.holdS, 'heat.course.holdS', 0, 24 * 3600)
  }
  if (heat.method !== 'oven') return
  // An oven colder than the room bakes nothing.
  within(heat.oven.offsetK, 'heat.oven.offsetK', -40, 40)
  within(heat.oven.airTempC, 'heat.oven.airTempC', Math.max(60, kitchen.roomTempC), 300)
  const timeS = given(heat.oven.timeS)
  if (timeS !== null) within(timeS, 'heat.oven.timeS', 0, 6 * 3600)
}

function checkSet({ set }: FormulaDocument): void {
  const fraction = (v: ProcessValue<number>, path: string, max: number) => {
    const x = given(v)
    if (x !== null) within(x, path, 0, max)
  }
  fraction(set.milkHeat, 'set.milkHeat', 1)
  fraction(set.air, 'set.air', 0.95)
  fraction(set.whippedFat, 'set.whippedFat', 0.6)
  const starch = given(set.starch)
  if (starch) {
    within(starch.peakTempC, 'set.starch.peakTempC', 0, 120)
    within(starch.minutes, 'set.starch.minutes', 0, 600)
  }
  within(set.bloom, 'set.bloom', 30, 350)
}
