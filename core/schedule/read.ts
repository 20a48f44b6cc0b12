/** DAY.json as a day of work: ISO times become minutes, what is absent its plain value; what cannot be is named. */
import { addMilliseconds, isValid, parseISO } from 'date-fns'
import { InputError } from '../base/errors'
import type { ColdPlace } from '../physics/chill/load'
import { type PlaceKind, USUAL_AIR_C } from '../physics/thermal/places'
import { OPENS_AT_WORK, type Warm } from './coldLoad'
import {
  type Day, type DayDessert, type DayStep, type Equipment, type EquipmentKind, type Hand, keyOf, type Shift,
} from './day'

/** A step as it is given; absent or null: no limit, nothing used, sure. */
export interface StepInput {
  id?: string | null
  name: string
  minutes: number
  minutesSlow?: number | null
  attended?: boolean | number | null
  uses?: {
    kind?: string | null
    id?: string | null
    amount?: number | null
    tempC?: number | null
    closed?: boolean | null
    panM?: number | null
    drawW?: number | null
    /** It stays taken until the next step that has it. */
    held?: boolean | null
  }[] | null
  after?: string[] | null
  maxGapMinutes?: number | null
  /** Where it was put by hand, or began. */
  fixed?: { start: string, who?: string | null } | null
  /** The heat it brings into the cold. */
  warm?: Warm | null
}
export interface DayInput {
  date: string
  kitchen?: unknown
  hands?: {
    name: string
    from?: string | null
    to?: string | null
    shifts?: { from: string, to: string }[] | null
  }[] | null
  equipment?: {
    id: string
    kind: string
    capacity?: number | null
    unit?: string | null
    minC?: number | null
    maxC?: number | null
    heatKPerMin?: number | null
    coolKPerMin?: number | null
    panM?: number | null
    /** It cannot be had before. */
    freeFrom?: string | null
    supply?: { id: string, watts: number } | null
    /** Its air, where it is cold. */
    place?: { kind: string, airC: number, roomC?: number | null } | null
  }[] | null
  desserts: {
    id?: string | null
    name: string
    formula?: unknown
    count?: number | null
    countOf?: string | null
    serveAt: string
    earliest?: string | null
    keepMinutes?: number | null
    /** Nothing of it is begun longer before service, as the food code or its kind has it. */
    freshMinutes?: number | null
    steps?: StepInput[] | null
  }[]
}

/** Minutes in whole seconds, as times are written: what follows at once still does when it is read again. */
const toSeconds = (minutes: number): number => Math.round(60 * minutes) / 60

/** The kitchen's own clock: texts of time to minutes and back, in the zone the day is written in. */
export interface Clock {
  at: (text: string, path: string) => number
  text: (minutes: number) => string
}
const ZONE = /(?:Z|[+-]\d{2}:?\d{2})$/
const zoneMinutes = (zone: string): number => {
  const m = /([+-])(\d{2}):?(\d{2})/.exec(zone)
  return m ? (m[1] === '-' ? -1 : 1) * (60 * Number(m[2]) + Number(m[3])) : 0
}
const MINUTE_MS = 60_000
const EPOCH = '1970-01-01T00:00:00Z'

/**
 * A clock for a day: times without a zone are in the one that others are written in; a bare "14:30" is of the date.
 * @example clockOf('2026-11-28', []).text(clockOf('2026-11-28', []).at('14:30', 'serveAt')) // '2026-11-28T14:30:00'
 */
export function clockOf(date: string, texts: readonly string[]): Clock {
  const zone = texts.map(t => ZONE.exec(t)?.[0]).find(z => z !== undefined) ?? ''
  const offset = zoneMinutes(zone)
  return {
    at(text, path) {
      const whole = /^\d{1,2}:\d{2}$/.test(text) ? `${date}T${text.padStart(5, '0')}` : text
      const at = parseISO(ZONE.test(whole) && whole.includes('T') ? whole : `${whole.includes('T') ? whole : `${whole}T00:00`}Z`)
      if (!isValid(at)) throw new InputError('notANumber', path)
      const minutes = at.getTime() / MINUTE_MS
      return ZONE.test(whole) && whole.includes('T') ? minutes : minutes - offset
    },
    text(minutes) {
      const local = addMilliseconds(parseISO(EPOCH), Math.round((minutes + offset) * 60) * 1000).toISOString()
      return `${local.slice(0, 19)}${zone}`
    },
  }
}

