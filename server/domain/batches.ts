/** Batches of the Book: what was frozen as they began, what happened, what was read. Nothing of it is ever changed. */
import { LockMode, type InferEntity } from '@mikro-orm/core'
import type { EntityManager } from '@mikro-orm/postgresql'
import { setName, STANDARD } from '#core/base/parameters'
import { BATCH_FORMAT, BATCH_VERSION, type BatchEvent, type BatchRecord, type Happened, holding } from '#core/book/record'
import { benchOf, type Planned } from '#core/formula/bench'
import type { Kitchen } from '#core/kitchen/kitchen'
import { ENGINE_VERSION } from '#core/pipeline/assessment'
import { DEVICES } from '#core/simulate/batch'
import { scaleWeights } from '#core/simulate/alongside'
import { BatchEntity, BatchEventEntity, BatchTextEntity } from '../database/entities'
import type { BatchClock, BatchWhole, Frozen, Simulation, TextRecord } from '../../shared/book'
import type { SentEvent } from '../../shared/schemas/book'
import { loadFormula } from './formulas'
import type { Owner } from './kitchen'
import { readingsOf } from './readings'
import { Refusal } from './refusal'
import { keepVersion } from './versions'

export type BatchRow = InferEntity<typeof BatchEntity>
/** What of a batch its line needs each time: no more than that is read. */
export type Ticking = Pick<BatchRow, 'id' | 'head' | 'clockAt' | 'clockS' | 'speed' | 'simulated' | 'demo'>

/** What stands on a batch's clock, s from its start; `nowMs` is the real time, whatever a test's calendar says. */
export const clockOf = (row: Pick<BatchRow, 'clockAt' | 'clockS' | 'speed'>, nowMs = Date.now()): BatchClock => ({
  nowS: row.clockS + (row.speed * Math.max(0, nowMs - row.clockAt.getTime())) / 1000,
  speed: row.speed,
})

export interface NewBatch {
  id: string
  formulaId: string
  /** As it is on the bench of whoever begins it, occasion and lots included. */
  planned: Planned
  componentId: string
  kitchen: Kitchen
  simulation: Simulation | null
}

/** Lots that lines of the batch are made from. */
export const lotsOf = ({ formula, occasion }: Planned): string[] => [...new Set([
  ...occasion.lots.map(l => l.strength.lotId),
  ...formula.components.flatMap(c => c.lines).flatMap(l => (l.strength?.kind === 'lot' ? [l.strength.lotId] : [])),
])]

/** What a batch freezes. */
export const frozenOf = ({ planned, componentId, kitchen }: Pick<NewBatch, 'planned' | 'componentId' | 'kitchen'>): Frozen => ({
  componentId,
  formula: planned.formula,
  occasion: planned.occasion,
  kitchen,
  parameters: { engine: ENGINE_VERSION, set: setName(STANDARD), changed: {} },
  devices: DEVICES,
})

/**
 * Begins a batch: the version it is made by is kept, and everything else frozen. Asked again with its id, it answers
 * what is there.
 * @throws {Refusal} unknown, for a formula that is not on the shelf; invalid
 */
export async function startBatch(em: EntityManager, owner: Owner, at: Date, n: NewBatch): Promise<BatchWhole> {
  return em.transactional(async (tx) => {
    await tx.execute('select pg_advisory_xact_lock(hashtextextended(?, 0))', [n.id])
    const there = await tx.findOne(BatchEntity, { id: n.id })
    if (there && there.kitchenId !== owner.id) throw new Refusal('invalid', 'id', 'sameId')
    if (there) return wholeOf(tx, there)
    await loadFormula(tx, owner, n.formulaId)
    if (!n.planned.formula.components.some(c => c.id === n.componentId && c.process))
      throw new Refusal('invalid', 'componentId', 'unknownValue')
    const versionId = await keepVersion(tx, owner, {
      at, formulaId: n.formulaId, document: n.planned, label: '', parentFormulaId: n.formulaId,
    })
    const row = tx.create(BatchEntity, {
      id: n.id, kitchenId: owner.id, actorId: owner.actorId, createdAt: at, updatedAt: at, formulaId: n.formulaId,
      versionId, name: n.planned.formula.name, startedAt: at, clockAt: new Date(), clockS: 0, speed: 1,
      frozen: frozenOf(n), simulation: n.simulation, simulated: n.simulation !== null, demo: false, isDone: false,
      head: 0, shown: null, lots: lotsOf(n.planned), faults: [],
    })
    await tx.flush()
    return wholeOf(tx, row)
  })
}

