/**
 * Whether the database answers, asked twice a second on a connection of its own: a frozen one is then told at once, not
 * found out by each request anew.
 */
import { MikroORM } from '@mikro-orm/postgresql'
import { ormConfig } from './config'

const BEAT_MS = 500
/** While it is away it is asked more often: whoever waits for it waits no longer than this. */
const AWAY_BEAT_MS = 300

export interface Pulse {
  away: () => boolean
  stop: () => Promise<void>
}

/** Starts asking. */
export async function startPulse(url: string): Promise<Pulse> {
  const orm = await MikroORM.init(ormConfig(url, 'ask'))
  let away = false
  let timer: ReturnType<typeof setTimeout> | undefined
  let stopped = false
  const beat = async () => {
    away = await orm.em
      .getConnection()
      .execute('select 1')
      .then(
        () => false,
        () => true,
      )
    if (!stopped) timer = setTimeout(beat, away ? AWAY_BEAT_MS : BEAT_MS).unref()
  }
  timer = setTimeout(beat, BEAT_MS).unref()
  return {
    away: () => away,
    async stop() {
      stopped = true
      clearTimeout(timer)
      await orm.close(true)
    },
  }
}
