/** The server's own round, every hour: what grows old goes. */
import type { EntityManager } from '@mikro-orm/postgresql'
import { subDays } from 'date-fns'
import { FormulaEntity } from '../database/entities'
import { faultName } from '../database/away'
import { forEveryKitchen, rest } from '../database/wall'
import { forgetNotes } from '../live/notes'
import { forgetOldTries } from '../people/attempts'
import { newEm, now } from '../utils/orm'
import { emptyBin } from './bin'
import { forgetExports } from './exports'
import { forgetBefore } from './mutations'
import { isAway } from './refresh'
import { thinVersions } from './versions'

const HOUR_MS = 3_600_000
/** The hourly round rests between kitchens, and between formulas: hundreds of them take minutes of their hour, ms. */
const ROUND_REST_MS = 100
const THIN_REST_MS = 20

/** Once: empties the bin, forgets old writes, thins what was worked on in the last days. */
export async function tidy(em: EntityManager, at: Date): Promise<void> {
  await emptyBin(em, at)
  await forgetBefore(em, at)
  await forgetNotes(em, at)
  await forgetExports(em, at)
  await forgetOldTries(em, at)
  for (let offset = 0; ; offset += 200) {
    const ids = (
      await em
        .fork()
        .find(
          FormulaEntity,
          { updatedAt: { $gt: subDays(at, 9) } },
          { fields: ['id'], orderBy: { id: 'asc' }, limit: 200, offset },
        )
    ).map(f => f.id)
    for (const id of ids) {
      await thinVersions(em, id, at)
      await rest(THIN_REST_MS)
    }
    if (ids.length < 200) return
  }
}

/** Starts the hourly round. @returns its end */
export function startHousekeeping(): () => void {
  const round = () =>
    forEveryKitchen(newEm, async () => tidy(await newEm(), now()), ROUND_REST_MS)
      .catch((error) => {
        if (!isAway(error)) console.error(`Lumbik: tidying up did not work (${faultName(error)})`)
      })
  const first = setTimeout(round, 60_000).unref()
  const timer = setInterval(round, HOUR_MS).unref()
  return () => {
    clearTimeout(first)
    clearInterval(timer)
  }
}