/** A batch's row, of this kitchen. @throws {Refusal} unknown */
export async function batchRow(em: EntityManager, owner: Owner, id: string, lock = false): Promise<BatchRow> {
  const row = await em.findOne(
    BatchEntity, { id, kitchenId: owner.id }, lock ? { lockMode: LockMode.PESSIMISTIC_WRITE } : {},
  )
  if (!row) throw new Refusal('unknown', 'id', 'unknownBatch')
  return row
}

/** What of a batch is asked for again and again while somebody looks on. @throws {Refusal} unknown */
export async function tickingRow(em: EntityManager, owner: Owner, id: string): Promise<Ticking> {
  const row = await em.findOne(
    BatchEntity, { id, kitchenId: owner.id },
    { fields: ['id', 'head', 'clockAt', 'clockS', 'speed', 'simulated', 'demo'] },
  )
  if (!row) throw new Refusal('unknown', 'id', 'unknownBatch')
  return row
}

/** What happened after a number, in order. */
export async function eventsAfter(em: EntityManager, batchId: string, after: number): Promise<BatchEvent[]> {
  const rows = await em.execute<{ id: string, at_s: number, actor_id: string, happened: Happened }[]>(
    'select id, at_s, actor_id, happened from batch_event where batch_id = ? and number > ? order by number',
    [batchId, after],
  )
  return rows.map(r => ({ id: r.id, atS: r.at_s, actorId: r.actor_id, ...r.happened }))
}
export async function textsOf(em: EntityManager, batchId: string): Promise<TextRecord[]> {
  return em.execute<TextRecord[]>('select id, text from batch_text where batch_id = ? order by created_at', [batchId])
}

/** Who wrote these, by their actors' ids. */
export async function namesOf(em: EntityManager, actorIds: readonly string[]): Promise<Record<string, string>> {
  if (actorIds.length === 0) return {}
  const rows = await em.execute<{ id: string, name: string }[]>(
    'select id, name from actor where id = any(?::uuid[])', [`{${[...new Set(actorIds)].join()}}`])
  return Object.fromEntries(rows.map(a => [a.id, a.name]))
}

/** Its record, whole. */
export async function recordOfBatch(em: EntityManager, row: BatchRow): Promise<BatchRecord> {
  return {
    format: BATCH_FORMAT, version: BATCH_VERSION, id: row.id, ...row.frozen,
    startedAt: row.startedAt.toISOString(), simulated: row.simulated,
    events: await eventsAfter(em, row.id, 0),
    readings: await readingsOf(em, row.id),
  }
}

/** How the flame of a demonstration stands, times what was set. */
const powerOf = (s: Simulation | null) => s?.turns.at(-1)?.power ?? 1

export async function wholeOf(em: EntityManager, row: BatchRow): Promise<BatchWhole> {
  const record = await recordOfBatch(em, row)
  const names = await namesOf(em, [row.actorId, ...record.events.map(e => e.actorId)])
  return {
    record,
    formulaId: row.formulaId,
    versionId: row.versionId,
    by: names[row.actorId] ?? '',
    names,
    isDone: row.isDone,
    head: row.head,
    clock: clockOf(row),
    texts: await textsOf(em, row.id),
    weights: row.simulation ? scaleWeights(record, row.simulation) : null,
    power: powerOf(row.simulation ?? null),
    shown: row.shown ?? null,
  }
}

