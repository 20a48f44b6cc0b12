/**
 * Failures with a known cause: a dessert that comes out as meant in a simulated kitchen, made again in the same kitchen
 * with one thing wrong, so that it does not. What is to blame is known; whether it is found is the trial.
 */
import { noiseOf } from '../../core/base/noise'
import { toEnd } from '../../core/base/run'
import { benchOf, fillingOf, type Planned } from '../../core/formula/bench'
import { hasTrait } from '../../core/base/ingredients/ingredients'
import { type BatchRecord, eventsOf } from '../../core/book/record'
import { caseOf, causesOf, weighCauses } from '../../core/diagnose/weigh'
import type { Kitchen } from '../../core/kitchen/kitchen'
import { KITCHEN_TRUTHS, type Mistake, MISTAKES, type SaidTruth, type TruthId } from '../../core/plant/truth'
import { runBatch } from '../../core/simulate/batch'

/** What may be planted: everything of the kitchen that a dessert can suffer from, and every mistake. */
const TRUTHS: [TruthId, 'normal' | 'lnNormal', number][] = [
  ['probeBiasK', 'normal', 1.5], ['burnerFactor', 'lnNormal', 0.15], ['ovenOffsetK', 'normal', 8],
  ['fridgeAirOffsetK', 'normal', 1], ['fridgeConvectionFactor', 'lnNormal', 0.3], ['evaporationFactor', 'lnNormal', 0.12],
  ['juiceAcidFactor', 'lnNormal', 0.15], ['yolkMassFactor', 'lnNormal', 0.05], ['setFactor', 'lnNormal', 0.35],
  ['scaleFactor', 'lnNormal', 0.01],
]
const CAUSES = [...TRUTHS.map(([id]) => id), ...MISTAKES]

export interface Failure {
  cause: string
  record: BatchRecord
}

/** A strength of a mistake; null where the plan has no room for it. */
function mistakeOf(kind: Mistake['kind'], planned: Planned, noise: ReturnType<typeof noiseOf>): Mistake | null {
  const b = benchOf(planned)
  const lines = fillingOf(b).lines.filter(l => l.massG > 0)
  const line = lines[Math.floor(noise.uniform() * lines.length)]!
  switch (kind) {
    case 'lineForgotten': case 'lineDoubled': return { kind, lineId: line.id, amount: null }
    case 'spoonSize': {
      const small = lines.filter(l => l.massG <= 60)
      const one = small[Math.floor(noise.uniform() * small.length)]
      return one ? { kind, lineId: one.id, amount: noise.chance(0.5) ? 20 : 5 } : null
    }
    case 'otherGelatine':
      return lines.some(l => hasTrait(l.ingredientId, 'gelatin')) ? { kind, lineId: null, amount: noise.chance(0.7) ? 130 : 250 } : null
    case 'targetMissedK': return { kind, lineId: null, amount: noise.chance(0.5) ? noise.between(-10, -4) : noise.between(4, 10) }
    case 'reductionStoppedEarlyG': return b.heat.until === 'creamVolume' ? { kind, lineId: null, amount: noise.between(40, 75) } : null
    case 'chilledTooShortS': return { kind, lineId: null, amount: noise.between(0.3, 0.85) * b.chill.reduce((s, l) => s + l.timeS, 0) }
    case 'openedWarm': return { kind, lineId: null, amount: noise.between(14, 28) }
  }
}

/** A dessert that failed by one thing, by seed; null where nothing of this seed does. */
export function failureOf(seed: number, formulas: readonly Planned[], kitchen: Kitchen): Failure | null {
  const noise = noiseOf(seed * 31 + 7)
  for (let tries = 0; tries < 12; tries++) {
    const planned = formulas[Math.floor(noise.uniform() * formulas.length)]!
    const cause = CAUSES[(seed + tries * 5) % CAUSES.length]!
    const make = (said: SaidTruth) => runBatch({ planned, kitchen, said, kitchenSeed: seed, seed, startedAt: '' }).record
    const truth = TRUTHS.find(([id]) => id === cause)
    const z = (noise.chance(0.5) ? 1 : -1) * noise.between(1.8, 5)
    const mistake = truth ? null : mistakeOf(cause as Mistake['kind'], planned, noise)
    if (!truth && !mistake) continue
    const values = truth ? { [truth[0]]: truth[1] === 'normal' ? z * truth[2] : Math.exp(z * truth[2]) } : {}
    const came = (r: BatchRecord) => eventsOf(r.events, 'outcome').at(-1)!.outcome
    const record = make({ values, mistake })
    if (came(record).asMeant !== false) continue
    // The same day without it comes out as meant: it is this that is to blame.
    const plain = truth ? { [truth[0]]: truth[0] in KITCHEN_TRUTHS && truth[1] === 'normal' ? 0 : 1 } : {}
    if (came(make({ values: plain, mistake: null })).asMeant !== true) continue
    return { cause, record }
  }
  return null
}

export interface Blamed {
  cause: string
  /** Place of the true cause among those found, 1 the first; null: not among them. */
  place: number | null
  /** Share it was given, and that of the first. */
  share: number
  firstShare: number
  first: string
}

/** Whom the core blames. */
export function blame({ cause, record }: Failure): Blamed {
  const causes = causesOf(toEnd(weighCauses(caseOf(record))))
  const merged = [...new Set(causes.map(c => c.id.split('.')[0]!))].map(id =>
    ({ id, share: causes.filter(c => c.id.split('.')[0] === id).reduce((s, c) => s + c.share, 0) })).sort((a, b) => b.share - a.share)
  const at = merged.findIndex(c => c.id === cause)
  const [first] = merged
  const share = at < 0 ? 0 : merged[at]!.share
  return { cause, place: at < 0 ? null : at + 1, share, firstShare: first!.share, first: first!.id }
}
