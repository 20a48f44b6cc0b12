<script setup lang="ts">
/** People: oneself, and for the owner who works here, who is invited, tablets, who is signed in, what was done. */
import { format, formatDistanceToNow, parseISO } from 'date-fns'
import { renderSVG } from 'uqr'
import type { AuditShown, PeopleList, Role } from '../../shared/door'
import { PASSWORD_LEAST, ROLES } from '../../shared/door'
import { doneWords, doorWords, ROLE_NAMES } from '~/words/door'
import { group, say } from '~/words/say'

/** What a role may do, in words. */
const MAY = group<Record<string, string>>('people.MAY')
useHead({ title: 'People · Lumbik' })
const door = useDoorStore()
const toast = useToast()
const me = computed(() => door.me!)
const list = shallowRef<PeopleList | null>(null)
const audit = shallowRef<AuditShown[] | null>(null)
const wrong = ref('')
const isOwner = computed(() => door.may('own'))
async function load() {
  if (!isOwner.value) return
  try {
    list.value = await api<PeopleList>('/api/people')
    wrong.value = ''
  } catch (error) {
    wrong.value = doorWords(error)
  }
}
await load()
const showAudit = async () => {
  audit.value = await api<AuditShown[]>('/api/people/audit').catch(() => null)
}
/** Does something and looks again; what went wrong is said. */
async function act(work: () => Promise<unknown>, done?: string) {
  try {
    await work()
    wrong.value = ''
    if (done) toast.add({ title: done })
  } catch (error) {
    wrong.value = doorWords(error)
  }
  await load()
}
const remove = (path: string, done: string) => act(() => api(`/api/people/${path}`, { method: 'DELETE' }), done)

/* Oneself. */
const own = reactive({ current: '', password: '', pin: '', name: me.value.name })
const codes = shallowRef<string[] | null>(null)
const saveMe = () => act(async () => {
  const { current, password, pin, name } = own
  await api('/api/door/me', { method: 'PUT', body: {
    current, ...(password ? { password } : {}), ...(pin ? { pin } : {}),
    ...(name.trim() && name.trim() !== me.value.name ? { name: name.trim() } : {}),
  } })
  Object.assign(own, { current: '', password: '', pin: '' })
  await door.load()
}, say('people.kept'))
const renew = () => act(async () => {
  codes.value = (await api<{ codes: string[] }>('/api/door/codes', { method: 'POST', body: { current: own.current } })).codes
  own.current = ''
})

/* Others. */
const invite = reactive({ name: '', role: 'cook' as Role })
const link = ref('')
const sendInvitation = () => act(async () => {
  const { token } = await api<{ token: string }>('/api/people/invitations', { method: 'POST', body: { ...invite, name: invite.name.trim() } })
  link.value = `${location.origin}/#invited=${token}`
  invite.name = ''
})
const qr = computed(() => `data:image/svg+xml,${encodeURIComponent(renderSVG(link.value, { border: 2 }))}`)
const copy = async () => {
  await navigator.clipboard.writeText(link.value)
  toast.add({ title: say('people.copied') })
}
const setRole = (id: string, role: string) => act(() => api(`/api/people/${id}`, { method: 'PUT', body: { role } }))
const tablet = ref('')
const tabletCode = ref('')
const addTablet = () => act(async () => {
  tabletCode.value = (await api<{ code: string }>('/api/people/tablets', { method: 'POST', body: { name: tablet.value.trim() } })).code
  tablet.value = ''
})
const leaving = ref<string | null>(null)
const ago = (iso: string) => formatDistanceToNow(parseISO(iso), { addSuffix: true })
const day = (iso: string) => format(parseISO(iso), 'd MMM yyyy, HH:mm')
</script>

