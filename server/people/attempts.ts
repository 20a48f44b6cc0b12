/** Wrong words are slowed, by whose they are and from where: each further one waits twice as long. */
import { createHash } from 'node:crypto'
import { subDays } from 'date-fns'
import type { EntityManager } from '@mikro-orm/postgresql'
import { Refusal } from '../domain/refusal'

/** Free tries of one account, and of one address (a kitchen's devices share theirs); the longest wait, s. */
export const FREE = { account: 5, address: 30 }
export const MOST_S = 900
export type Tried = keyof typeof FREE

/** What is counted is never read back: an address or a login is kept as a hash only. */
function keyOf(kind: Tried, of: string, at: Date): string {
  const hash = createHash('sha256').update(of.toLowerCase()).digest('hex').slice(0, 40)
  // Behind a proxy all devices share an address, which is never quiet: each day begins anew.
  return kind === 'account' ? `account:${hash}` : `address:${at.toISOString().slice(0, 10)}:${hash}`
}

/**
 * Counts a try before it is looked at, so that many at once are many. One that comes too soon is refused and not
 * counted. An account begins anew after a day without any, an address each day.
 * A try from a time that has not come (the clock was set back) holds nobody up.
 * @throws {Refusal} tooManyTries, with the seconds to wait
 */
export async function countTry(em: EntityManager, kind: Tried, of: string, at: Date): Promise<void> {
  const key = keyOf(kind, of, at)
  const wait = `least(${MOST_S}, power(2, least(20, attempt.count - ${FREE[kind]})))`
  const rows = await em.execute<unknown[]>(
    `insert into attempt (key, count, at) values (?, 1, ?) on conflict (key) do update
      set count = case when attempt.at < excluded.at - interval '1 day' then 1 else attempt.count + 1 end,
        at = excluded.at
      where attempt.count < ${FREE[kind]} or attempt.at + make_interval(secs => ${wait}) <= excluded.at
        or attempt.at > excluded.at + make_interval(secs => ${MOST_S})
      returning count`,
    [key, at],
  )
  if (rows.length > 0) return
  const [row] = await em.execute<{ wait: number }[]>(
    `select ceil(extract(epoch from attempt.at + make_interval(secs => ${wait}) - ?))::int as wait
      from attempt where key = ?`,
    [at, key],
  )
  throw new Refusal('tooMany', '', 'tooManyTries', { waitS: Math.max(1, row?.wait ?? 1) })
}

/** The right word: what was counted of the account is forgotten, and this try of the address was none. */
export async function wasRight(
  em: EntityManager, who: { account?: string, address?: string }, at: Date,
): Promise<void> {
  if (who.account !== undefined)
    await em.execute('delete from attempt where key = ?', [keyOf('account', who.account, at)])
  if (who.address !== undefined)
    await em.execute(
      'update attempt set count = greatest(0, count - 1) where key = ?', [keyOf('address', who.address, at)])
}
/** Forgets tries of other days. */
export const forgetOldTries = (em: EntityManager, at: Date) =>
  em.execute('delete from attempt where at < ?', [subDays(at, 2)])
