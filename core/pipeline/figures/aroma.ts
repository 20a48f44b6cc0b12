/** The aroma of a filling: every line of zest as it was cut and as warm as it lay, and the juice. */
import { fillingOf, type Bench } from '../../formula/bench'
import { isRubbed, sievedLines } from '../../formula/zest'
import { type Aroma, aromaOf, type Zest, ZEST_STRENGTH } from '../../physics/matter/aroma'
import { fatFraction } from '../../physics/matter/mix'
import type { Heated } from '../heated'
import { fromTime, joinedTo } from '../making'
import type { Mixed } from '../mixed'

/** Where a covered pan is by the time it is sieved, °C (judgement). */
const STEEP_ENDS_C = 45
/** Strength of zest whose fruit is neither said nor told by a juice. */
const PLAIN_STRENGTH = 1

/** The fruit that zest comes from where nobody says: that of the most juice there is. */
function ownFruit({ plan }: Mixed): string | undefined {
  return plan.all.filter(p => ZEST_STRENGTH[p.row.id] !== undefined && p.massG > 0)
    .sort((a, b) => b.massG - a.massG)[0]?.row.id
}

/**
 * @returns the aroma as poured
 * @example aromaFigures(doc, worked.mixed, worked.heated).word // 'faint'
 */
export function aromaFigures(doc: Bench, mixed: Mixed, heated: Pick<Heated, 'finished' | 'paths'>): Aroma {
  const { plan } = mixed
  const { lines, steps } = fillingOf(doc)
  const sieved = sievedLines(steps)
  const { heated: pot, after } = heated.paths
  const steepS = doc.serve.ownS?.steep ?? 0
  const endC = pot.tempC.at(-1)!
  // Under a lid it falls towards the room: half of the way, taken over all of it (judgement).
  const lidC = (endC + STEEP_ENDS_C) / 2
  const covered = steepS > 0 ? { covered: { timeS: [0, steepS], tempC: [lidC, lidC] } } : {}
  const whole = joinedTo(pot, after)
  // What joins later, by its place among the lines' parts.
  const pathOf = (part: (typeof plan.all)[number]) => {
    const i = plan.additions.findIndex(a => a.parts.includes(part))
    return i < 0 ? whole : fromTime(after, heated.paths.joinedS[i] ?? 0)
  }
  const fruit = ownFruit(mixed)
  const zests: Zest[] = plan.all.flatMap((part, i) => {
    const line = lines[i]!
    if (part.row.group !== 'zest' || !(part.massG > 0)) return []
    const { of = fruit, cut = 'fine' } = line.zest ?? {}
    const rubbed = isRubbed(line, { lines, steps })
    const strength = ZEST_STRENGTH[of ?? ''] ?? PLAIN_STRENGTH
    return [{ massG: part.massG, strength, cut, rubbed, sieved: sieved.has(line.id), along: pathOf(part), ...covered }]
  })
  const juices = plan.all.filter(p => ZEST_STRENGTH[p.row.id] !== undefined && p.massG > 0)
  const juiceG = juices.reduce((s, p) => s + p.massG, 0)
  const main = juices.sort((a, b) => b.massG - a.massG)[0]
  const { finished } = heated
  return aromaOf(
    zests, { massG: juiceG, along: main ? pathOf(main) : whole }, finished.massG, fatFraction(finished),
  )
}
