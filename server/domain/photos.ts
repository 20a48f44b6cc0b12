/** Pictures of a batch: kept as they were taken, until they are taken back. */
import { randomUUID } from 'node:crypto'
import type { EntityManager } from '@mikro-orm/postgresql'
import { BatchPhotoEntity } from '../database/entities'
import { batchRow } from './batches'
import type { Owner } from './kitchen'
import { Refusal } from './refusal'

/** What a picture may be, by its first bytes: nobody's word is taken for it. */
const KINDS: { mime: string, starts: readonly number[], at?: number }[] = [
  { mime: 'image/jpeg', starts: [0xff, 0xd8, 0xff] },
  { mime: 'image/png', starts: [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a] },
  { mime: 'image/webp', starts: [0x57, 0x45, 0x42, 0x50], at: 8 },
]
/** @example mimeOf(new Uint8Array([0xff, 0xd8, 0xff, 0xe0])) // 'image/jpeg' */
export const mimeOf = (bytes: Uint8Array): string | null =>
  KINDS.find(k => k.starts.every((b, i) => bytes[(k.at ?? 0) + i] === b))?.mime ?? null

/** Keeps a picture. @throws {Refusal} unknown batch; invalid, for what is no picture @returns its id */
export async function keepPhoto(em: EntityManager, owner: Owner, at: Date, batchId: string, bytes: Uint8Array) {
  await batchRow(em, owner, batchId)
  const mime = mimeOf(bytes)
  if (!mime) throw new Refusal('invalid', 'body', 'notAPicture')
  const id = randomUUID()
  em.create(BatchPhotoEntity, {
    id, kitchenId: owner.id, actorId: owner.actorId, createdAt: at, batchId, mime, bytes: Buffer.from(bytes),
    redactedAt: null,
  })
  await em.flush()
  return id
}
/** A picture. @throws {Refusal} unknown; deleted, for one that was taken back */
export async function photoOf(em: EntityManager, owner: Pick<Owner, 'id'>, id: string) {
  const row = await em.findOne(BatchPhotoEntity, { id, kitchenId: owner.id })
  if (!row) throw new Refusal('unknown', 'id', 'unknownPhoto')
  if (!row.bytes) throw new Refusal('deleted', 'id', 'redacted')
  return { mime: row.mime, bytes: row.bytes }
}
/** Takes a picture back. @throws {Refusal} unknown */
export async function redactPhoto(em: EntityManager, owner: Pick<Owner, 'id'>, at: Date, id: string): Promise<void> {
  const n = await em.nativeUpdate(BatchPhotoEntity, { id, kitchenId: owner.id }, { bytes: null, redactedAt: at })
  if (n === 0) throw new Refusal('unknown', 'id', 'unknownPhoto')
}
