/**
 * Days for the planner's proof: drawn at random by a seed, and looked through by a checker of its own, which goes
 * through every minute and knows nothing of how a plan was made.
 */
import { noiseOf } from '../../core/base/noise'
import type { DayPlan, PlanTask } from '../../core/schedule/plan'
import type { DayInput, StepInput } from '../../core/schedule/read'

const DATE = '2026-11-28'
const clock = (minute: number) => {
  const [h, m] = [Math.floor(minute / 60), minute % 60]
  return `${DATE}T${String(h).padStart(2, '0')}:${String(m).padStart(2, '0')}`
}

/** A small day on a grid of ten minutes: one or two ovens, rings, one or two cooks with the same hours. */
export function smallDay(seed: number): DayInput {
  const noise = noiseOf(seed * 31 + 7)
  const pick = <T>(all: readonly T[]) => all[Math.floor(noise.uniform() * all.length)]!
  const tens = (from: number, to: number) => 10 * (from + Math.floor(noise.uniform() * (to - from + 1)))
  const cooks = 1 + Math.floor(noise.uniform() * 2)
  return {
    date: DATE,
    hands: Array.from({ length: cooks }, (_, i) => ({ name: `cook ${i + 1}`, from: clock(480), to: clock(1140) })),
    equipment: [
      { id: 'oven', kind: 'oven', capacity: 2, minC: 50, maxC: 250, heatKPerMin: 5, coolKPerMin: 2.5 },
      { id: 'rings', kind: 'ring', capacity: 1 },
    ],
    desserts: Array.from({ length: 2 + Math.floor(noise.uniform() * 2) }, (_, d) => {
      const n = 2 + Math.floor(noise.uniform() * 2)
      return {
        id: `d${d}`, name: `Dessert ${d}`, serveAt: clock(tens(102, 114)),
        keepMinutes: noise.chance(0.3) ? tens(6, 12) : null,
        steps: Array.from({ length: n }, (_, s): StepInput => {
          const minutes = tens(1, 5)
          const uses = noise.chance(0.5) ? [{ kind: 'oven', amount: 1, tempC: pick([100, 150, 150, 200]), closed: noise.chance(0.2) }]
            : noise.chance(0.4) ? [{ kind: 'ring', amount: 1 }] : []
          return {
            id: `s${s}`, name: `Step ${s}`, minutes, uses,
            attended: noise.chance(0.5) ? true : noise.chance(0.5) ? 10 : false,
            after: s === 0 ? [] : noise.chance(0.8) ? [`s${s - 1}`] : [],
            maxGapMinutes: s > 0 && noise.chance(0.2) ? tens(1, 3) : null,
          }
        }),
      }
    }),
  }
}

/** Some desserts stand in their tins from one of their steps to the last, and while they wait between. */
function withTins(day: DayInput, seed: number): DayInput {
  const noise = noiseOf(seed * 13 + 5)
  const desserts = day.desserts.map((d) => {
    const isRow = d.steps!.every((s, i) => i === 0 || s.after![0] === d.steps![i - 1]!.id)
    const from = noise.chance(0.6) && isRow ? Math.floor(noise.uniform() * (d.steps!.length - 1)) : Infinity
    return { ...d, steps: d.steps!.map((s, i) => (i < from ? s
      : { ...s, uses: [...s.uses!, { kind: 'tin', amount: 1, held: i < d.steps!.length - 1 }] })) }
  })
  return { ...day, desserts, equipment: [...day.equipment!, { id: 'tins', kind: 'tin', capacity: 1 }] }
}

