/** A kitchen's file as long work writes it: in parts beside its work, of one moment, fetched afterwards. */
import type { EntityManager } from '@mikro-orm/postgresql'
import { IsolationLevel } from '@mikro-orm/core'
import { subDays } from 'date-fns'
import type { ExportResult } from '../../shared/book'
import { within } from '../database/wall'
import { saysHowFar, type Watched } from '../threads/watched'
import { kitchenFile, linesOf } from './kitchenFile'
import type { Owner } from './kitchen'
import { Refusal } from './refusal'

/** A part has about so many characters; parts are kept so long, days. */
const PART = 1_000_000
const KEPT_DAYS = 1

/** Writes the file of a kitchen beside its work. @throws when it is stopped */
export async function writeExport(
  em: EntityManager, work: { id: string, kitchenId: string, actorId: string }, at: Date, watch: Watched,
): Promise<ExportResult> {
  return em.transactional(async (tx) => {
    const most = await linesOf(tx, work.kitchenId)
    // Begun anew after its server ended: what that one wrote is written again.
    await tx.execute('delete from work_file where work_id = ?', [work.id])
    let [part, number, lines, bytes] = ['', 0, 0, 0]
    const keep = async () => {
      await tx.execute(
        'insert into work_file (work_id, number, kitchen_id, actor_id, created_at, part) values (?, ?, ?, ?, ?, ?)',
        [work.id, number++, work.kitchenId, work.actorId, at, part])
      bytes += Buffer.byteLength(part)
      part = ''
      saysHowFar(watch, lines / most)
    }
    for await (const line of kitchenFile(tx, work.kitchenId, at)) {
      part += line
      lines += 1
      if (part.length >= PART) await keep()
    }
    if (part) await keep()
    return { at: at.toISOString(), lines, bytes }
  }, { isolationLevel: IsolationLevel.REPEATABLE_READ })
}

/** The last file that was written, part by part. @throws {Refusal} unknown: none, or it is gone again */
export async function lastExport(
  em: EntityManager, owner: Pick<Owner, 'id'>,
): Promise<{ at: Date, parts: () => AsyncGenerator<string> }> {
  const [work] = await em.execute<{ id: string, result: ExportResult, parts: number }[]>(
    `select w.id, w.result, (select count(*)::int from work_file f where f.work_id = w.id) as parts from work w
      where w.kitchen_id = ? and w.kind = 'export' and w.state = 'done' order by w.created_at desc limit 1`, [owner.id])
  if (!work || work.parts === 0) throw new Refusal('unknown', 'file', 'noFile')
  return {
    at: new Date(work.result.at),
    // Whoever reads it wakes this from anywhere: each question says whose kitchen it is about.
    parts: async function* () {
      for (let number = 0; number < work.parts; number++) {
        const [row] = await within(owner.id, () => em.execute<{ part: string }[]>(
          'select part from work_file where work_id = ? and number = ?', [work.id, number]))
        if (!row) throw new Error('the file is gone')
        yield row.part
      }
    },
  }
}

/** Files that were written and are old go. */
export const forgetExports = (em: EntityManager, at: Date) =>
  em.execute('delete from work_file where kitchen_id = lumbik_kitchen() and created_at < ?', [subDays(at, KEPT_DAYS)])