<template>
  <main class="people" data-settled="true">
    <h1>{{ $say('people.people') }}</h1>
    <p v-if="door.state?.isDemo" class="soft" data-demo>{{ $say('people.demo', { name: me.name }) }}</p>
    <p v-if="wrong" class="bad" role="alert">{{ wrong }}</p>

    <section>
      <h2>{{ $say('people.you') }}</h2>
      <p>{{ me.name }} · {{ ROLE_NAMES[me.role] }} · <span class="soft">{{ MAY[me.role] }}</span></p>
      <label v-if="door.state!.kitchens.length > 1" class="row">{{ $say('people.kitchenNow') }}
        <select class="native" :value="door.state!.kitchen?.id" @change="e => act(() => door.knock('kitchen', { kitchenId: (e.target as HTMLSelectElement).value }).then(() => reloadNuxtApp()))">
          <option v-for="k in door.state!.kitchens" :key="k.id" :value="k.id">{{ k.name }}</option>
        </select>
      </label>
      <details>
        <summary>{{ $say('people.change') }}</summary>
        <form class="grid" @submit.prevent="saveMe">
          <label>{{ $say('door.name') }} <input v-model="own.name" class="native" maxlength="60" dir="auto"></label>
          <label>{{ $say('people.newPin') }} <input v-model="own.pin" class="native num" inputmode="numeric" pattern="\d{4,8}" maxlength="8" autocomplete="off"></label>
          <label>{{ $say('door.newPassword') }} <input v-model="own.password" class="native" type="password" :minlength="PASSWORD_LEAST" maxlength="200" autocomplete="new-password"></label>
          <label>{{ $say('people.current') }} <input v-model="own.current" class="native" type="password" maxlength="200" required autocomplete="current-password"></label>
          <button type="submit" class="flat">{{ $say('people.keep') }}</button>
          <button type="button" class="flat" :disabled="!own.current" @click="renew">{{ $say('people.newCodes') }}</button>
        </form>
        <div v-if="codes" class="codes" data-codes>
          <p>{{ $say('people.codesHow') }}</p>
          <p class="num">{{ codes.join(' · ') }}</p>
        </div>
      </details>
      <DeviceKeys v-if="!door.state?.tablet" />
      <button type="button" class="flat" data-out @click="door.out()">
        {{ door.state?.tablet ? $say('people.lock') : $say('people.signOut') }}
      </button>
    </section>

    <template v-if="list">
      <section>
        <h2>{{ $say('people.whoWorksHere') }}</h2>
        <ul class="rows">
          <li v-for="p in list.people" :key="p.membershipId" :data-person="p.name">
            <span><b dir="auto">{{ p.name }}</b> <span class="soft">{{ p.login }}{{ p.hasPin ? ` · ${$say('people.hasPin')}` : '' }}</span></span>
            <label><span class="sr">{{ $say('people.roleOf', { name: p.name }) }}</span>
              <select class="native" :value="p.role" @change="e => setRole(p.membershipId, (e.target as HTMLSelectElement).value)">
                <option v-for="r in ROLES" :key="r" :value="r">{{ ROLE_NAMES[r] }}</option>
              </select>
            </label>
            <span v-if="leaving === p.membershipId" class="acts">
              <button type="button" class="flat" @click="leaving = null; remove(p.membershipId, $say('people.hasLeft', { name: p.name }))">{{ $say('people.leaves') }}</button>
              <button type="button" class="flat stop" @click="leaving = null; remove(`${p.membershipId}?forget=1`, $say('people.isForgotten'))">{{ $say('people.forget') }}</button>
              <button type="button" class="underline" @click="leaving = null">{{ $say('door.back') }}</button>
            </span>
            <button v-else-if="!p.isMe" type="button" class="underline" :aria-label="$say('people.endOf', { name: p.name })" @click="leaving = p.membershipId">{{ $say('people.end') }}</button>
          </li>
        </ul>
        <p v-if="leaving" class="soft small">{{ $say('people.forgetHow') }}</p>
        <form class="line" @submit.prevent="sendInvitation">
          <label>{{ $say('people.inviteName') }} <input v-model="invite.name" class="native" maxlength="60" required dir="auto" data-invite-name></label>
          <label>{{ $say('people.inviteAs') }}
            <select v-model="invite.role" class="native" data-invite-role>
              <option v-for="r in ROLES" :key="r" :value="r">{{ ROLE_NAMES[r] }}</option>
            </select>
          </label>
          <button type="submit" class="flat">{{ $say('people.invite') }}</button>
        </form>
        <div v-if="link" class="link" data-invitation>
          <img class="qr" :src="qr" :alt="$say('people.qr')">
          <div>
            <p>{{ $say('people.linkHow') }}</p>
            <p class="small"><code>{{ link }}</code></p>
            <button type="button" class="flat" @click="copy">{{ $say('people.copy') }}</button>
          </div>
        </div>
        <ul v-if="list.invitations.length" class="rows">
          <li v-for="i in list.invitations" :key="i.id">
            <span>{{ i.name }} · {{ ROLE_NAMES[i.role] }} <span class="soft">{{ $say('people.invitedUntil', { until: day(i.until) }) }}</span></span>
            <button type="button" class="underline" @click="remove(`invitations/${i.id}`, $say('people.takenBack'))">{{ $say('people.takeBack') }}</button>
          </li>
        </ul>
      </section>

      <section>
        <h2>{{ $say('people.tablets') }}</h2>
        <p v-if="list.tablets.length === 0" class="soft">{{ $say('people.noTablets') }}</p>
        <ul v-else class="rows">
          <li v-for="t in list.tablets" :key="t.id" :data-tablet="t.name">
            <span><b dir="auto">{{ t.name }}</b> <span class="soft">{{ t.enrolledAt ? $say('people.enrolled', { at: day(t.enrolledAt) }) : $say('people.waits') }}</span></span>
            <button type="button" class="underline" @click="remove(`tablets/${t.id}`, $say('people.cutOff', { name: t.name }))">{{ $say('people.cut') }}</button>
          </li>
        </ul>
        <form class="line" @submit.prevent="addTablet">
          <label>{{ $say('people.tabletName') }} <input v-model="tablet" class="native" maxlength="60" required dir="auto" data-tablet-name></label>
          <button type="submit" class="flat">{{ $say('people.addTablet') }}</button>
        </form>
        <p v-if="tabletCode" class="big" data-tablet-code>{{ $say('people.codeHow') }} <b class="num">{{ tabletCode }}</b></p>
      </section>

      <section v-if="list.links.length">
        <h2>{{ $say('people.links') }}</h2>
        <ul class="rows">
          <li v-for="l in list.links" :key="l.id" data-open-link>
            <span>
              <NuxtLink :to="l.kind === 'day' ? `/today?date=${l.target}` : `/formula/${l.target}/balance`" class="underline">
                {{ l.kind === 'day' ? $say('people.linkDay', { date: l.target }) : $say('people.linkFormula') }}
              </NuxtLink>
              <span class="soft">{{ $say('people.linkEnds', { until: day(l.until) }) }}</span>
            </span>
            <button
              type="button" class="underline"
              @click="act(() => api(`/api/links/${l.id}`, { method: 'DELETE' }), $say('people.linkOver'))"
            >
              {{ $say('people.takeBack') }}
            </button>
          </li>
        </ul>
      </section>

      <section>
        <h2>{{ $say('people.sessions') }}</h2>
        <ul class="rows">
          <li v-for="s in list.sessions" :key="s.id">
            <span>{{ s.tablet ?? s.name ?? '' }} <span class="soft">{{ [s.tablet && s.name, s.label, ago(s.seenAt)].filter(Boolean).join(' · ') }}{{ s.isThis ? ` · ${$say('people.thisOne')}` : '' }}</span></span>
            <button v-if="!s.isThis" type="button" class="underline" @click="remove(`sessions/${s.id}`, $say('people.ended'))">{{ $say('people.signOutThere') }}</button>
          </li>
        </ul>
        <p v-if="list.sessions.length === 0" class="soft">{{ $say('people.noSessions') }}</p>
      </section>

      <KitchenFile @taken="door.load" />

      <section>
        <h2>{{ $say('people.done') }}</h2>
        <button v-if="!audit" type="button" class="flat" data-audit @click="showAudit">{{ $say('people.showDone') }}</button>
        <p v-else-if="audit.length === 0" class="soft">{{ $say('people.nothingDone') }}</p>
        <table v-else class="audit">
          <tr v-for="(a, i) in audit" :key="i">
            <td class="num soft">{{ day(a.at) }}</td><td dir="auto">{{ a.name ?? $say('people.aTablet') }}</td><td>{{ doneWords(a.what) }}</td>
          </tr>
        </table>
      </section>
    </template>
  </main>
