/**
 * A day sheet: kept on the server, autosaved; what was not sent yet stays in this browser. Every change is planned anew
 * in a worker, the first plan at once.
 */
import { proxy, type Remote, wrap } from 'comlink'
import { addDays, format, parseISO } from 'date-fns'
import type { Kitchen } from '#core/kitchen/kitchen'
import type { DayPlan } from '#core/schedule/plan'
import { type DayInput, namedIn, type StepInput } from '#core/schedule/read'
import type { FormulaRecord } from '../../shared/schemas/wire'
import { coreKitchen } from '../../shared/kitchen'
import type { DayRecord, DaySheet, SheetDessert, SheetHand } from '../../shared/day'
import type { DayLedger } from '#core/ledger/ledger'
import { type Move, movesOf } from '#core/schedule/replan'
import type { DayApi, DaySaid, Steps, Wanted } from '../workers/day.worker'

/** A sheet that is not sent yet, under its date. */
export const KEPT_DAY = 'lumbik:day:'
const SAVES_MS = 500
const AGAIN_MS = 2500

/** The day before, for what is made then. */
const before = (date: string) => format(addDays(parseISO(date), -1), 'yyyy-MM-dd')
/** Hours of a hand on a date, before and after its break; past midnight they end the next day. */
function shiftsOn(date: string, { from, to, pause }: SheetHand) {
  const end = to > from ? date : format(addDays(parseISO(date), 1), 'yyyy-MM-dd')
  const whole = { from: `${date}T${from}`, to: `${end}T${to}` }
  if (!pause || pause.from <= from || pause.to <= pause.from || (end === date && pause.to >= to)) return [whole]
  return [{ ...whole, to: `${date}T${pause.from}` }, { ...whole, from: `${date}T${pause.to}` }]
}

/** The one supply that rings of a sheet share. */
const SUPPLY = 'shared'
/** A step that will last so long, as its batch tells; hands are at it as long as before, at most. */
const lasting = (s: StepInput, minutes: number) => ({
  minutes, minutesSlow: minutes, attended: typeof s.attended === 'number' ? Math.min(s.attended, minutes) : s.attended,
})

/** A sheet as the planner takes it. */
export function dayInputOf(
  date: string, sheet: DaySheet, stepsOf: (d: SheetDessert) => Steps | null,
  k: Pick<Kitchen, 'places' | 'roomTempC'> | null = null,
): DayInput {
  const placeOf = (id: string) => {
    const p = k?.places.find(x => x.id === id)
    return p ? { kind: p.kind, airC: p.airTempC, roomC: k!.roomTempC } : null
  }
  return {
    date,
    hands: sheet.hands.map(h => ({ name: h.name, shifts: [...shiftsOn(before(date), h), ...shiftsOn(date, h)] })),
    equipment: sheet.equipment.filter(e => !e.isOut)
      .map(({ id, kind, capacity, heatKPerMin, coolKPerMin, panM, freeFrom, isShared }) => ({
        id, kind, capacity, heatKPerMin, coolKPerMin, panM, freeFrom, place: placeOf(id),
        supply: isShared && sheet.sharedW ? { id: SUPPLY, watts: sheet.sharedW } : null,
      })),
    desserts: sheet.desserts.map(d => ({ d, of: stepsOf(d) })).map(({ d, of }) => ({
      id: d.id, name: d.name, freshMinutes: of?.freshMinutes ?? null, serveAt: `${date}T${d.serveAt}`, earliest: d.earliest ?? null, keepMinutes: d.keepMinutes,
      steps: (of?.steps ?? []).map((s) => {
        const at = d.fixed[s.id ?? s.name]
        if (!at) return s
        const lasts = at.lasts === undefined ? {} : lasting(s, at.lasts)
        return { ...s, ...lasts, fixed: { start: at.start, who: at.who } }
      }),
    })),
  }
}

