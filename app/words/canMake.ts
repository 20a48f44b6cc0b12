/** Why something cannot be made this time, and what may not be in it. */
import type { Diet, Refusal } from '#core/schedule/canMake'
import { KIND_NAMES, longWords } from './today'
import { group, say } from './say'

export const DIET_NAMES = group<Record<Diet, string>>('canMake.DIETS')

/** The sentence of a reason. @example refusalWords({ why: 'usesNone' }, fmt) // 'uses nothing of what is there' */
export function refusalWords(r: Refusal, fmt: { name: (id: string) => string }): string {
  switch (r.why) {
    case 'usesNone': return say('canMake.usesNone')
    case 'usesLittle': return say('canMake.usesLittle', { percent: Math.round(100 * r.share) })
    case 'short': return say('canMake.short', { what: fmt.name(r.ingredientId), n: r.portions })
    case 'holds': return say('canMake.holds', { what: r.ingredientIds.map(fmt.name).join(', '), diet: DIET_NAMES[r.diet] })
    case 'needs': return say('canMake.needs', { what: KIND_NAMES[r.kind] })
    case 'late': return say('canMake.late', { takes: longWords(r.minutes), over: longWords(r.overMin) })
    case 'cannot': return say('canMake.cannot', { path: r.path })
  }
}
