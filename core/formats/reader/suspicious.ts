/** A figure beyond what a kitchen could mean is asked, never taken. */
import { findIngredient } from '../../base/ingredients/ingredients'
import type { Part } from './parts'
import { type Answers, answersTo } from './reading'

/** Most of one thing in a text, of all, before it is asked (judgement); water and setters are never most. */
const MOST_SHARE = 0.8
/** And only from here on, g. */
const FROM_G = 1000
/** Most of a portion, g (judgement). */
const PORTION_G = 700
/** Most of one line that a kitchen weighs, g. */
const MOST_G = 100_000
/** Beside the rest of a text nothing weighs so much and so large a share, water neither. */
const HUGE_G = 5000
const HUGE_SHARE = 0.93

/** Asks again for what is out of all proportion. */
export function suspicious(parts: readonly Part[], text: string, portions: number | null, answers: Answers): void {
  const lines = parts.filter(p => p.weighed && !p.leftOut && !p.weighed.question)
  const mass = (p: Part) => p.weighed!.items.reduce((sum, i) => sum + (i.massG ?? 0), 0)
  const total = lines.reduce((sum, p) => sum + mass(p), 0)
  for (const p of lines) {
    const own = text.slice(p.span[0], p.span[1])
    if (answersTo(answers, own).some(a => typeof a === 'number' || a === 'meant')) continue
    const g = mass(p)
    const groups = p.weighed!.items.map(i => findIngredient(i.ingredientId ?? '')?.group ?? '')
    const wet = groups.every(g => ['dairy', 'water', 'juice', 'plant', 'fruit'].includes(g))
    const odd = g > MOST_G || (lines.length > 2 && !wet && g >= FROM_G && g / total > MOST_SHARE)
      || (portions !== null && g >= FROM_G && total / portions > PORTION_G && g / total > 0.5)
      || (lines.length > 2 && g >= HUGE_G && g / total > HUGE_SHARE)
      || (p.weighed!.items.some(i => i.massG !== null && i.massG <= 0))
    if (!odd) continue
    const items = p.weighed!.items.map(i => ({ ...i, massG: null }))
    p.weighed = {
      ...p.weighed!, items, assumptions: [],
      question: { kind: 'figure', choices: ['meant'], suggested: Math.round(g), shared: null, words: own },
    }
  }
}
