/** What the reader of pasted text assumed and asks, in words. */
import { findIngredient } from '#core/base/ingredients/ingredients'
import { EGG_GRADES, type EggGrade } from '#core/base/ingredients/measures'
import type { Assumption, Habits, Question, Reading } from '#core/formats/reader/reading'
import { CUP_NAMES, VESSEL_NAMES } from './names'
import { group, say } from './say'

type Format = ReturnType<typeof useFormat>
const MEASURES = group<Record<string, string>>('reading.MEASURES')
const SYSTEMS = group<Record<string, string>>('reading.SYSTEMS')
/** What a piece is that is no ingredient. */
export const ENTRY_NAMES = group<Record<string, string>>('new.KINDS')
export const COUNTRY_NAMES = group<Record<Habits['country'], string>>('reading.COUNTRIES')

/** "US cup 236.6 ml" */
export function assumptionWords(a: Assumption, fmt: Format): string {
  const words = assumed(a, fmt)
  return a.params.own ? say('reading.byYourRule', { words }) : words
}
function assumed({ code, params: p }: Assumption, fmt: Format): string {
  const each = (g: unknown) => fmt.fixed(Number(g), Number(g) < 20 ? 1 : 0)
  switch (code) {
    case 'weighed':
      return say('reading.weighed')
    case 'ounce':
      return say('reading.ounceByWeight2835G')
    case 'millilitres':
      return say('reading.gPerMl', { gPerMl: fmt.fixed(Number(p.gPerMl), 2) })
    case 'measure':
      return say('reading.measureOf', { system: SYSTEMS[p.system!], measure: MEASURES[p.measure!], ml: fmt.fixed(Number(p.ml), 1) })
    case 'egg':
      return say('reading.eggEach', { label: EGG_GRADES[p.grade as EggGrade].label, eachG: each(p.eachG) })
    case 'shell':
      return say('reading.ofShell', { shellG: each(p.shellG), eachG: each(p.eachG) })
    case 'fruit':
      return say('reading.fruitEach', { fruit: p.fruit, part: p.part === 'zest' ? say('reading.zest') : say('reading.juice'), eachG: each(p.eachG) })
    case 'stick':
      return say('reading.uSStick1134G')
    case 'guessed':
      return say('reading.guessed')
    case 'corrected':
      return say('reading.corrected')
    case 'answered':
      return say('reading.asYouSaid')
    case 'written':
      return say('reading.theGramsInBrackets')
    case 'can':
      return say('reading.canOfKeptWhole', { canG: fmt.grams(Number(p.eachG)) })
    case 'leaf':
      return say('reading.leafGEachKeptWhole', { grade: p.grade, eachG: each(p.eachG) })
    case 'packet':
      return say('reading.packetOfPowderG', { eachG: each(p.eachG) })
    case 'pinch':
      return say('reading.aPinchAboutG', { eachG: each(p.eachG) })
    case 'percent':
      return say('reading.ofAKilogramInAll')
    case 'each':
      return say('reading.eachOf', { count: p.count, eachG: each(p.eachG) })
    case 'sum':
      return say('reading.addedUp')
    case 'spelling':
      return say('reading.readThroughASlip')
    case 'fraction':
      return say('reading.fractionRead', { value: p.value })
    case 'methodPlaces':
      return say('reading.placedByTheMethod')
    case 'notCounted':
      return say('reading.noWeightHere')
    case 'bareGrams':
      return say('reading.gramsLikeTheRest')
  }
}

/** Fruit that is known: what is asked is where it goes. */
const isWholeFruit = ({ suggested }: Question): boolean =>
  typeof suggested === 'string' && findIngredient(suggested)?.group === 'fruit'
/** What is asked about a line. */
export function questionWords(q: Question): string {
  switch (q.kind) {
    case 'cups':
      return say('reading.whoseCupsAndSpoonsAreThese')
    case 'ounce':
      return say('reading.fluidOuncesOrOuncesByWeight')
    case 'amount':
      return q.words ? say('reading.howManyGramsIsThis', { amount: `“${q.words}”` }) : say('reading.noAmountIsGivenHowMany')
    case 'ingredient':
      return isWholeFruit(q)
        ? say('reading.isItInOrOn', { words: q.words }) : say('reading.isNotKnownWhatIsIt', { words: q.words })
    case 'fruitPart':
      return say('reading.theJuiceOfItTheZest')
    case 'can':
      return say('reading.howLargeIsTheCan')
    case 'leafGrade':
      return say('reading.whichGradeOfLeaf')
    case 'figure':
      return say('reading.isThatMeant', { words: q.words })
  }
}

/** An oven by its heat and minutes, as one phrase. */
export const ovenWords = (tempC: number, fan: boolean, timeS: number | null, fmt: Format): string =>
  say('reading.ovenAt', {
    temp: fmt.temp(tempC), fan: fan ? say('reading.withFan') : '', time: timeS === null ? '' : `, ${fmt.duration(timeS)}`,
  })
/** Where a filling is heated. */
export const POT_NAMES = group<Record<string, string>>('reading.POTS')

/** What the method states of itself: tin, oven, heat, boil, cold, portions; empty where it states nothing. */
export function methodWords(
  r: Pick<Reading, 'vessel' | 'oven' | 'peakC' | 'portions' | 'method'>, fmt: Format,
): string {
  const { vessel: v, oven, peakC, portions, method: m } = r
  const size = v && [v.diameterM ?? v.lengthM, v.diameterM ? null : v.widthM]
    .filter(x => x !== null).map(x => fmt.cm(x!))
  const time = (minutes: number | null | undefined) => (minutes == null ? null : fmt.duration(minutes * 60))
  const [boil, bench, freezer, cold] = [m?.boilMinutes, m?.coolMinutes, m?.freezeMinutes, m?.chillMinutes].map(time)
  const told = [
    v && `${v.count ? `${v.count} × ` : ''}${VESSEL_NAMES[v.kind].toLowerCase()} ${size!.join(' × ')}`.trim(),
    !oven && m?.pot ? POT_NAMES[m.pot] : null,
    oven && ovenWords(oven.tempC, oven.fan, oven.minutes === null ? null : oven.minutes * 60, fmt),
    peakC !== null && say('reading.takenTo', { temp: fmt.temp(peakC) }),
    boil && say('reading.boilFor', { time: boil }),
    bench && say('reading.benchFor', { time: bench }),
    freezer && say('reading.freezerFor', { time: freezer }),
    cold && say('reading.coldFor', { time: cold }),
    portions !== null && say('reading.portions', { portions }),
  ].filter(Boolean)
  return told.length ? say('reading.fromTheText', { told: told.join('; ') }) : ''
}

/** "Reads as American: cups of 237 ml, large eggs with 17 g of yolk." */
export function habitWords(h: Habits, fmt: Format): string {
  const { yolkG } = EGG_GRADES[h.eggs.large]
  return say('reading.readsAs', {
    country: COUNTRY_NAMES[h.country],
    cups: h.cups ? CUP_NAMES[h.cups] : say('reading.cupsNotSaid'),
    yolkG: fmt.fixed(yolkG, 0),
  })
}