/** A larger day of any minutes: several desserts, shifts with a break, everything there is to share. */
export const anyDay = (seed: number): DayInput => withTins(withoutTins(seed), seed)
function withoutTins(seed: number): DayInput {
  const noise = noiseOf(seed * 17 + 3)
  const pick = <T>(all: readonly T[]) => all[Math.floor(noise.uniform() * all.length)]!
  const whole = (from: number, to: number) => from + Math.floor(noise.uniform() * (to - from + 1))
  return {
    date: DATE,
    hands: Array.from({ length: whole(1, 3) }, (_, i) => ({
      name: `cook ${i + 1}`,
      shifts: [{ from: clock(360), to: clock(whole(660, 720)) }, { from: clock(whole(740, 780)), to: clock(1200) }],
    })),
    equipment: [
      ...Array.from({ length: whole(1, 2) }, (_, i) => ({
        id: `oven${i}`, kind: 'oven', capacity: whole(1, 3), minC: 60, maxC: 250,
        heatKPerMin: noise.between(3, 8), coolKPerMin: noise.between(1, 4),
      })),
      ...[0.2, 0.28].map((panM, i) => ({
        id: `ring${i}`, kind: 'ring', capacity: 1, panM, supply: { id: 'hob', watts: 3600 },
      })),
      { id: 'mixer', kind: 'mixer', capacity: 1 },
      { id: 'fridge', kind: 'fridge', capacity: 6 },
    ],
    desserts: Array.from({ length: whole(2, 5) }, (_, d) => ({
      id: `d${d}`, name: `Dessert ${d}`, serveAt: clock(whole(960, 1200)),
      keepMinutes: noise.chance(0.3) ? whole(60, 240) : null,
      earliest: noise.chance(0.3) ? clock(360) : null,
      steps: Array.from({ length: whole(2, 5) }, (_, s): StepInput => {
        const minutes = whole(3, 70)
        const kind = noise.uniform()
        return {
          id: `s${s}`, name: `Step ${s}`, minutes,
          minutesSlow: noise.chance(0.4) ? Math.round(minutes * noise.between(1.05, 1.4)) : null,
          attended: noise.chance(0.4) ? true : noise.chance(0.5) ? whole(1, minutes) : false,
          uses: kind < 0.35 ? [{ kind: 'oven', amount: 1, tempC: pick([93, 120, 149, 150, 180]), closed: noise.chance(0.25) }]
            : kind < 0.5 ? [{ kind: 'ring', amount: 1, panM: pick([0.18, 0.24]), drawW: pick([1200, 2000, 2600]) }]
              : kind < 0.6 ? [{ kind: 'mixer', amount: 1 }]
                : kind < 0.8 ? [{ kind: 'fridge', amount: whole(1, 3) }] : [],
          after: s === 0 ? [] : noise.chance(0.75) ? [`s${s - 1}`] : noise.chance(0.5) ? ['s0'] : [],
          maxGapMinutes: s > 0 && noise.chance(0.15) ? whole(5, 60) : null,
        }
      }),
    })),
  }
}

const minuteOf = (iso: string) => Date.parse(`${iso.slice(0, 19)}Z`) / 60_000
const CRUMB = 1 / 30

const handsOf = ({ attended, minutes }: StepInput) =>
  (attended === true ? minutes : attended === false ? 0 : Math.min(minutes, attended as number))

/** Tins that hold more than there are, from a step to the next that has them, minute by minute. */
function heldTwice(day: DayInput, tasks: readonly { t: PlanTask, start: number, end: number }[]): string[] {
  const out: string[] = []
  const taken = new Map<string, number>()
  for (const d of day.desserts)
    for (const s of d.steps!)
      for (const u of (s.uses ?? []).filter(x => x.held)) {
        const of = (id: string) => tasks.find(x => x.t.dessert === d.id && x.t.id === id)
        const end = of(s.id!)?.end ?? Infinity
        const follows = d.steps!.filter(n => n.after!.includes(s.id!) && n.uses!.some(v => v.kind === u.kind))
        const next = Math.min(...follows.map(n => of(n.id!)?.start ?? -Infinity))
        for (let m = Math.ceil(end); m < next - CRUMB; m++)
          taken.set(`${u.kind} ${m}`, (taken.get(`${u.kind} ${m}`) ?? 0) + 1)
      }
  for (const { t, start, end } of tasks)
    for (const use of t.uses) {
      const { kind } = day.equipment!.find(x => x.id === use.id)!
      for (let m = Math.ceil(start); m < end - CRUMB; m++)
        if (taken.has(`${kind} ${m}`) && taken.get(`${kind} ${m}`)! + use.amount > 1) out.push(`${kind} is held elsewhere`)
    }
  if ([...taken.values()].some(n => n > 1)) out.push('a tin is held twice')
  return out
}

