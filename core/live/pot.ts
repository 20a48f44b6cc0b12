/**
 * A pot while it is on: an ensemble Kalman filter over the pot's own equation. Every member is a pot with its own
 * temperature, heat, loss, capacity and probe; each reading pulls all of them towards what it shows, by how much they
 * disagree among themselves. What they say of the time left is a range, and it shrinks as they agree.
 *
 *   per member: (C·e^c)·Ṫ = q − e^l·loss(T),  q̇ = (f·heat(T) − q)/τ_w,  probe: ṡ = (T − s)/τ_p,  shown = s + b
 *   reading z: gain K = cov(x, s + b)/(var(s + b) + R); mean by K, deviations by K/(1 + √(R/(var + R)))
 *
 * Source: Evensen, Ocean Dynamics 53 (2003); update without perturbed readings: Whitaker & Hamill, Mon. Weather Rev.
 * 130 (2002). Both from memory (H). Unrest and the spread of a reading are fitted on other simulated pots than those of
 * the proof (docs/science.md).
 */
import { quantile } from 'simple-statistics'
import { type Noise, noiseOf } from '../base/noise'
import { STANDARD } from '../base/parameters'
import { BURST, potConditions, potFlows, type PotInput } from '../physics/heat/pot'
import { noticed, type Noticed, type Reading, seen, startSeen, type Seen } from './notice'

const MEMBERS = 200
/** One σ of what is not known as the pot goes on: judgement, where the core has no spread of its own. */
const PRIOR = {
  /** Heat over stated. */ heat: 0.22,
  /** ln of all losses. */ lnLoss: 0.2,
  /** ln of the heat capacity of pan and mix. */ lnCapacity: 0.06,
  /** ln of the seconds a probe takes; 5 in the middle. */ lnLag: 0.6,
  /** The thermometer, K. */ biasK: 1,
  /** What goes into the pan, against what was stated, K. */ startK: 2,
  /** A bath's steam, against a degree under its boil, K; ln of how well it gives its heat. */ bathK: 0.7, lnBath: 0.2,
  /** ln of the seconds in which the base takes up a change. */ lnWall: 0.4,
}
const PROBE_S = 5
/** Time in which the pan's base takes up a change of the heat, s (1–2 mm of steel and its film; judgement). */
const WALL_S = 25
/**
 * Unrest: K of the mix, share of the heat (of a microwave, which is steadier), ln of what a
 * bath gives, per √s (fitted).
 */
const UNREST = { tempK: 0.02, heat: 0.01, microwave: 0.0025, lnBath: 0.002 }
const STEP_S = 1
/** What is open again after a change, σ: the heat, what a bath gives, what has gone by unseen meanwhile (fitted). */
const AFTER_CHANGE = { heat: 0.4, lnBath: 0.04, tempK: 1.5, flow: 0.5 }
/** Whatever takes longer is not foretold, s. */
const MOST_S = 4 * 3600

/** One number a member, for every state. */
interface Ensemble {
  tempC: Float64Array
  /** Heat that flows into the mix, W. */
  flowW: Float64Array
  /** Heat over stated. */
  heat: Float64Array
  lnLoss: Float64Array
  lnCapacity: Float64Array
  lnLag: Float64Array
  biasK: Float64Array
  bathK: Float64Array
  lnBath: Float64Array
  lnWall: Float64Array
  /** What the probe feels, °C. */
  feltC: Float64Array
}
export interface LivePot {
  plan: PotInput
  timeS: number
  ensemble: Ensemble
  seen: Seen
  /** What is noticed at present. */
  notices: readonly Noticed[]
  /** Off the heat since, s, and what the heat was before: lifted, or turned out. */
  off: { sinceS: number, heat: Float64Array, lnBath: Float64Array } | null
  /** The last of the readings, and states of the members at some of them. */
  readings: readonly Reading[]
  past: readonly Then[]
  /** Readings so far: with it every draw can be had again. */
  count: number
  seed: number
}

