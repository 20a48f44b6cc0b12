/** The demonstration's database as it is served: begun as its owner, asked behind the wall between kitchens. */
import type { EntityManager } from '@mikro-orm/postgresql'
import { boot } from '../../server/database/boot'
import { KITCHEN_ID } from '../../server/database/demo'
import { within } from '../../server/database/wall'
import { openDatabase } from './database'

export type Served = Awaited<ReturnType<typeof openServed>>
export async function openServed(at: Date) {
  const owned = await openDatabase()
  await boot(owned.url, at, true)
  const served = await openDatabase(new URL(owned.url).pathname.slice(1), 'serve')
  return {
    url: owned.url,
    /** Past the wall. */
    owner: () => owned.orm.em.fork() as EntityManager,
    em: () => served.orm.em.fork() as EntityManager,
    /** As a request is: behind the wall, of the demonstration's kitchen. */
    here: <T>(work: () => Promise<T>) => within(KITCHEN_ID, work),
    async drop() {
      await served.close()
      await owned.drop()
    },
  }
}
