/**
 * What a row of readings says besides the temperature: heat that was changed, a probe that is out of the pot, on the
 * metal or stuck, a mix that is not stirred, boiling begun. Judged against what the filter expected of each reading.
 */
export interface Reading {
  /** Since the heat went on, s. */
  atS: number
  tempC: number
}

export const NOTICES = ['heatChanged', 'probeOut', 'probeOnMetal', 'stuck', 'uneven', 'boiling'] as const
export type Notice = (typeof NOTICES)[number]
export interface Noticed {
  what: Notice
  sinceS: number
}

/** What has been seen so far of a row of readings. */
export interface Seen {
  last: Reading | null
  /** Since when the display shows the same, s, and what was expected then, °C. */
  same: { sinceS: number, expectedC: number } | null
  /** Mean of the latest surprises, in σ. */
  drift: number
  /** What the latest reading differed by from what was expected, K; how much readings flicker, one σ in K. */
  surpriseK: number
  noiseK: number
  /** The least the display has stepped by so far, K; null: it has not. */
  stepK: number | null
  count: number
  /** Whether this reading says the heat has changed, and whether it says anything of the mix. */
  heatChanged: boolean
  speaks: boolean
  /** Away from the mix since, s: out of the pot or on the metal. */
  away: { what: 'probeOut' | 'probeOnMetal', sinceS: number } | null
  /** When readings last said so, s; and since when the heat is told to be another, once it was looked into. */
  changedS: number | null
  toldS: number | null
  stuckS: number | null
  unevenS: number | null
  boilingS: number | null
}
/** Before any reading. @example startSeen().count // 0 */
export const startSeen = (): Seen => ({
  last: null, same: null, drift: 0, surpriseK: 0, noiseK: READING_K, stepK: null, count: 0,
  heatChanged: false, speaks: true,
  away: null, changedS: null, toldS: null, stuckS: null, unevenS: null, boilingS: null,
})

/** Surprises are watched over about four readings; their mean has a σ of √(share/(2 − share)). */
const SHARE = 0.25
const MEAN_SIGMA = Math.sqrt(SHARE / (2 - SHARE))
/** Beyond so many σ of the mean the heat has changed; the first readings are those of a pot being found. */
const CHANGED_SIGMAS = 3.6
const SETTLING = 8
/** No change is told again so soon, s: the filter needs the readings to find the new heat. */
const QUIET_S = 20
/** No mix under a whisk gains or loses so much, K/s, beyond a jump of so many K (judgement). */
const JUMP = { perS: 1.5, leastK: 4 }
/** Back in the mix: within so many σ. */
const BACK_SIGMAS = 4
/** A probe that is told to be away this long while it follows smoothly is in the mix after all, s. */
const AWAY_MOST_S = 45
/** A display that stands this long while so much was to come is stuck. */
const STUCK = { forS: 25, whileK: 2 }
/** Before that it says nothing either way, once it stands while so much was to come, K. */
const DOUBTED_K = 1.2
/** Flicker of readings, K: at first, no less, no more; and from where it is that of a mix nobody stirs (judgement). */
export const READING_K = 0.35
const FLICKER = {
  leastK: 0.12, mostK: 3, unevenK: 0.9,
  /** The least of what the display steps by (fitted). */
  ofStep: 0.45,
}
/** Mean difference of two draws over their σ: 2/√π. */
const DIFFERENCE = 2 / Math.sqrt(Math.PI)
/** Near the boil and gaining nothing, K. */
const BOILING_K = 1.2

/** @param expected of this reading: what, and its variance; the mix's own temperature and its boil, °C */
export function seen(
  before: Seen, reading: Reading, expected: { at: number, variance: number, tempC: number, boilC: number },
): Seen {
  const { at, variance, tempC, boilC } = expected
  const { last } = before
  const surpriseK = reading.tempC - at
  const surprise = surpriseK / Math.sqrt(variance + before.noiseK ** 2)
  const passedS = last ? reading.atS - last.atS : 0
  const same = last && reading.tempC === last.tempC
    ? before.same ?? { sinceS: last.atS, expectedC: at } : null
  const isStuck = same !== null && reading.atS - same.sinceS > STUCK.forS
    && Math.abs(at - same.expectedC) > STUCK.whileK
  const jumpK = last ? reading.tempC - last.tempC : 0
  const isJump = last !== null && Math.abs(jumpK) > Math.max(JUMP.leastK, JUMP.perS * passedS)
    && Math.abs(surprise) > BACK_SIGMAS
  const isBack = Math.abs(surprise) < BACK_SIGMAS
    || (before.away !== null && reading.atS - before.away.sinceS > AWAY_MOST_S)
  const away = isJump
    ? { what: jumpK < 0 ? 'probeOut' as const : 'probeOnMetal' as const, sinceS: reading.atS }
    : isBack ? null : before.away
  const isDoubted = same !== null && Math.abs(at - same.expectedC) > DOUBTED_K
  const speaks = !isStuck && !isDoubted && away === null
  const drift = speaks ? (1 - SHARE) * before.drift + SHARE * surprise : before.drift
  const apartK = speaks && last ? Math.abs(surpriseK - before.surpriseK) / DIFFERENCE : before.noiseK
  const stepK = jumpK === 0 ? before.stepK : Math.min(before.stepK ?? Infinity, Math.abs(jumpK))
  const leastK = Math.max(FLICKER.leastK, FLICKER.ofStep * Math.min(1, stepK ?? 0))
  const noiseK = Math.min(FLICKER.mostK, Math.max(leastK, 0.92 * before.noiseK + 0.08 * apartK))
  const isQuiet = before.changedS !== null && reading.atS - before.changedS < QUIET_S
  const heatChanged = speaks && before.count >= SETTLING && !isQuiet && Math.abs(drift) > CHANGED_SIGMAS * MEAN_SIGMA
  const isUneven = noiseK > FLICKER.unevenK
  const boils = boilC - tempC < BOILING_K
  return {
    last: reading,
    same,
    drift: heatChanged ? 0 : drift,
    surpriseK: speaks ? surpriseK : before.surpriseK,
    noiseK,
    stepK,
    count: before.count + 1,
    heatChanged,
    speaks,
    away,
    changedS: heatChanged ? reading.atS : before.changedS,
    toldS: heatChanged ? reading.atS : before.toldS,
    stuckS: isStuck ? before.stuckS ?? same!.sinceS : null,
    unevenS: isUneven ? before.unevenS ?? reading.atS : null,
    boilingS: boils ? before.boilingS ?? reading.atS : null,
  }
}

/** For how long a change of the heat is told, s. */
const TOLD_S = 60
/** What is noticed at present, the newest first. */
export function noticed(s: Seen): Noticed[] {
  const now = s.last?.atS ?? 0
  const all: (Noticed | null)[] = [
    s.toldS !== null && now - s.toldS < TOLD_S ? { what: 'heatChanged', sinceS: s.toldS } : null,
    s.away,
    s.stuckS === null ? null : { what: 'stuck', sinceS: s.stuckS },
    s.unevenS === null ? null : { what: 'uneven', sinceS: s.unevenS },
    s.boilingS === null ? null : { what: 'boiling', sinceS: s.boilingS },
  ]
  return all.filter(x => x !== null).sort((a, b) => b.sinceS - a.sinceS)
}