/** Of a batch's own figures what must agree with what is frozen. */
function refuseForeign(row: BatchRow, events: readonly SentEvent[]): void {
  const lines = new Set(row.frozen.formula.components.flatMap(c => c.lines.map(l => l.id)))
  const legs = new Set(benchOf(row.frozen, row.frozen.componentId).chill.map(l => l.id))
  for (const [i, { happened: h }] of events.entries()) {
    if ((h.kind === 'added' || h.kind === 'measured') && h.lineId !== null && !lines.has(h.lineId))
      throw new Refusal('invalid', `events.${i}.lineId`, 'unknownLine')
    if (h.kind === 'movedTo' && !legs.has(h.legId)) throw new Refusal('invalid', `events.${i}.legId`, 'unknownValue')
  }
}

/**
 * Adds what happened; what was sent before counts once.
 * @returns those that are new
 * @throws {Refusal} unknown; invalid, for a line that is not of the batch or a correction of nothing
 */
export async function addEvents(
  em: EntityManager, owner: Owner, at: Date, id: string, sent: readonly SentEvent[],
): Promise<{ row: BatchRow, added: BatchEvent[] }> {
  return em.transactional(async (tx) => {
    const row = await batchRow(tx, owner, id, true)
    refuseForeign(row, sent)
    const before = await eventsAfter(tx, id, 0)
    const known = new Set(before.map(e => e.id))
    const fresh = sent.filter((e, i) => !known.has(e.id) && sent.findIndex(x => x.id === e.id) === i)
    const added = fresh.map(e => ({ id: e.id, atS: e.atS, actorId: owner.actorId, ...e.happened }) as BatchEvent)
    // A correction of what is not there is refused before anything is written.
    const all = holding([...before, ...added])
    const texts = fresh.flatMap(e => (e.text === null ? [] : [e.text]))
    for (const { id: textId, text } of texts)
      tx.create(BatchTextEntity, {
        id: textId, kitchenId: owner.id, actorId: owner.actorId, createdAt: at, batchId: id, text, redactedAt: null,
      })
    for (const [i, e] of fresh.entries())
      tx.create(BatchEventEntity, {
        id: e.id, kitchenId: owner.id, actorId: owner.actorId, createdAt: at, batchId: id, number: row.head + i + 1,
        atS: e.atS, happened: e.happened,
      })
    row.head += fresh.length
    if (fresh.length > 0) row.updatedAt = at
    const outcome = all.findLast(e => e.kind === 'outcome')
    row.isDone = outcome !== undefined
    row.faults = outcome?.kind === 'outcome' ? outcome.outcome.faults : []
    await tx.flush()
    return { row, added }
  })
}

/** Sets the clock of a demonstration, or turns its flame. @throws {Refusal} invalid, for a batch that is real */
export async function setClock(
  em: EntityManager, owner: Owner, id: string, ask: { speed?: number, power?: number },
): Promise<BatchClock & { power: number }> {
  return em.transactional(async (tx) => {
    const row = await batchRow(tx, owner, id, true)
    if (!row.simulation) throw new Refusal('invalid', 'speed', 'notSimulated')
    const now = new Date()
    const { nowS } = clockOf(row, now.getTime())
    Object.assign(row, { clockAt: now, clockS: nowS, speed: ask.speed ?? row.speed })
    if (ask.power !== undefined)
      row.simulation = { ...row.simulation, turns: [...row.simulation.turns, { atS: nowS, power: ask.power }] }
    await tx.flush()
    return { ...clockOf(row, now.getTime()), power: powerOf(row.simulation) }
  })
}

/** Moves the clock of a demonstration on, s. @throws {Refusal} invalid */
export async function skipClock(em: EntityManager, owner: Owner, id: string, seconds: number): Promise<BatchClock> {
  return em.transactional(async (tx) => {
    const row = await batchRow(tx, owner, id, true)
    if (!row.simulation) throw new Refusal('invalid', 'skipS', 'notSimulated')
    row.clockS += seconds
    await tx.flush()
    return clockOf(row)
  })
}
