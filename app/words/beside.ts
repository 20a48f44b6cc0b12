/** What a cook's own method says otherwise than the plan does, in words. */
import type { DifferenceCode, Side } from '#core/formats/reader/beside'
import { ovenWords, POT_NAMES } from './reading'
import { group, say } from './say'

type Format = ReturnType<typeof useFormat>
const JOINS = group<Record<string, string>>('asPasted.JOINS')

/** One side of a difference: theirs, or the plan's. */
export function sideWords(code: DifferenceCode, s: Side, fmt: Format): string {
  const time = s.timeS == null ? null : fmt.duration(s.timeS)
  switch (code) {
    case 'oven': {
      const oven = ovenWords(s.tempC!, s.fan ?? false, s.timeS ?? null, fmt)
      return s.coreC === undefined ? oven : say('asPasted.ovenHere', { oven, coreC: fmt.temp(s.coreC) })
    }
    case 'peak':
      return say('reading.takenTo', { temp: fmt.temp(s.tempC!) })
    case 'boil':
      return time === null ? say('asPasted.boilDown') : say('reading.boilFor', { time })
    case 'pot':
      return POT_NAMES[s.how!]!
    case 'order':
      return `${fmt.name(s.ingredientId!)} ${JOINS[s.how!]}`
    case 'bench':
      return say('reading.benchFor', { time: time! })
    case 'freezer':
      return say('reading.freezerFor', { time: time! })
    case 'cold':
      if (time === null) return say('asPasted.coldNever')
      return s.ready ? say('asPasted.coldNeeds', { time }) : say('reading.coldFor', { time })
  }
}
