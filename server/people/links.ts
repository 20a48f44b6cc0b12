/** Links that let whoever has one read a formula or a day's sheet, for a while: no lots, no names of people. */
import { randomUUID } from 'node:crypto'
import type { EntityManager } from '@mikro-orm/postgresql'
import { addDays } from 'date-fns'
import type { LinkShown } from '../../shared/door'
import { Refusal } from '../domain/refusal'
import { kept, newToken } from './secrets'

export interface NewLink { kind: LinkShown['kind'], target: string, days: number }
/** @returns the token, told once */
export async function newLink(
  em: EntityManager, kitchenId: string, { kind, target, days }: NewLink, at: Date,
): Promise<LinkShown & { token: string }> {
  const [id, token, until] = [randomUUID(), newToken(), addDays(at, days)]
  await em.execute(
    `insert into shared_link (id, kitchen_id, kind, target, token, until, created_at, ended_at)
      values (?, ?, ?, ?, ?, ?, ?, null)`,
    [id, kitchenId, kind, target, kept(token), until, at],
  )
  return { id, kind, target, until: until.toISOString(), token }
}
/** What a token opens. @throws {Refusal} unknown, alike for one that is over */
export async function linkBy(
  em: EntityManager, token: string, at: Date,
): Promise<Pick<LinkShown, 'kind' | 'target'> & { kitchenId: string }> {
  const [row] = await em.execute<{ kitchen_id: string, kind: LinkShown['kind'], target: string }[]>(
    'select kitchen_id, kind, target from shared_link where token = ? and ended_at is null and until > ?',
    [kept(token), at],
  )
  if (!row) throw new Refusal('unknown', 'token', 'linkOver')
  return { kitchenId: row.kitchen_id, kind: row.kind, target: row.target }
}
/** @throws {Refusal} unknown */
export async function endLink(em: EntityManager, kitchenId: string, id: string, at: Date): Promise<void> {
  const rows = await em.execute<unknown[]>(
    'update shared_link set ended_at = ? where id = ? and kitchen_id = ? and ended_at is null returning id',
    [at, id, kitchenId],
  )
  if (rows.length === 0) throw new Refusal('unknown', 'id', 'linkOver')
}
/** Links of a kitchen that are open. */
export async function listLinks(em: EntityManager, kitchenId: string, at: Date): Promise<LinkShown[]> {
  const rows = await em.execute<(Omit<LinkShown, 'until'> & { until: Date })[]>(
    `select id, kind, target, until from shared_link
      where kitchen_id = ? and ended_at is null and until > ? order by until`,
    [kitchenId, at],
  )
  return rows.map(r => ({ ...r, until: new Date(r.until).toISOString() }))
}