/** Rings under pans that are too wide, and supplies that give more than they have, minute by minute. */
function overdrawn(day: DayInput, tasks: readonly { t: PlanTask, start: number, end: number }[]): string[] {
  const out: string[] = []
  const drawn = new Map<string, number>()
  for (const { t, start, end } of tasks)
    for (const [i, { id }] of t.uses.entries()) {
      const e = day.equipment!.find(x => x.id === id)!
      const given = day.desserts.find(d => d.id === t.dessert)!.steps!.find(s => s.id === t.id)!.uses![i]!
      if ((given.panM ?? 0) > (e.panM ?? Infinity)) out.push(`${id} takes no such pan`)
      for (let m = Math.ceil(start); e.supply && m < end - CRUMB; m++) {
        const key = `${e.supply.id} ${m}`
        drawn.set(key, (drawn.get(key) ?? 0) + (given.drawW ?? 0))
        if (drawn.get(key)! > e.supply.watts) out.push(`${e.supply.id} gives too much`)
      }
    }
  return out
}

/** Everything that is wrong with a plan, in words; none: it can be worked. */
export function faultsOf(day: DayInput, plan: DayPlan): string[] {
  const out: string[] = []
  const at = (t: PlanTask) => ({ t, start: minuteOf(t.start), end: minuteOf(t.end) })
  const tasks = plan.tasks.map(at)
  const find = (d: string, s: string) => tasks.find(x => x.t.dessert === d && x.t.id === s)
  for (const d of day.desserts) {
    const serve = minuteOf(`${d.serveAt}:00`)
    let ready = -Infinity
    for (const s of d.steps!) {
      const x = find(d.id!, s.id!)
      if (!x) {
        out.push(`${d.id}/${s.id} is missing`)
        continue
      }
      ready = Math.max(ready, x.end)
      if (Math.abs(x.end - x.start - s.minutes) > CRUMB) out.push(`${d.id}/${s.id} lasts ${x.end - x.start}`)
      if (x.end > serve + CRUMB) out.push(`${d.id}/${s.id} ends after service`)
      if (d.earliest && x.start < minuteOf(`${d.earliest}:00`) - CRUMB) out.push(`${d.id}/${s.id} begins too early`)
      for (const a of s.after ?? []) {
        const before = find(d.id!, a)
        if (!before) continue
        if (x.start < before.end - CRUMB) out.push(`${d.id}/${s.id} begins before ${a} ends`)
        if (s.maxGapMinutes != null && x.start - before.end > s.maxGapMinutes + CRUMB) out.push(`${d.id}/${s.id} waits too long`)
      }
      const hands = handsOf(s)
      if (hands > 0 && x.t.who === null) out.push(`${d.id}/${s.id} has nobody`)
      const person = day.hands!.find(h => h.name === x.t.who)
      const shifts = (person?.shifts ?? (person ? [{ from: person.from!, to: person.to! }] : []))
        .map(z => [minuteOf(`${z.from}:00`), minuteOf(`${z.to}:00`)])
      if (hands > 0 && !shifts.some(([f, u]) => f! <= x.start + CRUMB && u! >= x.start + hands - CRUMB))
        out.push(`${d.id}/${s.id} is outside ${x.t.who}'s hours`)
      if ((s.uses ?? []).length !== x.t.uses.length) out.push(`${d.id}/${s.id} lacks equipment`)
      for (const [i, u] of (s.uses ?? []).entries()) {
        const e = day.equipment!.find(q => q.id === x.t.uses[i]?.id)
        if (!e || (u.kind && e.kind !== u.kind) || (u.id && e.id !== u.id)) out.push(`${d.id}/${s.id} is on the wrong thing`)
      }
    }
    if (d.keepMinutes != null && ready < serve - d.keepMinutes - CRUMB) out.push(`${d.id} stands too long`)
  }
  // Hands: nobody at two things.
  for (const h of day.hands!) {
    const mine = tasks.filter(x => x.t.who === h.name)
      .flatMap(x => x.t.attended.map(([a, b]) => [minuteOf(a), minuteOf(b)])).sort((a, b) => a[0]! - b[0]!)
    mine.slice(1).forEach(([from], i) => { if (from! < mine[i]![1]! - CRUMB) out.push(`${h.name} is at two things`) })
  }
  out.push(...overdrawn(day, tasks), ...heldTwice(day, tasks))
  // Equipment, minute by minute; temperatures from one to the next.
  for (const e of day.equipment!) {
    const on = tasks.flatMap(x => x.t.uses.flatMap((u, i) => {
      if (u.id !== e.id) return []
      const given = day.desserts.find(d => d.id === x.t.dessert)!.steps!.find(s => s.id === x.t.id)!.uses![i]!
      return [{ ...x, amount: given.amount ?? 1, tempC: given.tempC ?? null, closed: given.closed ?? false }]
    })).sort((a, b) => a.start - b.start)
    const [first, last] = [Math.min(...on.map(x => x.start)), Math.max(...on.map(x => x.end))]
    for (let m = first + 0.5; m < last; m++) {
      const now = on.filter(x => x.start < m && x.end > m)
      if (e.capacity != null && now.reduce((s, x) => s + x.amount, 0) > e.capacity + 1e-6) out.push(`${e.id} holds too much`)
      const temps = now.flatMap(x => (x.tempC === null ? [] : [x.tempC]))
      if (temps.length > 0 && Math.max(...temps) - Math.min(...temps) > 5) out.push(`${e.id} has two temperatures`)
    }
    for (const x of on)
      for (const y of on) {
        if (x === y) continue
        const within = (m: number) => m > x.start + CRUMB && m < x.end - CRUMB
        if (x.closed && (within(y.start) || within(y.end)))
          out.push(`${e.id} is opened while it must be shut`)
        if (x.tempC === null || y.tempC === null || x.end > y.start + CRUMB) continue
        const k = y.tempC - x.tempC
        const rate = k > 0 ? e.heatKPerMin : e.coolKPerMin
        if (Math.abs(k) > 5 && rate && y.start - x.end < Math.abs(k) / rate - CRUMB) out.push(`${e.id} is not at its temperature yet`)
      }
  }
  return [...new Set(out)]
}