const mean = (x: ArrayLike<number>): number => {
  let sum = 0
  for (let i = 0; i < x.length; i++) sum += x[i]!
  return sum / x.length
}
/** Draws of a spread, moved so that their mean is as it should be: few members would miss it by chance. */
function draws(noise: Noise, at: number, sigma: number): Float64Array {
  const x = Float64Array.from({ length: MEMBERS }, () => sigma * noise.normal())
  const off = mean(x) - at
  return x.map(v => v - off)
}

/** A pot as it goes on, before any reading. @example startLive(pot).timeS // 0 */
export function startLive(plan: PotInput, seed = 1): LivePot {
  const noise = noiseOf(seed)
  const tempC = draws(noise, plan.startTempC, PRIOR.startK)
  const ensemble: Ensemble = {
    tempC,
    flowW: new Float64Array(MEMBERS),
    heat: draws(noise, 1, PRIOR.heat).map(f => Math.max(0.05, f)),
    lnLoss: draws(noise, 0, PRIOR.lnLoss),
    lnCapacity: draws(noise, 0, PRIOR.lnCapacity),
    lnLag: draws(noise, Math.log(PROBE_S), PRIOR.lnLag),
    biasK: draws(noise, 0, PRIOR.biasK),
    bathK: draws(noise, 0, PRIOR.bathK),
    lnBath: draws(noise, 0, PRIOR.lnBath),
    lnWall: draws(noise, Math.log(plan.method === 'microwave' ? 1 : WALL_S), PRIOR.lnWall),
    feltC: tempC.slice(),
  }
  const past = [{ timeS: 0, ensemble }]
  return { plan, timeS: 0, ensemble, seen: startSeen(), notices: [], off: null, readings: [], past, count: 0, seed }
}

/** A microwave's mean over burst and whisk as it comes: all of it in the burst. */
function inBurst(p: PotInput, timeS: number): number {
  if (p.method !== 'microwave') return 1
  const onS = p.burstS ?? BURST.onS
  const cycleS = onS + BURST.whiskS
  return timeS % cycleS < onS ? cycleS / onS : 0
}
/** One member a step later. */
function step(
  p: PotInput, at: ReturnType<typeof potConditions>, e: Ensemble, i: number, timeS: number, dt: number,
): void {
  const t = e.tempC[i]!
  const { heatIn, loss } = potFlows(p, at, t)
  const c = p.coefficients ?? STANDARD.pot
  // On a bath the flame only bounds what the steam gives; how well the bowl takes it is another thing.
  const heatW = p.method === 'waterBath'
    ? Math.min(
        Math.exp(e.lnBath[i]!) * c.bathU * c.bowlArea * p.pan.surfaceM2 * Math.max(0, at.bathC + e.bathK[i]! - t),
        e.heat[i]! * c.bathPowerW,
      )
    : e.heat[i]! * heatIn * inBurst(p, timeS)
  const flow = e.flowW[i]! + (heatW - e.flowW[i]!) * (1 - Math.exp(-dt / Math.exp(e.lnWall[i]!)))
  const capacity = ((p.massG / 1000) * p.cp + p.pan.heatCapacity) * Math.exp(e.lnCapacity[i]!)
  e.flowW[i] = flow
  e.tempC[i] = Math.min(at.boilC, t + (dt * (flow - Math.exp(e.lnLoss[i]!) * loss)) / capacity)
  e.feltC[i]! += (e.tempC[i]! - e.feltC[i]!) * (1 - Math.exp(-dt / Math.exp(e.lnLag[i]!)))
}
/** All members some seconds later, with the unrest of a kitchen. Changes the ensemble it is given. */
function advance(plan: PotInput, e: Ensemble, fromS: number, toS: number, noise: Noise): void {
  const at = potConditions(plan)
  const heat = plan.method === 'microwave' ? UNREST.microwave : UNREST.heat
  for (let timeS = fromS; timeS < toS - 1e-9;) {
    const dt = Math.min(STEP_S, toS - timeS)
    for (let i = 0; i < MEMBERS; i++) {
      step(plan, at, e, i, timeS, dt)
      e.tempC[i]! += UNREST.tempK * Math.sqrt(dt) * noise.normal()
      e.heat[i] = Math.max(0, e.heat[i]! + heat * Math.sqrt(dt) * noise.normal())
      if (plan.method === 'waterBath') e.lnBath[i]! += UNREST.lnBath * Math.sqrt(dt) * noise.normal()
    }
    timeS += dt
  }
}

