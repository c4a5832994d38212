<script setup lang="ts">
// The log out as CSV or XLSX, and in again with a preview of every row's fate.
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answered, client, once, uuid7, type Schemas } from '@/shared/api'
import { useSession } from '@/shared/session'
import { useProblem } from '@/shared/useProblem'

defineProps<{ lifterId: string }>()
const { mayWrite } = useSession()
const queries = useQueryClient()
const { message, busy, run } = useProblem()
const file = ref<File | null>(null)
const seen = ref<Schemas['ImportAnswer'] | null>(null)
const done = ref('')
let key = uuid7()
const asBytes = {
  bodySerializer: (body: unknown) => body as BodyInit,
  headers: { 'Content-Type': 'application/octet-stream' },
}

async function look(event: Event) {
  file.value = (event.target as HTMLInputElement).files?.[0] ?? null
  seen.value = null
  done.value = ''
  key = uuid7()
  if (!file.value) return
  const body = file.value as unknown as string
  seen.value = (await run(() => answered(client.POST('/api/log/preview', { body, ...asBytes })))) ?? null
}
const leavesBad = computed(() => Boolean(seen.value?.bad))
async function take() {
  const body = file.value as unknown as string
  const kept = await run(() =>
    answered(
      client.POST('/api/log/import', {
        body,
        ...asBytes,
        params: { ...once(key), query: { leave_bad: leavesBad.value } },
      }),
    ),
  )
  if (!kept) return
  done.value = `${kept.kept} sets kept.`
  seen.value = null
  await queries.invalidateQueries()
}
</script>

<template>
  <section>
    <h2>Files</h2>
    <p class="small">
      Out: <a :href="`/api/log.csv?lifter_id=${lifterId}`" download>this log as CSV</a>,
      <a :href="`/api/log.xlsx?lifter_id=${lifterId}`" download>as XLSX</a>,
      <a href="/api/log.csv" download>the whole club as CSV</a>
    </p>
    <label v-if="mayWrite" class="small pick"
      >In: a CSV or XLSX of sets <input type="file" accept=".csv,.xlsx" :disabled="busy" @change="look"
    /></label>
    <p v-if="message" class="signal small" role="alert">{{ message }}</p>
    <p v-if="done" class="holds" role="status">{{ done }}</p>
    <template v-if="seen">
      <p>
        <b>{{ seen.new }} new</b>, {{ seen.here }} already here,
        <span :class="{ signal: seen.bad }">{{ seen.bad }} bad</span>. Nothing is kept yet.
      </p>
      <ul class="rows small">
        <li v-for="r in seen.rows" :key="r.line">
          <span class="soft">line {{ r.line }}</span>
          <b :class="{ signal: r.fate === 'bad' }">{{ r.fate }}</b> {{ r.words }}
        </li>
      </ul>
      <v-btn class="mt-2" variant="flat" :disabled="busy || !seen.new" @click="take">{{
        leavesBad ? `Keep ${seen.new}, leave ${seen.bad} bad rows out` : `Keep ${seen.new} sets`
      }}</v-btn>
    </template>
  </section>
</template>

<style scoped>
.pick {
  display: grid;
  gap: 4px;
  margin-top: 6px;
}
.rows {
  list-style: none;
  padding: 0;
  margin: 6px 0;
  max-height: 220px;
  overflow: auto;
  border: 1px solid var(--line);
}
.rows li {
  padding: 3px 8px;
  border-top: 1px solid var(--hair);
  overflow-wrap: anywhere;
}
</style>
