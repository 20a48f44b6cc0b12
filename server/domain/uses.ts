/** What a kitchen's tin, fridge, oven, burner or pan is used in, before it is taken out. */
import type { EntityManager } from '@mikro-orm/postgresql'
import type { Uses } from '../../shared/schemas/wire'
import type { Owner } from './kitchen'

/** So many names are told; the rest are counted. */
const NAMED = 5

/** Formulas that name a thing of the kitchen anywhere in their document. */
export async function usesOf(em: EntityManager, owner: Pick<Owner, 'id'>, id: string): Promise<Uses> {
  const rows = await em.execute<{ id: string, name: string, of: string }[]>(
    `select id, name, count(*) over () as "of" from formula
     where kitchen_id = ? and id in (select lumbik_formulas_with(?::text))
     order by updated_at desc, id limit ${NAMED}`,
    [owner.id, id],
  )
  return { count: Number(rows[0]?.of ?? 0), formulas: rows.map(({ id, name }) => ({ id, name })) }
}
