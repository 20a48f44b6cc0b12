/**
 * Notes of what was changed, in the order in which they can be read: a note counts only once no older transaction is
 * still open, so that none is passed over, whichever server reads. Transactions are numbered by the whole cluster: one
 * that writes in another of its databases is waited for, too.
 */
import type { EntityManager } from '@mikro-orm/postgresql'
import { subDays, subSeconds } from 'date-fns'
import { type ChangeNote, GONE_S, type Noted } from '../../shared/live'

/** Where a reader is: transaction and number of the last note it has, as an event's id carries it. */
export interface Cursor { tx: string, id: string }
/** @example cursorOf('812-40') // { tx: '812', id: '40' } */
export const cursorOf = (text: string | undefined): Cursor | null => {
  const m = /^(\d{1,18})-(\d{1,18})$/.exec(text ?? '')
  return m ? { tx: m[1]!, id: m[2]! } : null
}
export const textOf = ({ tx, id }: Cursor): string => `${tx}-${id}`

/** Notes are kept so long, days: whoever was away longer reads everything anew. */
const KEPT_DAYS = 1
const MOST = 500

export interface News {
  notes: ChangeNote[]
  cursor: Cursor
  /** More was written and cannot be read yet: look again soon. */
  more: boolean
}
/** Where the notes end now: whoever begins has read what came before. */
export async function lastCursor(em: EntityManager): Promise<Cursor> {
  const [row] = await em.execute<Cursor[]>('select pg_snapshot_xmin(pg_current_snapshot())::text as tx, \'0\' as id')
  return row!
}
/** What was changed in the kitchen of the work in hand since a cursor; each target once, as it is now. */
export async function notesAfter(em: EntityManager, after: Cursor): Promise<News> {
  const rows = await em.execute<(Cursor & { kind: Noted, target: string, version: number, is_open: boolean })[]>(
    `select tx::text as tx, id::text as id, kind, target, version,
      tx >= pg_snapshot_xmin(pg_current_snapshot())::text::bigint as is_open
    from change_note where kitchen_id = lumbik_kitchen() and (tx, id) > (?::bigint, ?::bigint)
    order by tx, id limit ${MOST}`,
    [after.tx, after.id],
  )
  const firstOpen = rows.findIndex(r => r.is_open)
  const read = firstOpen < 0 ? rows : rows.slice(0, firstOpen)
  const last = read.at(-1)
  const each = new Map(read.map(({ kind, target, version }) => [`${kind} ${target}`, { kind, target, version }]))
  return {
    notes: [...each.values()],
    cursor: last ? { tx: last.tx, id: last.id } : after,
    more: firstOpen >= 0 || rows.length === MOST,
  }
}
/** Forgets what nobody reads any more. */
export const forgetNotes = (em: EntityManager, at: Date) =>
  em.execute('delete from change_note where kitchen_id = lumbik_kitchen() and created_at < ?', [subDays(at, KEPT_DAYS)])

export interface Here { id: string, name: string, place: string }
/** Says where a tab is; whoever looks at the place hears of it. */
export async function sayHere(
  em: EntityManager, kitchenId: string, { id, name, place }: Here, at: Date,
): Promise<void> {
  await em.execute('delete from presence where kitchen_id = ? and seen_at < ?', [kitchenId, subSeconds(at, 4 * GONE_S)])
  await em.execute(
    `insert into presence (id, kitchen_id, name, place, seen_at) values (?, ?, ?, ?, ?)
      on conflict (id) do update set name = excluded.name, place = excluded.place, seen_at = excluded.seen_at`,
    [id, kitchenId, name, place, at],
  )
}
/** Who else is at a place, each name once. */
export async function othersAt(em: EntityManager, place: string, mine: string, at: Date): Promise<string[]> {
  const rows = await em.execute<{ name: string }[]>(
    'select distinct name from presence where place = ? and id <> ? and seen_at > ? order by name',
    [place, mine, subSeconds(at, GONE_S)],
  )
  return rows.map(r => r.name)
}
