/** Judging the serving: allergens, keeping, raw toppings, and the set itself. */
import { findIngredient, hasTrait, is } from '../../base/ingredients/ingredients'
import type { Trait } from '../../base/ingredients/types'
import { allergensIn } from '../../formula/allergens'
import { fillingOf, type Bench, isLaidIn } from '../../formula/bench'
import { meringueSugar } from '../../formula/meringue'
import { type Component, placeOf } from '../../formula/document'
import { familyOf } from '../../formula/families'
import { meringueHeat } from '../../formula/parts'
import { lnTauSigma } from '../../physics/set/firmness'
import { CODES, useByDate } from '../../physics/safety/keeping'
import type { VerdictCode } from '../assessment'
import { type Facts, type Find, holds } from './facts'
import { FELT } from '../../physics/matter/dissolving'
import { ALCOHOL_LIMIT, ALCOHOL_TOLD, BEADS, EARLY_S, EGG_COUNTS_C, FROZEN_C } from './limits'
import { daysWhole, isRawFoam, rawFruitAt } from './rawFruit'
import { isOnEdge, type SetFigures, setRisks, setVerdict } from './verdict'

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
  judgeToppings(doc, kitchen.roomTempC, find)
  const laidIn = doc.components.filter(c => isLaidIn(doc, c)).flatMap(c => c.lines.filter(l => l.massG > 0))
  const brings = (trait: Trait) => holds(whole, r => is(r, trait)) || laidIn.some(l => hasTrait(l.ingredientId, trait))
  if (body.gelatinC > 0 || brings('gelatin') || brings('holdsGelatin')) find('animalGelatin', 'info', 'serve', path)
  if (brings('medicines')) find('medicines', 'info', 'serve', path)
  judgeSpirits(doc, find)
  if (isRawFoam(heated)) find('holdsHours', 'look', 'serve', 'chill')
  const rawAt = rawFruitAt({ doc, mixed, heated }, path)
  if (rawAt) {
    const guests = doc.use.guestsAtRisk ? 1 : 0
    find('rawFruit', guests ? 'look' : 'info', 'serve', rawAt, { guests })
  }
  const limits = { ...code, days: daysWhole({ doc, kitchen, mixed, heated }) }
  const { claimDays } = doc.serve
  if (claimDays !== null && claimDays > limits.days)
    find('claimTooLong', 'stop', 'serve', 'serve.claimDays', { claimed: claimDays, days: limits.days })
  const { startAt } = doc.serve
  if (!/^\d{4}-\d\d-\d\dT\d\d:\d\d/.test(startAt)) {
    find('noStart', 'info', 'serve', 'serve.startAt')
    return { useBy: null, storageDays: limits.days }
  }
  if (placeOf(doc.chill[doc.chill.length - 1]!, kitchen).airTempC > code.holdC) return { useBy: null, storageDays: 0 }
  const lots = [...fillingOf(doc).lines, ...laidIn].flatMap(({ strength }) => {
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

/** Alcohol of what is laid in or on, which nothing cooks away. */
function judgeSpirits(doc: Bench, find: Find): void {
  for (const [i, c] of doc.components.entries()) {
    if (!isLaidIn(doc, c)) continue
    const grams = c.lines.reduce((s, l) => s + l.massG, 0)
    const ethanolG = c.lines.reduce((s, l) => s + (l.massG * (findIngredient(l.ingredientId)?.ethanol ?? 0)) / 100, 0)
    const percent = grams > 0 ? (100 * ethanolG) / grams : 0
    if (percent > ALCOHOL_TOLD) find('alcohol', 'info', 'serve', `components.${i}.lines`, { percent, limit: ALCOHOL_LIMIT })
  }
}

export function judgeSet(
  f: Facts, path: string, find: Find, figures: SetFigures,
): { code: VerdictCode, leans: VerdictCode } {
  const { cold, plate, target } = f.settled
  const early = !f.settled.stated && f.settled.readyS !== null && f.settled.chilledS < f.settled.readyS - EARLY_S
  if (early)
    find('servedBeforeSet', 'look', 'serve', `chill.${f.doc.chill.length - 1}.timeS`, { readyS: f.settled.readyS! })
  const code = setVerdict(figures, target)
  if ((code === 'looseCold' || code === 'runny') && !(early && code === 'looseCold'))
    find('looseCold', 'stop', 'balance', path, { tauPa: cold.tauPa.value, needPa: target.coldMinPa })
  if (code === 'sagsOnTable')
    find('sagsOnTable', 'stop', 'serve', 'use.tableTimeS', {
      afterS: f.settled.standsOnTableS ?? 0,
      tempC: plate.tempC,
    })
  if (code === 'tooFirm')
    find('tooFirm', 'look', 'balance', path, { tauPa: cold.tauPa.value, maxPa: target.coldMaxPa })
  if (early && code === 'looseCold') return { code: 'servedBeforeSet', leans: code }
  const risks = setRisks(figures, target)
  return code === 'good' && isOnEdge(risks) ? { code: 'edge', leans: risks[0]!.leans } : { code, leans: code }
}

/** The plan's own figures, as the rule of the set looks at them. */
export const setFigures = ({ doc, heated, settled, heat }: Facts): SetFigures => ({
  frozen: settled.cold.tempC < FROZEN_C,
  eggCounts: heated.body.eggC > EGG_COUNTS_C,
  eggSets: familyOf(doc.family).eggSets,
  potB: settled.end.potB,
  b: heat.b,
  a: heat.a,
  grainyAt: heated.cooking.grainyAt,
  curdlingLogit: heated.curdling?.logit ?? -Infinity,
  marginK: heat.marginK,
  lnSigma: lnTauSigma(settled.cold.mechanismsPa),
  coldPa: settled.cold.tauPa.value,
  coldStarPa: settled.cold.tauStarPa,
  platePa: settled.plate.tauPa.value,
})

/** Sugar that a meringue's whites do not take up. */
function judgeMeringue(c: Component, roomTempC: number, path: string, find: Find): void {
  const sugar = meringueSugar(c, roomTempC)
  if (sugar && sugar.left > FELT)
    find('meringueGritty', sugar.left > BEADS && c.make?.kind !== 'meringueDry' ? 'look' : 'info', 'serve', path, {
      share: sugar.left, holdsG: sugar.holdsG, never: sugar.never, holdsFromC: sugar.holdsFromC ?? 100,
    })
}

/** Whites on top that no measured heat has cooked. */
function judgeToppings(doc: Bench, roomTempC: number, find: Find): void {
  doc.components.forEach((c, i) => {
    judgeMeringue(c, roomTempC, `components.${i}.lines`, find)
    if (c.role !== 'topping' || !c.lines.some(l => hasTrait(l.ingredientId, 'white') && l.massG > 0)) return
    const heat = meringueHeat(c)
    if (heat.counts) return
    const shell = c.lines.some(l => hasTrait(l.ingredientId, 'white') && hasTrait(l.ingredientId, 'fromShell') && l.massG > 0)
    const guests = doc.use.guestsAtRisk ? 1 : 0
    find('rawTopping', shell || guests ? 'stop' : 'look', 'serve', `components.${i}.lines`, {
      poured: c.make?.kind === 'meringueBoiled' ? 1 : 0,
      tempC: heat.reachesC ?? 20,
      shell: shell ? 1 : 0,
      guests,
    })
  })
}
