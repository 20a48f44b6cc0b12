/** Readings of a batch: packed rows, each some seconds of one channel, merged once the batch is done. */
import type { EntityManager } from '@mikro-orm/postgresql'
import type { Channel, Series } from '#core/book/record'
import { ReadingEntity } from '../database/entities'
import { channelKey, type Have } from '../../shared/book'
import type { Owner } from './kitchen'

/** Under whose name readings are kept. */
type Whose = Pick<Owner, 'id' | 'actorId'>

/** Times go by tenths of a second: no instrument is quicker. */
const tenths = (s: number) => Math.round(10 * s)

/** Four bytes each: tenths of a second, and the value as a float; what was not read is NaN. */
export function pack({ timeS, values }: Pick<Series, 'timeS' | 'values'>): Buffer {
  const out = Buffer.alloc(8 * timeS.length)
  timeS.forEach((t, i) => {
    out.writeUInt32LE(tenths(t), 8 * i)
    out.writeFloatLE(values[i] ?? NaN, 8 * i + 4)
  })
  return out
}
/** A float of four bytes as it was written: a thousandth is what no instrument shows. */
const rounded = (x: number) => Math.round(x * 1000) / 1000
export function unpack(packed: Uint8Array): Pick<Series, 'timeS' | 'values'> {
  const view = new DataView(packed.buffer, packed.byteOffset, packed.byteLength)
  const timeS: number[] = []
  const values: (number | null)[] = []
  for (let at = 0; at < packed.byteLength; at += 8) {
    timeS.push(view.getUint32(at, true) / 10)
    const value = view.getFloat32(at + 4, true)
    values.push(Number.isNaN(value) ? null : rounded(value))
  }
  return { timeS, values }
}

interface ReadingRow { device_id: string, channel: Channel, from_s: number, to_s: number, packed: Buffer }

/** All of a batch's readings by device and channel, or those after what of each is there already. */
export async function readingsOf(em: EntityManager, batchId: string, have: Have = {}): Promise<Series[]> {
  const rows = await em.execute<ReadingRow[]>(
    `select device_id, channel, from_s, to_s, packed from reading
     where batch_id = ? and to_s > coalesce((?::jsonb ->> (device_id || '/' || channel))::float8, -1)
     order by device_id, channel, from_s`,
    [batchId, JSON.stringify(have)],
  )
  const out: Series[] = []
  for (const row of rows) {
    const { timeS, values } = unpack(row.packed)
    let series = out.find(s => s.deviceId === row.device_id && s.channel === row.channel)
    if (!series) out.push((series = { deviceId: row.device_id, channel: row.channel, timeS: [], values: [] }))
    timeS.forEach((t, i) => {
      if (t <= (series.timeS.at(-1) ?? have[channelKey(series)] ?? -1)) return
      series.timeS.push(t)
      series.values.push(values[i]!)
    })
  }
  return out.filter(s => s.timeS.length > 0)
}

/** One packed row. */
function keepRow(tx: EntityManager, owner: Whose, batchId: string, part: Series): void {
  tx.create(ReadingEntity, {
    batchId, deviceId: part.deviceId, channel: part.channel, fromS: part.timeS[0]!, kitchenId: owner.id,
    actorId: owner.actorId, toS: part.timeS.at(-1)!, count: part.timeS.length, packed: pack(part),
  })
}

/** Adds readings; those that were sent before, or come before what is there, are left out. @returns what is new */
export async function addReadings(
  em: EntityManager, owner: Whose, batchId: string, sent: readonly Series[],
): Promise<Series[]> {
  const added: Series[] = []
  await em.transactional(async (tx) => {
    await tx.execute('select pg_advisory_xact_lock(hashtextextended(?, 1))', [batchId])
    const last = await tx.execute<{ device_id: string, channel: string, to_s: number }[]>(
      'select device_id, channel, max(to_s) as to_s from reading where batch_id = ? group by 1, 2', [batchId])
    for (const s of sent) {
      const from = last.find(l => l.device_id === s.deviceId && l.channel === s.channel)?.to_s ?? -1
      const fresh = s.timeS.flatMap((t, i) =>
        (tenths(t) > tenths(from) && (i === 0 || tenths(t) > tenths(s.timeS[i - 1]!)) ? [i] : []))
      if (fresh.length === 0) continue
      const part = { ...s, timeS: fresh.map(i => tenths(s.timeS[i]!) / 10), values: fresh.map(i => s.values[i]!) }
      added.push(part)
      keepRow(tx, owner, batchId, part)
    }
    await tx.flush()
  })
  return added
}

/** A channel in few rows, once nothing more is read often: as many pairs in each. */
const ROW_MOST = 4000
export async function foldReadings(em: EntityManager, owner: Whose, batchId: string): Promise<void> {
  await em.transactional(async (tx) => {
    await tx.execute('select pg_advisory_xact_lock(hashtextextended(?, 1))', [batchId])
    const [many] = await tx.execute<{ n: string }[]>('select count(*) as n from reading where batch_id = ?', [batchId])
    const all = await readingsOf(tx, batchId)
    const rows = all.flatMap(s => Array.from({ length: Math.ceil(s.timeS.length / ROW_MOST) }, (_, k) => ({
      ...s,
      timeS: s.timeS.slice(k * ROW_MOST, (k + 1) * ROW_MOST),
      values: s.values.slice(k * ROW_MOST, (k + 1) * ROW_MOST),
    })))
    if (rows.length >= Number(many!.n)) return
    await tx.nativeDelete(ReadingEntity, { batchId })
    for (const part of rows)
      keepRow(tx, owner, batchId, part)
    await tx.flush()
  })
}
