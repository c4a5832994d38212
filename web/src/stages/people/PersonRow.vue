<script setup lang="ts">
// One person: role, a link for a forgotten password, out of the club (asked twice).
import { say } from '@/words'
import { ref } from 'vue'
import { answered, client, once, uuid7, type Schemas } from '@/shared/api'
import { useProblem } from '@/shared/useProblem'
import JoinLink from './JoinLink.vue'
import { ROLES, type Role } from './roles'

const props = defineProps<{ person: Schemas['PersonOut']; mayManage: boolean }>()
const emit = defineEmits<{ changed: [] }>()
const { message, busy, run } = useProblem()
const leaving = ref(false)
const link = ref<Schemas['NewLink'] | null>(null)
const path = () => ({ params: { path: { coach_id: props.person.coach_id }, ...once(uuid7()) } })

async function change(role: string) {
  await run(() =>
    answered(client.POST('/api/people/{coach_id}/role', { ...path(), body: { role: role as Role } })),
  )
  emit('changed')
}
async function takeOut() {
  const out = await run(() => answered(client.POST('/api/people/{coach_id}/leaving', path())))
  leaving.value = false
  if (out) emit('changed')
}
async function forgot() {
  link.value =
    (await run(() =>
      answered(
        client.POST('/api/people/{coach_id}/password-link', { ...path(), body: { link_id: uuid7() } }),
      ),
    )) ?? null
  emit('changed')
}
</script>

<template>
  <li class="person">
    <p>
      <b>{{ person.name }}</b> <span v-if="person.you" class="soft">{{ say('people.you_2') }}</span><br />
      <span class="small soft">{{ person.email }}</span>
    </p>
    <select
      v-if="mayManage"
      :aria-label="say('people.role_of', { name: person.name })"
      :value="person.role"
      :disabled="busy"
      @change="change(($event.target as HTMLSelectElement).value)"
    >
      <option v-for="[role, name] in ROLES" :key="role" :value="role">{{ name }}</option>
    </select>
    <span v-else class="soft">{{ ROLES.find(([role]) => role === person.role)?.[1] }}</span>
    <p v-if="mayManage && !person.you" class="acts small">
      <button type="button" class="linkish" :disabled="busy" @click="forgot">
        {{ say('people.forgot_the_password') }}
      </button>
      <button v-if="!leaving" type="button" class="linkish" @click="leaving = true">
        {{ say('people.take_out') }}
      </button>
      <template v-else>
        <span>{{ say('people.signs_in_no_more_what_was', { name: person.name }) }}</span>
        <button type="button" class="linkish signal" :disabled="busy" @click="takeOut">
          {{ say('people.take_out_now') }}
        </button>
        <button type="button" class="linkish" @click="leaving = false">{{ say('people.keep') }}</button>
      </template>
    </p>
    <JoinLink v-if="link" :link="link" class="wide" />
    <p v-if="message" class="signal small wide" role="alert">{{ message }}</p>
  </li>
</template>

<style scoped>
.person {
  border-top: 1px solid var(--hair);
  padding: 8px 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 4px 14px;
  align-items: center;
}
.acts {
  grid-column: 1 / -1;
  display: flex;
  gap: 14px;
  flex-wrap: wrap;
}
.wide {
  grid-column: 1 / -1;
}
select {
  padding: 6px;
  min-height: 36px;
}
</style>
