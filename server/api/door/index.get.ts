/** What the door says to whoever asks: nobody known, nobody signed in, or who it is and where. */
import type { DoorState } from '../../../shared/door'
import { belongings, isFirstStart } from '../../people/people'
import { shownTablet } from '../../people/tablets'

export default defineEventHandler(async (event): Promise<DoorState> => {
  const em = await useEm(event)
  const session = await useSessionOf(event)
  if (!session)
    return {
      state: (await isFirstStart(em)) ? 'first' : 'out', isDemo: false, me: null, kitchen: null, kitchens: [], tablet: null,
    }
  const { who, kitchenId } = session
  const kitchens = await kitchensOf(em, who ? (await belongings(em, who.personId)).map(b => b.kitchenId) : [kitchenId])
  return {
    state: who ? 'in' : 'out',
    isDemo: session.id === null,
    me: who && { membershipId: who.membershipId, personId: who.personId, name: who.name, role: who.role },
    kitchen: kitchens.find(k => k.id === kitchenId) ?? null,
    kitchens,
    tablet: await shownTablet(em, session),
  }
})
