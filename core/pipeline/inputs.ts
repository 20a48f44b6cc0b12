/** Whether a formula and a kitchen are possible at all; every limit names its field. */
import { InputError, within } from '../base/errors'
import { checkField, FIELDS } from '../base/fields'
import { fillingOf, type Bench, vesselOf } from '../formula/bench'
import { given, OWN_STEPS, placeOf } from '../formula/document'
import type { Kitchen } from '../kitchen/kitchen'
import { cavityOf, cavityVolume } from '../physics/geometry/cavity'

const OVEN_AIR = FIELDS['heat.oven.airTempC']

/** @throws {InputError} naming the first field that cannot be */
export function checkInputs(doc: Bench, kitchen: Kitchen): void {
  const use = doc.use
  checkField('use.pieceHeightM', use.pieceHeightM)
  checkField('use.pieceWidthM', use.pieceWidthM)
  checkField('use.tableTempC', use.tableTempC)
  checkField('use.tableTimeS', use.tableTimeS)
  checkHeat(doc, kitchen)
  checkSet(doc)
  const v = vesselOf(doc, kitchen)
  checkField('assembly.vessel.lengthM', v.lengthM)
  if (v.kind === 'rectangle') checkField('assembly.vessel.widthM', v.widthM)
  checkField('assembly.vessel.heightM', v.heightM)
  checkField('assembly.vessel.taper', v.taper)
  if (v.heldM3 !== null) checkField('assembly.vessel.heldM3', v.heldM3)
  checkField('assembly.toppingM', doc.assembly.toppingM)
  doc.layers.forEach((l, i) => {
    const thicknessM = given(l.thicknessM)
    if (thicknessM !== null) checkField(`assembly.layers.${i}.thicknessM`, thicknessM)
  })
  checkField('assembly.insertM3', doc.assembly.insertM3)
  if (
    doc.assembly.insertM3 > 0 &&
    doc.assembly.insertM3 >= cavityVolume(cavityOf(v, { ...doc.assembly, insertM3: 0 }))
  )
    throw new InputError('tooLarge', 'assembly.insertM3', {
      max: cavityVolume(cavityOf(v, { ...doc.assembly, insertM3: 0 })),
    })
  checkField('assembly.tiltDeg', doc.assembly.tiltDeg)
  checkField('assembly.count', doc.assembly.count)
  checkField('assembly.portions', doc.assembly.portions)
  checkField('assembly.crustM', doc.assembly.crustM)
  checkField('losses.sieveFraction', doc.losses.sieveFraction)
  checkField('losses.panG', doc.losses.panG)
  if (doc.chill.length === 0) throw new InputError('missing', 'chill')
  doc.chill.forEach((leg, i) => {
    checkField(`chill.${i}.timeS`, leg.timeS)
    if (leg.opensPerHour !== undefined) checkField(`chill.${i}.opensPerHour`, leg.opensPerHour)
    if (leg.alongsideG !== undefined) checkField(`chill.${i}.alongsideG`, leg.alongsideG)
    checkField(`chill.${i}.place.airTempC`, placeOf(leg, kitchen).airTempC)
  })
  fillingOf(doc).steps.forEach((step, i) => {
    if (step.kind !== 'stirIn' && step.kind !== 'foldIn') return
    const path = `components.${doc.components.indexOf(fillingOf(doc))}.steps.${i}`
    checkField(`${path}.lineTempC`, step.lineTempC)
    const mixTempC = given(step.mixTempC)
    if (mixTempC !== null) checkField(`${path}.mixTempC`, mixTempC)
    if (step.kind === 'foldIn') checkField(`${path}.overrun`, step.overrun)
  })
  doc.components.forEach((c, i) => {
    if (!c.make) return
    checkField(`components.${i}.make.ratio`, c.make.ratio)
    for (const key of ['restS', 'bakedS'] as const) {
      const s = c.make[key]
      if (s !== undefined) checkField(`components.${i}.make.${key}`, s)
    }
  })
  if (doc.serve.claimDays !== null) checkField('serve.claimDays', doc.serve.claimDays)
  if (doc.serve.temperC !== null) checkField('serve.temperC', doc.serve.temperC)
  for (const step of OWN_STEPS) {
    const ownS = doc.serve.ownS?.[step]
    if (ownS !== undefined) checkField('serve.ownS.*', ownS)
  }
  const coldTempC = given(doc.serve.coldTempC)
  if (coldTempC !== null) checkField('serve.coldTempC', coldTempC)
  const chilledS = given(doc.serve.chilledS)
  if (chilledS !== null) checkField('serve.chilledS', chilledS)
  checkField('kitchen.altitudeM', kitchen.altitudeM)
  checkField('kitchen.roomTempC', kitchen.roomTempC)
}

function checkHeat({ heat }: Bench, kitchen: Kitchen): void {
  checkField('heat.targetTempC', heat.targetTempC)
  checkField('heat.holdS', heat.holdS)
  checkField('heat.startTempC', heat.startTempC)
  checkField('heat.burnerW', heat.burnerW)
  if (heat.pan) {
    checkField('heat.pan.diameterM', heat.pan.diameterM)
    checkField('heat.pan.heightM', heat.pan.heightM)
    if (heat.pan.tareG !== null) checkField('heat.pan.tareG', heat.pan.tareG)
  }
  const course = given(heat.course)
  if (course) {
    checkField('heat.course.rampKPerMin', course.rampKPerMin)
    checkField('heat.course.peakTempC', course.peakTempC)
    checkField('heat.course.holdS', course.holdS)
  }
  if (heat.burstS !== undefined) checkField('heat.burstS', heat.burstS)
  if (heat.stirEveryS !== undefined) checkField('heat.stirEveryS', heat.stirEveryS)
  if (heat.pouchM !== undefined) checkField('heat.pouchM', heat.pouchM)
  if (heat.method !== 'oven') return
  if (heat.oven.steam !== undefined) checkField('heat.oven.steam', heat.oven.steam)
  if (heat.oven.atOnce !== undefined) checkField('heat.oven.atOnce', heat.oven.atOnce)
  // An oven colder than the room bakes nothing.
  checkField('heat.oven.offsetK', heat.oven.offsetK)
  within(heat.oven.airTempC, 'heat.oven.airTempC', Math.max(OVEN_AIR.min, kitchen.roomTempC), OVEN_AIR.max)
  const timeS = given(heat.oven.timeS)
  if (timeS !== null) checkField('heat.oven.timeS', timeS)
}

function checkSet({ set }: Bench): void {
  for (const key of ['milkHeat', 'air', 'whippedFat'] as const) {
    const x = given(set[key])
    if (x !== null) checkField(`set.${key}`, x)
  }
  const starch = given(set.starch)
  if (starch) {
    checkField('set.starch.peakTempC', starch.peakTempC)
    checkField('set.starch.minutes', starch.minutes)
  }
  checkField('set.bloom', set.bloom)
  if (set.whisked) checkField('set.whisked.seconds', set.whisked.seconds)
}