/** Minutes from first starts to services. */
export function costOfPlan(day: DayInput, plan: DayPlan): number {
  return day.desserts.reduce((s, d) => {
    const mine = plan.tasks.filter(t => t.dessert === d.id).map(t => minuteOf(t.start))
    return s + minuteOf(`${d.serveAt}:00`) - Math.min(...mine)
  }, 0)
}

/** The same day as an integer programme on a grid of ten minutes, in the LP format: the least cost there is. */
export function asProgramme(day: DayInput): { lp: string, serves: number } {
  const GRID = 10
  const [open, close] = [480, 1140]
  const toMin = (iso: string) => Number(iso.slice(11, 13)) * 60 + Number(iso.slice(14, 16))
  const first = open - 300
  const slots = (close - first) / GRID
  const tasks = day.desserts.flatMap((d, di) => d.steps!.map((s, si) => ({
    d, s, name: `x${di}_${si}`, di, last: toMin(d.serveAt) - s.minutes,
    hands: handsOf(s),
  })))
  const starts = tasks.map(t => Array.from({ length: slots }, (_, k) => first + GRID * k).filter(m =>
    m <= t.last && (t.hands === 0 || (m >= open && m + t.hands <= close))))
  const v = (i: number, m: number) => `${tasks[i]!.name}_${m}`
  const rows: string[] = []
  const when = (i: number) => starts[i]!.map(m => `${m} ${v(i, m)}`).join(' + ')
  const minus = (i: number) => starts[i]!.map(m => `- ${m} ${v(i, m)}`).join(' ')
  tasks.forEach((t, i) => {
    rows.push(`${starts[i]!.map(m => v(i, m)).join(' + ')} = 1`)
    rows.push(`f${t.di} ${minus(i)} <= 0`)
    for (const a of t.s.after ?? []) {
      const j = tasks.findIndex(q => q.d === t.d && q.s.id === a)
      rows.push(`${when(i)} ${minus(j)} >= ${tasks[j]!.s.minutes}`)
      if (t.s.maxGapMinutes != null) rows.push(`${when(i)} ${minus(j)} <= ${tasks[j]!.s.minutes + t.s.maxGapMinutes}`)
    }
  })
  for (const [di, d] of day.desserts.entries()) {
    if (d.keepMinutes == null) continue
    // One of its steps ends late enough.
    const late = tasks.flatMap((t, i) => (t.di === di
      ? starts[i]!.filter(m => m + t.s.minutes >= toMin(d.serveAt) - d.keepMinutes!).map(m => v(i, m)) : []))
    rows.push(`${late.join(' + ')} >= 1`)
  }
  for (let m = first; m < close; m += GRID) {
    const busy = tasks.flatMap((t, i) => starts[i]!.filter(s => s <= m && s + t.hands > m).map(s => v(i, s)))
    if (busy.length > 1) rows.push(`${busy.join(' + ')} <= ${day.hands!.length}`)
    for (const [kind, most] of [['oven', 2], ['ring', 1]] as const) {
      const on = tasks.flatMap((t, i) => (t.s.uses!.some(u => u.kind === kind)
        ? starts[i]!.filter(s => s <= m && s + t.s.minutes > m).map(s => v(i, s)) : []))
      if (on.length > 1) rows.push(`${on.join(' + ')} <= ${most}`)
    }
  }
  const oven = tasks.flatMap((t, i) => (t.s.uses!.some(u => u.kind === 'oven') ? [i] : []))
  const changes = (a: number, b: number) => (Math.abs(a - b) <= 5 ? 0 : Math.abs(a - b) / (b > a ? 5 : 2.5))
  for (const i of oven)
    for (const j of oven.filter(k => k > i))
      for (const m of starts[i]!) {
        const [ui, uj] = [tasks[i]!.s.uses![0]!, tasks[j]!.s.uses![0]!]
        const end = m + tasks[i]!.s.minutes
        const bad = starts[j]!.filter((n) => {
          const ends = n + tasks[j]!.s.minutes
          if (n >= end) return n - end < changes(ui.tempC!, uj.tempC!)
          if (ends <= m) return m - ends < changes(uj.tempC!, ui.tempC!)
          if (ui.tempC !== uj.tempC) return true
          const within = (t: number, a: number, b: number) => t > a && t < b
          return (ui.closed && (within(n, m, end) || within(ends, m, end)))
            || (uj.closed && (within(m, n, ends) || within(end, n, ends)))
        })
        if (bad.length > 0) rows.push(`${bad.length} ${v(i, m)} + ${bad.map(n => v(j, n)).join(' + ')} <= ${bad.length}`)
      }
  const serves = day.desserts.reduce((s, d) => s + toMin(d.serveAt), 0)
  const all = tasks.flatMap((_, i) => starts[i]!.map(m => v(i, m)))
  const lp = `Maximize\n obj: ${day.desserts.map((_, i) => `f${i}`).join(' + ')}\nSubject To\n${rows.map((r, k) => ` c${k}: ${r}`).join('\n')}
Bounds\n${day.desserts.map((_, i) => ` f${i} <= 1500`).join('\n')}\nBinary\n ${all.join('\n ')}\nEnd\n`
  return { lp, serves }
}
