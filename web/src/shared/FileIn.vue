<script setup lang="ts">
// A table in: a preview tells every row's fate, nothing is kept before that is looked at.
import { say } from '@/words'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import OneOf from './OneOf.vue'
import { answered, client, once, uuid7, type Schemas } from './api'
import { asBytes } from './files'
import { useProblem } from './useProblem'

const props = defineProps<{ what: 'log' | 'lifters'; label: string; many: string }>()
const emit = defineEmits<{ kept: [] }>()
const queries = useQueryClient()
const { message, busy, run } = useProblem()
const file = ref<File | null>(null)
const seen = ref<Schemas['ImportAnswer'] | null>(null)
const done = ref('')
let key = uuid7()

type Order = 'day_first' | 'month_first'
const orders = [
  ['day_first', say('shared.day_first_25_11')],
  ['month_first', say('shared.month_first_11_25')],
] as const
/** How the coach says that the file's dates are to be read; undefined as long as the file tells. */
const said = ref<Order>()
const order = computed<Order | null>({
  get: () => (seen.value?.dates === 'ask' ? null : (seen.value?.dates ?? null)),
  set: (chosen) => {
    said.value = chosen ?? undefined
    void preview()
  },
})

async function look(event: Event) {
  file.value = (event.target as HTMLInputElement).files?.[0] ?? null
  said.value = undefined
  seen.value = null
  await preview()
}
async function preview() {
  done.value = ''
  key = uuid7()
  if (!file.value) return
  const body = file.value as unknown as string
  const params = { query: { dates: said.value } }
  seen.value =
    (await run(() =>
      answered(client.POST(`/api/${props.what}/preview` as const, { body, ...asBytes, params })),
    )) ?? null
}
const leavesBad = computed(() => Boolean(seen.value?.bad))
async function take() {
  const body = file.value as unknown as string
  const kept = await run(() =>
    answered(
      client.POST(`/api/${props.what}/import` as const, {
        body,
        ...asBytes,
        params: { ...once(key), query: { leave_bad: leavesBad.value, dates: said.value } },
      }),
    ),
  )
  if (!kept) return
  done.value = say('shared.kept_many_kept', { kept: kept.kept, many: props.many })
  seen.value = null
  await queries.invalidateQueries()
  emit('kept')
}
</script>

<template>
  <div>
    <label class="small pick"
      >{{ label }} <input type="file" accept=".csv,.xlsx" :disabled="busy" @change="look"
    /></label>
    <p v-if="message" class="signal small" role="alert">{{ message }}</p>
    <p v-if="done" class="holds" role="status">{{ done }}</p>
    <template v-if="seen">
      <p>
        <b>{{ say('shared.new', { new: seen.new }) }}</b>{{ say('shared.already_here', { here: seen.here }) }}
        <span :class="{ signal: seen.bad }">{{ say('shared.bad', { bad: seen.bad }) }}</span>{{
          say('shared.nothing_is_kept_yet')
        }}
      </p>
      <div v-if="seen.dates" class="dates small">
        <span :class="{ signal: seen.dates === 'ask' }">{{
          seen.dates === 'ask'
            ? say('shared.in_its_dates_which_stands_first')
            : say('shared.its_dates_are_read')
        }}</span>
        <OneOf v-model="order" loose :label="say('shared.dates_in_the_file')" :options="orders" />
      </div>
      <ul class="rows small">
        <li v-for="r in seen.rows" :key="r.line">
          <span class="soft">{{ say('shared.line', { line: r.line }) }}</span>
          <b :class="{ signal: r.fate === 'bad' }">{{ r.fate }}</b> {{ r.words }}
        </li>
      </ul>
      <v-btn class="mt-2" variant="flat" :disabled="busy || !seen.new" @click="take">{{
        leavesBad
          ? say('shared.keep_leave_bad_rows_out', { new: seen.new, bad: seen.bad })
          : say('shared.keep_new_many', { new: seen.new, many })
      }}</v-btn>
    </template>
  </div>
</template>

<style scoped>
.pick {
  display: grid;
  gap: 4px;
  margin-top: 6px;
}
.dates {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: center;
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
