<script setup lang="ts">
/** Who somebody is and the password they choose: asked of a first owner, of whoever is invited, of a new password. */
import { PASSWORD_LEAST, PASSWORD_MOST } from '../../../shared/door'

withDefaults(
  defineProps<{ hasName?: boolean, hasLogin?: boolean, isReset?: boolean }>(), { hasName: true, hasLogin: true })
const name = defineModel<string>('name', { default: '' })
const login = defineModel<string>('login', { default: '' })
const password = defineModel<string>('password', { required: true })
</script>

<template>
  <label v-if="hasName">{{ $say('door.name') }}
    <input v-model="name" class="native" maxlength="60" required autocomplete="name" dir="auto">
  </label>
  <label v-if="hasLogin">{{ $say('door.login') }}
    <input v-model="login" class="native" maxlength="120" required autocomplete="username" pattern="\S+">
  </label>
  <label>{{ isReset ? $say('door.newPassword') : $say('door.password') }}
    <input
      v-model="password" class="native" type="password" :minlength="PASSWORD_LEAST" :maxlength="PASSWORD_MOST" required
      autocomplete="new-password"
    >
  </label>
  <p class="soft small">{{ $say('door.passwordRule', { n: PASSWORD_LEAST }) }}</p>
</template>
