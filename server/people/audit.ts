/** Who did what: a list that only grows, read by the owner. Ids and codes, no names and no free text. */
import { randomUUID } from 'node:crypto'
import type { EntityManager } from '@mikro-orm/postgresql'
import type { AuditShown } from '../../shared/door'
import { enterKitchen } from '../database/wall'

export interface Done {
  kitchenId: string
  actorId: string | null
  at: Date
  /** A route with its method, or what happened at a door. */
  what: string
  about?: string | null
}
/** Writes down what was done. */
export async function tell(em: EntityManager, { kitchenId, actorId, at, what, about }: Done): Promise<void> {
  enterKitchen(kitchenId)
  await em.execute(
    'insert into audit (id, kitchen_id, actor_id, created_at, what, about) values (?, ?, ?, ?, ?, ?)',
    [randomUUID(), kitchenId, actorId, at, what.slice(0, 80), about?.slice(0, 120) ?? null],
  )
}

const SHOWN = 200
/** The newest of what was done in a kitchen. */
export async function listAudit(em: EntityManager, kitchenId: string): Promise<AuditShown[]> {
  const rows = await em.execute<{ created_at: Date, name: string | null, what: string, about: string | null }[]>(
    `select a.created_at, n.name, a.what, a.about from audit a left join actor n on n.id = a.actor_id
      where a.kitchen_id = ? order by a.created_at desc, a.id desc limit ${SHOWN}`,
    [kitchenId],
  )
  return rows.map(r => ({ at: new Date(r.created_at).toISOString(), name: r.name, what: r.what, about: r.about }))
}
