/** A tab says where it is, and hears who else is there. */
import { hereSchema } from '../../../shared/schemas/door'
import { othersAt, sayHere } from '../../live/notes'

export default defineEventHandler(async (event) => {
  const { id, place } = await readChecked(event, hereSchema)
  const { who, kitchenId } = await useWho(event)
  const em = await useEm(event)
  await sayHere(em, kitchenId, { id, name: who.name, place }, now())
  return { others: place ? await othersAt(em, place, id, now()) : [] }
})