export function useDay(date: Ref<string>) {
  const kitchen = useKitchenStore()
  const sheet = shallowRef<DaySheet | null>(null)
  const plan = shallowRef<DayPlan | null>(null)
  const progress = ref(0)
  const wrong = shallowRef<DaySaid['wrong']>(null)
  const failed = ref(false)
  const unsent = ref(false)
  /** What is on the server instead, where somebody else changed it. */
  const theirs = shallowRef<DayRecord | null>(null)
  const steps = shallowRef(new Map<string, Steps | null>())
  const history = useUndo<DaySheet>()
  let version = 0
  const worker = new Worker(new URL('../workers/day.worker.ts', import.meta.url), { type: 'module' })
  const planner: Remote<DayApi> = wrap<DayApi>(worker)
  onScopeDispose(() => worker.terminate())

  async function load() {
    theirs.value = null
    history.forget()
    try {
      const [record] = await Promise.all([
        api<DayRecord>(`/api/days/${date.value}`), kitchen.record ? null : kitchen.load(),
      ])
      version = record.version
      failed.value = false
      const kept = browserStore.get(KEPT_DAY + date.value)
      sheet.value = kept ? (JSON.parse(kept) as DaySheet) : record.sheet
      unsent.value = kept !== null
      if (kept) void save()
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      failed.value = true
    }
  }

  // Changed on another device: taken over where nothing of this one waits; else its save finds out.
  const heard = onNote(({ kind, target, version: there }) => {
    if (kind === 'day' && target === date.value && there > version && !unsent.value && !saving) void load()
  })
  onScopeDispose(heard.off)

  /* Saving: the newest sheet, one question at a time. */
  let saving = false
  async function save() {
    if (saving || theirs.value || !sheet.value) return
    saving = true
    const [of, sent] = [date.value, sheet.value]
    try {
      const said = await api<DayRecord>(`/api/days/${of}`, { method: 'PUT', body: { version, sheet: toPlain(sent) } })
      version = said.version
      if (sheet.value === sent && of === date.value) {
        browserStore.remove(KEPT_DAY + of)
        unsent.value = false
      }
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      if (error.status === 409) theirs.value = error.problem.current as DayRecord
      else setTimeout(() => void save(), AGAIN_MS)
      return
    } finally {
      saving = false
    }
    if (unsent.value) void save()
  }
  const saveSoon = useDebounceFn(() => void save(), SAVES_MS)
  /** Theirs, or this browser's over it. */
  function settle(mine: boolean) {
    const there = theirs.value!
    version = there.version
    theirs.value = null
    if (!mine) {
      browserStore.remove(KEPT_DAY + date.value)
      unsent.value = false
      sheet.value = there.sheet
    } else void save()
  }

  function put(next: DaySheet) {
    sheet.value = next
    unsent.value = true
    browserStore.set(KEPT_DAY + date.value, JSON.stringify(next))
    void saveSoon()
  }
  /** Changes the sheet; can be undone. */
  function change(edit: (draft: DaySheet) => void) {
    if (!sheet.value) return
    const next = structuredClone(toPlain(sheet.value))
    edit(next)
    history.note(sheet.value)
    put(next)
  }
  /** Lets a step go that was held, by `dessert/step`. */
  const letGo = (key: string) => change((s) => {
    const [dessert, ...id] = key.split('/')
    const d = s.desserts.find(x => x.id === dessert)!
    d.fixed = Object.fromEntries(Object.entries(d.fixed).filter(([k]) => k !== id.join('/')))
  })
  function step(way: 'back' | 'forward') {
    const to = sheet.value && history[way](sheet.value)
    if (to) put(to)
  }

  /* Steps of formulas, once for each with its count. */
  const keyOf = (d: SheetDessert) =>
    [d.formulaId, d.versionId, d.count, d.countOf, d.ovenC, [...namedIn(sheet.value!.equipment)].join()].join('/')
  const asked = new Set<string>()
  /** Formulas of the day and kept versions of them, each fetched once; null: it cannot be read. */
  const records = new Map<string, Promise<Pick<FormulaRecord, 'document'> | null>>()
  function formulaOf({ formulaId, versionId }: SheetDessert) {
    const path = versionId ? `/api/versions/${versionId}` : `/api/formulas/${formulaId}`
    const known = records.get(path) ?? api<Pick<FormulaRecord, 'document'>>(path).catch(() => null)
    records.set(path, known)
    return known
  }
  async function ask(d: SheetDessert) {
    const key = keyOf(d)
    if (asked.has(key) || !kitchen.record) return
    asked.add(key)
    const record = await formulaOf(d)
    const named = [...namedIn(sheet.value!.equipment)]
    const found = record && await planner.steps(
      toPlain({ planned: record.document, count: d.count, countOf: d.countOf }), toPlain(coreKitchen(kitchen.record)),
      named, d.ovenC ?? null)
    steps.value = new Map(steps.value).set(key, found)
  }
  const plannedSteps = (d: SheetDessert): Steps | null =>
    (d.steps ? { steps: d.steps, freshMinutes: null } : steps.value.get(keyOf(d)) ?? null)
  const stepsOf = (d: SheetDessert): StepInput[] | null => plannedSteps(d)?.steps ?? null
  /** Formulas that are still being worked out. */
  const waits = computed(() => sheet.value?.desserts.filter(d => !d.steps && !steps.value.has(keyOf(d))).length ?? 0)
  watch(sheet, (s) => {
    for (const d of s?.desserts ?? []) if (!d.steps && d.formulaId) void ask(d)
  })
  /** What the plan was made for, without where steps are held. */
  let plannedFor = ''
  let heldThen: DaySheet['desserts'] = []
  const without = (s: DaySheet) => JSON.stringify({
    ...s, have: [], desserts: s.desserts.map(d => ({ ...d, fixed: {}, done: [] })), at: date.value,
  })
  /** A step that was held and is let go finds its place anew. */
  const isLetGo = (s: DaySheet) => heldThen.some(d =>
    Object.keys(d.fixed).some(k => !s.desserts.find(x => x.id === d.id)?.fixed[k]))
  const moves = shallowRef<Move[]>([])
  watch([sheet, waits], () => {
    const s = sheet.value
    progress.value = 0
    if (!s || waits.value > 0) return
    const before = plan.value?.feasible && plannedFor === without(s) && !isLetGo(s) ? plan.value : null
    const input = toPlain(dayInputOf(date.value, s, plannedSteps, kitchen.core))
    void planner.plan(input, before && toPlain(before), proxy((said: DaySaid) => {
      if (sheet.value !== s) return
      progress.value = said.done
      wrong.value = said.wrong
      if (!said.plan && !said.wrong) return
      plan.value = said.plan
      if (said.done < 1) return
      plannedFor = said.plan?.feasible ? without(s) : ''
      heldThen = s.desserts
      if (before && said.plan) moves.value = movesOf(before, said.plan)
      else moves.value = []
    }))
  })
  /* The ledger: what the day's formulas need together. */
  const ledger = shallowRef<DayLedger | null>(null)
  watch([sheet, () => kitchen.core], async () => {
    const [s, k] = [sheet.value, kitchen.core]
    if (!s || !k) return
    const wanted = (await Promise.all(s.desserts.map(async (d): Promise<Wanted[]> => {
      const record = d.formulaId ? await formulaOf(d) : null
      return record ? [{ dessertId: d.id, planned: record.document, count: d.count, countOf: d.countOf }] : []
    }))).flat()
    const found = await planner.ledger(toPlain(wanted), toPlain(s.have ?? []), toPlain(k), date.value)
    if (sheet.value === s) ledger.value = found
  })
  watch(date, () => {
    sheet.value = null
    plan.value = null
    void load()
  })
  onBack(() => { if (!unsent.value) void load() })
  return {
    sheet, plan, progress,
    isPlanned: computed(() => progress.value === 1 && waits.value === 0),
    wrong, failed, unsent, theirs, waits, ledger, moves, stepsOf, load, change, letGo, settle,
    undo: () => step('back'), redo: () => step('forward'), canUndo: history.canUndo, canRedo: history.canRedo,
  }
}
export type LiveDay = ReturnType<typeof useDay>
