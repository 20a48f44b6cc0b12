/** Judging the serving: allergens, keeping, raw toppings, and the set itself. */
import { hasTrait, is } from '../../base/ingredients/ingredients'
import { allergensIn } from '../../formula/allergens'
import { fillingOf, type Bench } from '../../formula/bench'
import { placeOf } from '../../formula/document'
import { familyOf } from '../../formula/families'
import { meringueHeat } from '../../formula/parts'
import { COATS, GRAINY } from '../../physics/heat/egg'
import { CODES, useByDate } from '../../physics/safety/keeping'
import type { VerdictCode } from '../assessment'
import { type Facts, type Find, holds } from './facts'
import { CURDLES_PH, EARLY_S, EGG_COUNTS_C, FOAM_HOLDS, GRAINY_THROUGH, RUNNY_STAR_PA, FROZEN_C } from './limits'

/** @returns the use-by date (null where none can be given) and the days it keeps */
export function judgeServing(
  { doc, kitchen, mixed, heated }: Facts,
  path: string,
  find: Find,
): { useBy: string | null, storageDays: number } {
  const { whole } = mixed
  const { body } = heated
  const code = CODES[kitchen.foodCode]
  if (doc.use.tableTimeS > code.counterS)
    find('counterTooLong', 'stop', 'serve', 'use.tableTimeS', { hours: code.counterS / 3600 })
  find('allergens', 'info', 'serve', path, { list: allergensIn(doc).join(',') })
  judgeToppings(doc, find)
  if (body.gelatinC > 0) find('animalGelatin', 'info', 'serve', path)
  if (holds(whole, r => is(r, 'medicines'))) find('medicines', 'info', 'serve', path)
  // What only air or raw white holds is eaten the same day.
  const rawFoam = body.making.air > FOAM_HOLDS && body.gelatinC <= 0
  if (rawFoam) find('holdsHours', 'look', 'serve', 'chill')
  const limits = rawFoam ? { ...code, days: 1 } : code
  const { claimDays } = doc.serve
  if (claimDays !== null && claimDays > limits.days)
    find('claimTooLong', 'stop', 'serve', 'serve.claimDays', { claimed: claimDays, days: limits.days })
  const { startAt } = doc.serve
  if (!/^\d{4}-\d\d-\d\dT\d\d:\d\d/.test(startAt)) {
    find('noStart', 'info', 'serve', 'serve.startAt')
    return { useBy: null, storageDays: limits.days }
  }
  if (placeOf(doc.chill[doc.chill.length - 1]!, kitchen).airTempC > code.holdC) return { useBy: null, storageDays: 0 }
  const lots = fillingOf(doc).lines.flatMap((l) => {
    const { strength } = l
    return strength?.kind === 'lot' ? kitchen.lots.filter(lot => lot.id === strength.lotId && lot.useBy !== null) : []
  })
  const useBy = useByDate(
    startAt,
    limits,
    lots.map(l => l.useBy!),
  )
  const limiting = lots.find(l => l.useBy === useBy)
  if (limiting) find('lotDate', 'info', 'serve', 'serve.startAt', { lot: limiting.name })
  return { useBy, storageDays: limits.days }
}

export function judgeSet(f: Facts, path: string, find: Find): VerdictCode {
  const { heat } = f
  const { cold, plate, target, end } = f.settled
  const early = !f.settled.stated && f.settled.readyS !== null && f.settled.chilledS < f.settled.readyS - EARLY_S
  if (early)
    find('servedBeforeSet', 'look', 'serve', `chill.${f.doc.chill.length - 1}.timeS`, { readyS: f.settled.readyS! })
  if (f.heated.body.eggC > EGG_COUNTS_C && (end.potB >= GRAINY || heat.b >= GRAINY_THROUGH)) return 'grainy'
  if (familyOf(f.doc.family).acidGelsMilk && f.mixed.pH < CURDLES_PH) return 'grainy'
  // Below this no set is known: what is frozen is neither good nor bad before it is thawed.
  if (cold.tempC < FROZEN_C) return 'frozen'
  const loose = () =>
    find('looseCold', 'stop', 'balance', path, { tauPa: cold.tauPa.value, needPa: target.coldMinPa })
  if ((familyOf(f.doc.family).eggSets && heat.a < COATS) || cold.tauStarPa < RUNNY_STAR_PA) {
    loose()
    return 'runny'
  }
  if (cold.tauPa.value < target.coldMinPa) {
    if (early) return 'servedBeforeSet'
    loose()
    return 'looseCold'
  }
  if (plate.tauPa.value < target.plateMinPa) {
    find('sagsOnTable', 'stop', 'serve', 'use.tableTimeS', {
      afterS: f.settled.standsOnTableS ?? 0,
      tempC: plate.tempC,
    })
    return 'sagsOnTable'
  }
  if (cold.tauPa.value > target.coldMaxPa) {
    find('tooFirm', 'look', 'balance', path, { tauPa: cold.tauPa.value, maxPa: target.coldMaxPa })
    return 'tooFirm'
  }
  return 'good'
}

/** Whites on top that no measured heat has cooked. */
function judgeToppings(doc: Bench, find: Find): void {
  doc.components.forEach((c, i) => {
    if (c.role !== 'topping' || !c.lines.some(l => hasTrait(l.ingredientId, 'white') && l.massG > 0)) return
    const heat = meringueHeat(c)
    if (heat.counts) return
    const shell = c.lines.some(l => hasTrait(l.ingredientId, 'white') && hasTrait(l.ingredientId, 'fromShell') && l.massG > 0)
    find('rawTopping', shell ? 'stop' : 'look', 'serve', `components.${i}.lines`, {
      poured: c.make?.kind === 'meringueBoiled' ? 1 : 0,
      tempC: heat.reachesC ?? 20,
      shell: shell ? 1 : 0,
    })
  })
}