/** What the probes of the members would show: mean and variance. */
function expected(e: Ensemble): { shown: Float64Array, at: number, variance: number } {
  const shown = e.feltC.map((s, i) => s + e.biasK[i]!)
  const at = mean(shown)
  return { shown, at, variance: mean(shown.map(v => (v - at) ** 2)) * (MEMBERS / (MEMBERS - 1)) }
}
/** Every state of every member, pulled by a reading. Changes the ensemble it is given. */
function pull(e: Ensemble, tempC: number, readingK: number): void {
  const { shown, at, variance } = expected(e)
  const r = readingK ** 2
  const alpha = 1 / (1 + Math.sqrt(r / (variance + r)))
  for (const x of Object.values(e) as Float64Array[]) {
    const m = mean(x)
    let cov = 0
    for (let i = 0; i < MEMBERS; i++) cov += (x[i]! - m) * (shown[i]! - at)
    const gain = cov / (MEMBERS - 1) / (variance + r)
    for (let i = 0; i < MEMBERS; i++) x[i]! += gain * (tempC - at) - alpha * gain * (shown[i]! - at)
  }
  for (let i = 0; i < MEMBERS; i++) e.heat[i] = Math.max(0, e.heat[i]!)
}

/** Where a pot was a moment ago, and what has been read since: to look back to when something changes. */
interface Then { timeS: number, ensemble: Ensemble }
/** So far back is kept, s; a state every so many seconds; a change is looked for from this long before it is told. */
const PAST = { keptS: 45, everyS: 6, backS: 20 }

/**
 * Logarithms of how much likelier nothing happened than any one thing, and how much less so that it was lifted off for
 * good; how much wider what is known is where nothing did (fitted).
 */
const FOR_NOTHING = 3
const AGAINST_OFF = 2
const WIDENED = 1.4
const copied = (e: Ensemble): Ensemble =>
  Object.fromEntries(Object.entries(e).map(([k, x]) => [k, (x as Float64Array).slice()])) as unknown as Ensemble
function put(to: Float64Array, value: (i: number) => number): void {
  for (let i = 0; i < to.length; i++) to[i] = value(i)
}

/** What may have happened to a pot whose readings are no longer those of the heat that was, done to an ensemble. */
const HAPPENED = {
  /** The knob was turned: the heat is open. */
  turned: (e: Ensemble, noise: Noise) => {
    const [heat, bath] = [draws(noise, 0, AFTER_CHANGE.heat), draws(noise, 0, AFTER_CHANGE.lnBath)]
    put(e.heat, i => Math.max(0, e.heat[i]! + heat[i]!))
    put(e.lnBath, i => e.lnBath[i]! + bath[i]!)
  },
  /** It was lifted off, or the flame is out: hardly any heat. */
  off: (e: Ensemble, noise: Noise) => {
    const rest = draws(noise, 0, 0.05)
    put(e.heat, i => Math.abs(rest[i]!))
  },
  /** Nothing did: it is only less well known than was thought. */
  nothing: (e: Ensemble) => {
    for (const x of Object.values(e) as Float64Array[]) {
      const at = mean(x)
      put(x, i => at + WIDENED * (x[i]! - at))
    }
  },
  /** It stood off the heat for a moment, or something cold went in, and the heat is what it was. */
  moment: (e: Ensemble, noise: Noise) => {
    const [tempK, flow] = [draws(noise, 0, AFTER_CHANGE.tempK), draws(noise, 1, AFTER_CHANGE.flow)]
    put(e.tempC, i => e.tempC[i]! + tempK[i]!)
    put(e.flowW, i => e.flowW[i]! * Math.max(0, flow[i]!))
  },
} as const