/**
 * What a day names: kinds of equipment, and its tins by their ids.
 * @example namedIn([{ id: 'r20', kind: 'tin' }]).has('r20') // true
 */
export const namedIn = (equipment: readonly { id: string, kind: string }[]): ReadonlySet<string> =>
  new Set(equipment.flatMap(e => (e.kind === 'tin' ? [e.kind, e.id] : [e.kind])))

/** All texts of time in a day. */
const textsOf = (d: DayInput): string[] => [
  ...d.desserts.flatMap(x => [x.serveAt, x.earliest ?? '']), ...(d.equipment ?? []).map(e => e.freeFrom ?? ''),
  ...(d.hands ?? []).flatMap(h => [h.from ?? '', h.to ?? '', ...(h.shifts ?? []).flatMap(s => [s.from, s.to])]),
]

function handOf(h: NonNullable<DayInput['hands']>[number], path: string, clock: Clock): Hand {
  const given = h.shifts?.length ? h.shifts : h.from && h.to ? [{ from: h.from, to: h.to }] : null
  if (!given) throw new InputError('missing', `${path}.from`)
  const shifts: Shift[] = given.map((s, i) => {
    const own = h.shifts?.length ? `${path}.shifts.${i}` : path
    const [from, to] = [clock.at(s.from, `${own}.from`), clock.at(s.to, `${own}.to`)]
    if (to <= from) throw new InputError('outOfReach', `${own}.to`)
    return { from, to }
  })
  return { name: h.name, shifts }
}

function stepOf(s: StepInput, before: string[], path: string, clock: Clock): DayStep {
  const attended = s.attended ?? true
  const minutes = toSeconds(s.minutes)
  return {
    id: s.id ?? s.name,
    name: s.name,
    minutes,
    slowMinutes: Math.max(minutes, toSeconds(s.minutesSlow ?? minutes)),
    attendedMinutes: attended === true ? minutes : attended === false ? 0 : Math.min(minutes, toSeconds(attended)),
    uses: (s.uses ?? []).map((u, i) => {
      if (!u.kind && !u.id) throw new InputError('missing', `${path}.uses.${i}.kind`)
      return {
        kind: (u.id ? null : u.kind ?? null) as EquipmentKind | null, id: u.id ?? null, amount: u.amount ?? 1,
        tempC: u.tempC ?? null, closed: u.closed ?? false, panM: u.panM ?? null, drawW: u.drawW ?? null,
        held: u.held ?? false,
      }
    }),
    after: s.after ?? before,
    maxGapMinutes: s.maxGapMinutes ?? null,
    warm: s.warm ?? null,
    fixed: s.fixed ? { start: clock.at(s.fixed.start, `${path}.fixed.start`), who: s.fixed.who ?? null } : null,
  }
}

