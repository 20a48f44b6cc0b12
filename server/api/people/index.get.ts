/** People of the kitchen, who is invited, its tablets, who is signed in where, open links. */
import type { PeopleList } from '../../../shared/door'
import { listLinks } from '../../people/links'
import { listInvitations, listPeople } from '../../people/people'
import { listSessions } from '../../people/sessions'
import { listTablets } from '../../people/tablets'

export default defineEventHandler(async (event): Promise<PeopleList> => {
  const { who, kitchenId, id } = await useWho(event)
  const em = await useEm(event)
  return {
    people: await listPeople(em, kitchenId, who.membershipId),
    invitations: await listInvitations(em, kitchenId, now()),
    tablets: await listTablets(em, kitchenId, now()),
    sessions: await listSessions(em, kitchenId, id, now()),
    links: await listLinks(em, kitchenId, now()),
  }
})