/** An ensemble through readings; how likely it took each of them to be, as a sum of logarithms. */
function replay(
  plan: PotInput, { timeS, ensemble }: Then, readings: readonly Reading[], noiseK: number, noise: Noise,
): number {
  let now = timeS
  let likely = 0
  for (const r of readings) {
    advance(plan, ensemble, now, r.atS, noise)
    now = r.atS
    const { at, variance } = expected(ensemble)
    const all = variance + noiseK ** 2
    likely -= 0.5 * ((r.tempC - at) ** 2 / all + Math.log(all))
    pull(ensemble, r.tempC, noiseK)
  }
  return likely
}

/**
 * The heat seems another one: every thing that may have happened is tried from a moment before, with the readings
 * since, and the likeliest holds; nothing may have. What was off the heat may be back on the heat that was.
 */
function lookBack(
  live: LivePot, readings: readonly Reading[], noise: Noise,
): Pick<LivePot, 'ensemble' | 'off'> & { isNothing: boolean } {
  const now = readings.at(-1)!.atS
  const from = live.past.findLast(x => x.timeS <= now - PAST.backS) ?? live.past[0]!
  const since = readings.filter(r => r.atS > from.timeS)
  const { off } = live
  // What is turned while it is off the heat was lifted at another heat than the next will be.
  const before = (e: Ensemble) => {
    if (off) put(e.heat, i => off.heat[i]!)
  }
  const tries = Object.entries(HAPPENED).map(([what, happen]) => ({
    what,
    happen: (e: Ensemble) => {
      if (what === 'turned') before(e)
      happen(e, noise)
    },
  }))
  if (off)
    tries.push({
      what: 'back',
      happen: (e) => {
        put(e.heat, i => off.heat[i]!)
        put(e.lnBath, i => off.lnBath[i]!)
      },
    })
  const tried = tries.map(({ what, happen }) => {
    const ensemble = copied(from.ensemble)
    happen(ensemble)
    const likely = replay(live.plan, { timeS: from.timeS, ensemble }, since, live.seen.noiseK, noise)
    return { what, ensemble, likely: likely + (what === 'nothing' ? FOR_NOTHING : what === 'off' ? -AGAINST_OFF : 0) }
  })
  const best = tried.reduce((a, b) => (b.likely > a.likely ? b : a))
  const { heat, lnBath } = from.ensemble
  const isOff = best.what === 'off' || (best.what === 'nothing' && off)
  return {
    ensemble: best.ensemble, isNothing: best.what === 'nothing',
    off: isOff ? off ?? { sinceS: from.timeS, heat, lnBath } : null,
  }
}

/**
 * The pot after a reading: members brought to its time, what is odd noticed, and, unless the probe says nothing of the
 * mix, all of them pulled by it.
 * @param reading later than the one before; an earlier one changes nothing, nor one hours later: another pot
 * @example observe(startLive(pot), { atS: 5, tempC: 18.4 }).timeS // 5
 */
export function observe(live: LivePot, reading: Reading): LivePot {
  const passedS = reading.atS - live.timeS
  if (!(passedS > 0 && passedS < MOST_S) || !Number.isFinite(reading.tempC)) return live
  const { plan } = live
  const noise = noiseOf(live.seed * 100_003 + live.count + 1)
  const e = copied(live.ensemble)
  advance(plan, e, live.timeS, reading.atS, noise)
  const { at, variance } = expected(e)
  const { boilC } = potConditions(plan)
  const now = seen(live.seen, reading, { at, variance, tempC: mean(e.tempC), boilC })
  if (now.speaks) pull(e, reading.tempC, now.noiseK)
  const readings = [...live.readings.filter(r => r.atS > reading.atS - PAST.keptS), ...(now.speaks ? [reading] : [])]
  const isKept = reading.atS - (live.past.at(-1)?.timeS ?? -Infinity) >= PAST.everyS
  const kept = live.past.filter(x => x.timeS > reading.atS - PAST.keptS)
  const past = isKept ? [...kept, { timeS: reading.atS, ensemble: e }] : kept
  const next = { ...live, timeS: reading.atS, seen: now, notices: noticed(now), readings, past, count: live.count + 1 }
  if (!now.heatChanged) return { ...next, ensemble: e }
  const { ensemble, off, isNothing } = lookBack({ ...next, past: live.past }, readings, noise)
  // What was kept before is of the heat that was, or was thought to be known better than it is.
  const told = isNothing ? { ...now, toldS: live.seen.toldS } : now
  return { ...next, ensemble, off, seen: told, notices: noticed(told), past: [{ timeS: reading.atS, ensemble }] }
}