/** Steps of which none says what it follows stand one after another. */
export function stepsOf(given: readonly StepInput[], path: string, clock: Clock): DayStep[] {
  const isRow = given.every(s => s.after === undefined || s.after === null)
  const steps = given.map((s, i) => {
    const prior = given[i - 1]
    return stepOf(s, isRow && prior ? [prior.id ?? prior.name] : [], `${path}.${i}`, clock)
  })
  const ids = new Set<string>()
  for (const [i, s] of steps.entries()) {
    if (ids.has(s.id)) throw new InputError('unknownValue', `${path}.${i}.id`, { id: s.id })
    ids.add(s.id)
  }
  for (const [i, s] of steps.entries())
    for (const [k, id] of s.after.entries())
      if (!ids.has(id)) throw new InputError('unknownValue', `${path}.${i}.after.${k}`, { id })
  refuseCircles(steps, path)
  return steps
}
/** A step that would have to wait for itself. */
function refuseCircles(steps: readonly DayStep[], path: string): void {
  const done = new Set<string>()
  for (let more = true; more;) {
    more = false
    for (const s of steps)
      if (!done.has(s.id) && s.after.every(id => done.has(id))) {
        done.add(s.id)
        more = true
      }
  }
  const round = steps.findIndex(s => !done.has(s.id))
  if (round >= 0) throw new InputError('unknownValue', `${path}.${round}.after`, { id: steps[round]!.id })
}

/** A fridge of which nothing is said is one with a fan, as warm as usual, in a usual kitchen. */
const COLD: Readonly<Record<string, PlaceKind>> = { fridge: 'fanFridge', freezer: 'freezer', blastChiller: 'blastChiller' }
function coldOf({ kind, place }: NonNullable<DayInput['equipment']>[number]): ColdPlace | null {
  const usual = COLD[kind]
  if (!usual) return null
  const is = (place?.kind ?? usual) as PlaceKind
  const dialC = place?.airC ?? USUAL_AIR_C[is]
  return { kind: is, dialC, roomC: place?.roomC ?? USUAL_AIR_C.bench, opensPerHour: OPENS_AT_WORK }
}

/**
 * A day as it is given, its formulas as steps already, ready to be planned.
 * @throws {InputError} naming the field: a time that is none, a shift that ends before it begins, a step that follows
 *   nothing known or itself
 * @example dayOf({ date: '2026-11-28', desserts: [] }).day.desserts.length // 0
 */
export function dayOf(input: DayInput): { day: Day, clock: Clock } {
  const clock = clockOf(input.date, textsOf(input))
  const equipment = (input.equipment ?? []).map((e, i): Equipment => ({
    id: e.id, kind: e.kind as EquipmentKind, capacity: e.capacity ?? null, minC: e.minC ?? null, maxC: e.maxC ?? null,
    heatKPerMin: e.heatKPerMin ?? null, coolKPerMin: e.coolKPerMin ?? null, panM: e.panM ?? null,
    supply: e.supply ?? null, cold: coldOf(e),
    freeFrom: e.freeFrom ? clock.at(e.freeFrom, `equipment.${i}.freeFrom`) : null,
  }))
  const known = new Set<string>()
  for (const [i, e] of equipment.entries()) {
    if (known.has(e.id)) throw new InputError('unknownValue', `equipment.${i}.id`, { id: e.id })
    known.add(e.id)
  }
  const hands = (input.hands ?? []).map((h, i) => handOf(h, `hands.${i}`, clock))
  const desserts = input.desserts.map((d, i): DayDessert => {
    const path = `desserts.${i}`
    const serveAt = clock.at(d.serveAt, `${path}.serveAt`)
    return {
      id: d.id ?? d.name,
      name: d.name,
      serveAt,
      freshFrom: d.freshMinutes == null ? null : serveAt - d.freshMinutes,
      earliest: d.earliest ? clock.at(d.earliest, `${path}.earliest`) : null,
      keepMinutes: d.keepMinutes ?? null,
      steps: stepsOf(d.steps ?? [], `${path}.steps`, clock),
    }
  })
  const keys = new Set<string>()
  for (const [i, d] of desserts.entries()) {
    if (keys.has(d.id)) throw new InputError('unknownValue', `desserts.${i}.id`, { id: d.id })
    keys.add(d.id)
    for (const [k, s] of d.steps.entries())
      for (const [j, u] of s.uses.entries())
        if (u.id !== null && !known.has(u.id))
          throw new InputError('unknownValue', `desserts.${i}.steps.${k}.uses.${j}.id`, { id: keyOf(d.id, u.id) })
  }
  return { day: { hands, equipment, desserts }, clock }
}
