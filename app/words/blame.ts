/** Causes, questions, rescues and changes in a cook's words. */
import type { Direction } from '#core/diagnose/weigh'
import type { Rescue, Said } from '#core/diagnose/remedies'
import { group, say, sentences } from './say'

const causes = sentences('blame.CAUSES')
const questions = sentences('blame.QUESTIONS')
const tonight = sentences('blame.TONIGHT')
const next = sentences('blame.NEXT')
const SAFETY = group<Record<string, string>>('blame.SAFETY')
const shares = sentences('blame.SHARES')

type Format = ReturnType<typeof useFormat>
const first = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

export const causeWords = (id: string, direction: Direction, line: string): string =>
  first(causes(`${id.split('.')[0]}.${direction ?? 'high'}`, { line: line || say('blame.aLine') }))
/** A share in round words. @example shareWords(0.34) // 'about 3 in 10' */
export function shareWords(share: number): string {
  const n = Math.round(10 * share)
  return n >= 10 ? shares('sure') : share < 0.1 ? shares('few') : shares('most', { n: String(n) })
}

export const questionWords = (q: Said, lineName: (id: string) => string): string =>
  questions(q.code, { line: lineName(String(q.params.lineId ?? '')) || say('blame.aLine') })

/** Figures of a remedy with their units. */
function figuresOf(params: Said['params'], fmt: Format): Record<string, string> {
  const n = (k: string) => Number(params[k])
  return {
    ...('hours' in params ? { hours: fmt.fixed(n('hours'), n('hours') % 1 === 0 ? 0 : 1) } : {}),
    ...('minutes' in params ? { minutes: fmt.fixed(n('minutes')) } : {}),
    ...('targetC' in params ? { target: fmt.temp(n('targetC')) } : {}),
    ...('toC' in params ? { to: fmt.temp(n('toC')) } : {}),
    ...('eggG' in params ? { eggG: fmt.grams(n('eggG')) } : {}),
    ...('massG' in params ? { massG: fmt.grams(n('massG')) } : {}),
  }
}
export const rescueWords = (r: Rescue, fmt: Format): { what: string, safety: string } => ({
  what: tonight(r.code, figuresOf(r.params, fmt)),
  safety: SAFETY[r.safety] ?? '',
})
export const nextWords = (n: Said, fmt: Format): string => next(n.code, figuresOf(n.params, fmt))