</template>

<style scoped>
.people { padding: 1.5rem 1.75rem 4rem; max-width: 62rem; }
h1 { font-size: 1.85rem; } h2 { font-size: 1.25rem; margin-top: 1.8rem; border-bottom: 1px solid var(--hairline); padding-bottom: 0.3rem; }
section > * + * { margin-top: 0.7rem; }
.rows { list-style: none; padding: 0; }
.rows li { display: flex; gap: 1.2rem; align-items: center; min-height: 52px; border-bottom: 1px solid var(--hairline); flex-wrap: wrap; }
.rows li > span:first-child { flex: 1 1 16rem; }
.rows button, .acts { min-height: 44px; display: inline-flex; gap: 0.8rem; align-items: center; }
.line { display: flex; gap: 1rem; align-items: end; flex-wrap: wrap; }
.line label, .grid label { display: grid; gap: 0.1rem; }
.grid { display: grid; grid-template-columns: repeat(auto-fill, minmax(15rem, 1fr)); gap: 0.8rem; align-items: end; margin-top: 0.6rem; }
.link { display: flex; gap: 1.5rem; align-items: center; flex-wrap: wrap; border: 1px solid var(--hairline); padding: 1rem; }
.qr { width: 170px; } .link code { overflow-wrap: anywhere; }
.big b { font-size: 1.9rem; letter-spacing: 0.15em; }
.codes { border: 1px solid var(--ink); padding: 0.7rem 1rem; margin-top: 0.8rem; }
.bad { color: var(--blood); font-weight: 600; } .stop { color: var(--blood); border-color: var(--blood); }
.audit td { padding: 0.25rem 1.4rem 0.25rem 0; border-bottom: 1px solid var(--hairline); }
.small { font-size: 0.9rem; }
@media (max-width: 760px) { .people { padding: 1rem 1rem 3rem; } }
</style>
