import { keepPhoto } from '../../../domain/photos'
import { PHOTO_LIMIT } from '../../../../shared/limits'

/** Keeps a picture of a batch: the body is the picture, up to 6 MB. */
export default defineEventHandler(async (event) => {
  const id = routeId(event, 'unknownBatch')
  const bytes = await readBytes(event, {
    limit: PHOTO_LIMIT, type: /^image\/(jpeg|png|webp)\b/, otherwise: 'notAPicture',
  })
  const { em, owner } = await useRequest(event)
  return { id: await keepPhoto(em, owner, now(), id, bytes) }
})
