<script setup lang="ts">
/** The door: the first owner, signing in, a tablet's cooks by PIN, an invitation, a lost password. */
import { doorWords, ROLE_NAMES } from '~/words/door'

const door = useDoorStore()
const state = computed(() => door.state!)
/** An invitation's token stands behind the # of its link: no server ever logs it. */
const token = ref(/^#invited=([\w-]+)$/.exec(location.hash)?.[1] ?? '')
const invited = shallowRef<{ name: string, role: string, kitchen: string } | null>(null)
const way = ref<'in' | 'recover' | 'tablet'>('in')
const form = reactive({ login: '', name: '', password: '', kitchen: '', code: '', pin: '' })
const cook = ref<string | null>(null)
const wrong = ref('')
const isBusy = ref(false)
useHead({ title: 'Door · Lumbik' })

const knock = (what: string, body: Record<string, unknown>) => open(() => door.knock(what, body))
async function open(work: () => Promise<unknown>) {
  if (isBusy.value) return
  isBusy.value = true
  wrong.value = ''
  try {
    await work()
    Object.assign(form, { password: '', code: '', pin: '' })
    if (token.value) {
      token.value = ''
      history.replaceState(null, '', '/')
    }
  } catch (error) {
    wrong.value = doorWords(error)
    form.pin = ''
  } finally {
    isBusy.value = false
  }
}
if (token.value)
  api<NonNullable<typeof invited.value>>('/api/door/invitation', { method: 'POST', body: { token: token.value } }).then(
    (found) => {
      invited.value = found
      form.name = found.name
    },
    (error) => {
      wrong.value = doorWords(error)
      token.value = ''
    },
  )
const pick = ({ login, password, name, code }: typeof form) =>
  ({ login: login.trim(), password, name: name.trim(), code: code.trim() })
const first = () => {
  const { login, password, name, code } = pick(form)
  return knock('owner', { login, password, name, kitchen: form.kitchen.trim(), ...(code ? { code } : {}) })
}
const accept = () => {
  const { login, password, name } = pick(form)
  return knock('invited', { token: token.value, login, password, name })
}
const enter = () => knock('in', { login: form.login.trim(), password: form.password })
const recover = () => knock('recover', { login: form.login.trim(), code: form.code.trim(), password: form.password })
const enrol = () => knock('tablet', { code: form.code.trim() })
const unlock = () => knock('pin', { membershipId: cook.value, pin: form.pin })
const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '⌫', '0', '✓'] as const
function key(k: (typeof KEYS)[number]) {
  if (k === '⌫') form.pin = form.pin.slice(0, -1)
  else if (k === '✓') void unlock()
  else if (form.pin.length < 8) form.pin += k
}
const cookName = computed(() => state.value.tablet?.cooks.find(c => c.membershipId === cook.value)?.name ?? '')
</script>