/** Share of the members below a range, and above: 80 % of truths lie within (fitted; the members spread too widely). */
const RANGE = 0.16
/** A figure with its 80 % range. */
export interface Range {
  value: number
  low: number
  high: number
}
const rangeOf = (x: readonly number[]): Range =>
  ({ value: quantile([...x], 0.5), low: quantile([...x], RANGE), high: quantile([...x], 1 - RANGE) })

export interface Outlook {
  /** Of the mix itself, whatever the display says, °C. */
  tempC: Range
  /** Heat over stated. */
  heat: Range
  /** Seconds from now until each temperature is reached; 0: it has been; null: the pot never gets there. */
  left: (Range | null)[]
  /** Seconds until it should come off the heat, so that what the pan gives back ends it at the last of them. */
  offS: Range | null
}

/** A member's times to each temperature, rising, from now; Infinity where it is not reached. */
function timesOf({ plan, ensemble: e, timeS: fromS }: LivePot, i: number, temps: readonly number[]): number[] {
  const at = potConditions(plan)
  const one = Object.fromEntries(
    Object.entries(e).map(([k, x]) => [k, Float64Array.of((x as Float64Array)[i]!)]),
  ) as unknown as Ensemble
  const out: number[] = []
  let before = one.tempC[0]!
  let markC = before
  for (let timeS = 0, k = 0; k < temps.length;) {
    if (one.tempC[0]! >= temps[k]! - 1e-9) {
      const share = one.tempC[0]! > before ? (temps[k]! - before) / (one.tempC[0]! - before) : 0
      out.push(timeS === 0 ? 0 : timeS - (1 - Math.min(1, Math.max(0, share))) * STEP_AHEAD_S)
      k++
      continue
    }
    if (timeS > 0 && timeS % MARK_S === 0) {
      if (timeS >= MOST_S || one.tempC[0]! < markC + STALLED_K) return [...out, ...temps.slice(k).map(() => Infinity)]
      markC = one.tempC[0]!
    }
    before = one.tempC[0]!
    step(plan, at, one, 0, fromS + timeS, STEP_AHEAD_S)
    timeS += STEP_AHEAD_S
  }
  return out
}
const STEP_AHEAD_S = 5
/** A member that gains less in two minutes gets no hotter, K. */
const STALLED_K = 0.2
const MARK_S = 120

/**
 * What is to be expected from here on, if nobody touches anything.
 * @param temps temperatures of the mix, °C, rising; the last is where it is meant to end
 * @example outlook(startLive(pot), [82]).left.length // 1
 */
export function outlook(live: LivePot, temps: readonly number[]): Outlook {
  const { plan, ensemble: e } = live
  const target = temps.at(-1)!
  const capacity = (plan.massG / 1000) * plan.cp + plan.pan.heatCapacity
  const offs: number[] = []
  const each = Array.from({ length: MEMBERS }, (_, i) => {
    // The heat in the wall goes on into the mix once the flame is out: q·τ_w in all.
    const afterK = (e.flowW[i]! * Math.exp(e.lnWall[i]!)) / capacity / Math.exp(e.lnCapacity[i]!)
    const all = [...temps.map((c, k) => ({ c, k })), { c: target - afterK, k: temps.length }].sort((a, b) => a.c - b.c)
    const times = timesOf(live, i, all.map(x => x.c))
    offs.push(times[all.findIndex(x => x.k === temps.length)]!)
    return temps.map((_, k) => times[all.findIndex(x => x.k === k)]!)
  })
  const ranged = (x: number[]): Range | null => {
    const r = rangeOf(x.map(v => Math.min(v, MOST_S)))
    return r.value >= MOST_S ? null : r
  }
  return {
    tempC: rangeOf([...e.tempC]),
    heat: rangeOf([...e.heat]),
    left: temps.map((_, k) => ranged(each.map(times => times[k]!))),
    offS: ranged(offs),
  }
}
