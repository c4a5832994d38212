<script setup lang="ts">
// What somebody new enters of themselves: a name, what stands between, a password.
import { say } from '@/words'
const name = defineModel<string>('name', { required: true })
const password = defineModel<string>('password', { required: true })
defineProps<{ named: boolean; of: (field: string) => string[] }>()
</script>

<template>
  <v-text-field
    v-if="named"
    v-model="name"
    class="mt-3"
    :label="say('signin.your_name')"
    maxlength="80"
    autocomplete="name"
    :error-messages="of('name')"
  />
  <slot />
  <v-text-field
    v-model="password"
    class="mt-3"
    :label="say('signin.password_12_characters_or_more')"
    type="password"
    autocomplete="new-password"
    :error-messages="of('password')"
  />
</template>