<template>
  <main class="door" :data-door="state.state" data-settled="true">
    <template v-if="state.tablet && !token">
      <h1>{{ $say('door.whoAreYou', { tablet: state.tablet.name }) }}</h1>
      <ul v-if="!cook" class="cooks">
        <li v-for="c in state.tablet.cooks" :key="c.membershipId">
          <button type="button" class="press quiet" :disabled="!c.hasPin" @click="cook = c.membershipId">
            {{ c.name }} <span v-if="!c.hasPin" class="none">{{ $say('door.noPin') }}</span>
          </button>
        </li>
      </ul>
      <form v-else class="pin" @submit.prevent="unlock">
        <label class="field-label" for="pin">{{ $say('door.pinOf', { name: cookName }) }}</label>
        <input
          id="pin" v-model="form.pin" class="native num" type="password" inputmode="numeric" maxlength="8"
          autocomplete="off" pattern="\d{4,8}" required
        >
        <div class="keys">
          <button
            v-for="k in KEYS" :key="k" type="button" class="press quiet num"
            :disabled="k === '✓' && (form.pin.length < 4 || isBusy)"
            :aria-label="k === '⌫' ? $say('door.takeBack') : k === '✓' ? $say('door.enter') : k" @click="key(k)"
          >
            {{ k }}
          </button>
        </div>
        <button type="button" class="underline" @click="cook = null; wrong = ''">{{ $say('door.somebodyElse') }}</button>
      </form>
    </template>

    <form v-else-if="token && invited" class="words" @submit.prevent="accept">
      <h1>{{ $say('door.invitedTo', { kitchen: invited.kitchen }) }}</h1>
      <p class="soft">{{ ROLE_NAMES[invited.role] }} · {{ $say('door.invitedHow') }}</p>
      <SignInFields v-model:name="form.name" v-model:login="form.login" v-model:password="form.password" />
      <button type="submit" class="press" :disabled="isBusy">{{ $say('door.join') }}</button>
    </form>

    <form v-else-if="state.state === 'first'" class="words" @submit.prevent="first">
      <h1>{{ $say('door.firstStart') }}</h1>
      <p class="soft">{{ $say('door.firstHow') }}</p>
      <label>{{ $say('door.kitchen') }} <input v-model="form.kitchen" class="native" maxlength="80" required dir="auto"></label>
      <SignInFields v-model:name="form.name" v-model:login="form.login" v-model:password="form.password" />
      <details>
        <summary>{{ $say('door.setupCode') }}</summary>
        <label>{{ $say('door.setupCodeHow') }} <input v-model="form.code" class="native" maxlength="40" autocomplete="off"></label>
      </details>
      <button type="submit" class="press" :disabled="isBusy">{{ $say('door.begin') }}</button>
    </form>

    <form v-else-if="way === 'in'" class="words" @submit.prevent="enter">
      <h1>{{ $say('door.signIn') }}</h1>
      <label>{{ $say('door.login') }} <input v-model="form.login" class="native" maxlength="120" required autocomplete="username"></label>
      <label>{{ $say('door.password') }}
        <input v-model="form.password" class="native" type="password" maxlength="200" required autocomplete="current-password">
      </label>
      <button type="submit" class="press" :disabled="isBusy">{{ $say('door.signIn') }}</button>
      <button v-if="opensByKey()" type="button" class="press quiet" data-with-key :disabled="isBusy" @click="open(door.openByKey)">
        {{ $say('door.withKey') }}
      </button>
      <p class="ways">
        <button type="button" class="underline" @click="way = 'tablet'; wrong = ''">{{ $say('door.thisIsATablet') }}</button>
        <button type="button" class="underline" @click="way = 'recover'; wrong = ''">{{ $say('door.lostPassword') }}</button>
      </p>
    </form>
    <form v-else-if="way === 'recover'" class="words" @submit.prevent="recover">
      <h1>{{ $say('door.lostPassword') }}</h1>
      <p class="soft">{{ $say('door.recoverHow') }}</p>
      <label>{{ $say('door.login') }} <input v-model="form.login" class="native" maxlength="120" required autocomplete="username"></label>
      <label>{{ $say('door.recoveryCode') }} <input v-model="form.code" class="native" maxlength="40" required autocomplete="off"></label>
      <SignInFields v-model:password="form.password" :has-name="false" :has-login="false" is-reset />
      <button type="submit" class="press" :disabled="isBusy">{{ $say('door.setPassword') }}</button>
      <p class="ways"><button type="button" class="underline" @click="way = 'in'; wrong = ''">{{ $say('door.back') }}</button></p>
    </form>
    <form v-else class="words" @submit.prevent="enrol">
      <h1>{{ $say('door.thisIsATablet') }}</h1>
      <p class="soft">{{ $say('door.tabletHow') }}</p>
      <label>{{ $say('door.tabletCode') }}
        <input v-model="form.code" class="native code" maxlength="12" required autocomplete="off" autocapitalize="characters">
      </label>
      <button type="submit" class="press" :disabled="isBusy">{{ $say('door.enrol') }}</button>
      <p class="ways"><button type="button" class="underline" @click="way = 'in'; wrong = ''">{{ $say('door.back') }}</button></p>
    </form>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </main>
</template>

<style scoped>
.door { max-width: 30rem; margin: 0 auto; padding: 2.5rem 1.25rem 4rem; }
h1 { font-size: 1.85rem; margin-bottom: 0.6rem; }
.words { display: grid; gap: 0.9rem; }
.words :deep(label) { display: grid; gap: 0.15rem; }
.words :deep(input) { min-height: 48px; font-size: 1.1rem; }
.code { letter-spacing: 0.2em; text-transform: uppercase; }
.ways { display: flex; gap: 1.5rem; flex-wrap: wrap; }
.ways button { min-height: 44px; }
.cooks { list-style: none; padding: 0; display: grid; gap: 0.7rem; }
.none { font-weight: 400; font-size: 1rem; margin-left: 0.6rem; }
.cooks button { width: 100%; min-height: 72px; font-size: 1.4rem; }
.pin { display: grid; gap: 0.8rem; }
.pin input { min-height: 56px; font-size: 1.6rem; text-align: center; letter-spacing: 0.4em; }
.keys { display: grid; grid-template-columns: repeat(3, 1fr); gap: 0.6rem; }
.keys button { min-height: 72px; font-size: 1.6rem; }
.wrong { color: var(--blood); font-weight: 600; margin-top: 1rem; }
:deep(.small) { font-size: 0.9rem; }
</style>
