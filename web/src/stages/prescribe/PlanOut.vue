<script setup lang="ts">
// The plan on its way out: print, calendar, table, and the lifter's own link.
import { say } from '@/words'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import LinkOnce from '@/shared/LinkOnce.vue'
import { answered, client, once, uuid7, type Schemas } from '@/shared/api'
import { useProblem } from '@/shared/useProblem'
import { dayOf } from '@/shared/words'

const props = defineProps<{ lifterId: string; mayWrite: boolean; hasPlan: boolean }>()
const queries = useQueryClient()
const path = { lifter_id: props.lifterId }
const links = useQuery({
  queryKey: ['links', props.lifterId],
  queryFn: () => answered(client.GET('/api/lifters/{lifter_id}/links', { params: { path } })),
})
const open = computed(() => (links.data.value ?? []).filter((l) => l.state === 'open'))
const made = ref<Schemas['MadeLinkAnswer'] | null>(null)
const days = ref(30)
const { message, busy, run } = useProblem()
async function make() {
  const id = uuid7()
  made.value =
    (await run(() =>
      answered(
        client.POST('/api/lifters/{lifter_id}/links', {
          params: { path, ...once(id) },
          body: { link_id: id, days: days.value },
        }),
      ),
    )) ?? null
  await queries.invalidateQueries({ queryKey: ['links', props.lifterId] })
}
async function close(linkId: string) {
  await run(() =>
    answered(
      client.POST('/api/lifters/{lifter_id}/links/{link_id}/closing', {
        params: { path: { ...path, link_id: linkId }, ...once(uuid7()) },
      }),
    ),
  )
  if (made.value?.link_id === linkId) made.value = null
  await queries.invalidateQueries({ queryKey: ['links', props.lifterId] })
}
const FILES = [
  ['pdf', say('prescribe.print_pdf')],
  ['ics', say('prescribe.calendar')],
  ['xlsx', say('prescribe.workbook')],
  ['csv', 'CSV'],
] as const
</script>

<template>
  <div class="out">
    <p v-if="hasPlan" class="files">
      <a v-for="[kind, name] in FILES" :key="kind" :href="`/api/lifters/${lifterId}/plan.${kind}`" download>{{
        name
      }}</a>
    </p>
    <section>
      <h2>
        {{ say('prescribe.the_lifters_own_link') }}
        <small>{{ say('prescribe.card_and_next_day_read_only') }}</small>
      </h2>
      <p v-if="mayWrite" class="row">
        <label class="small"
          >{{ say('prescribe.lasts') }}
          <select v-model.number="days">
            <option v-for="d in [7, 30, 90, 180]" :key="d" :value="d">
              {{ say('prescribe.d_days', { d }) }}
            </option>
          </select></label
        >
        <v-btn class="quiet" size="small" :disabled="busy" @click="make">{{
          say('prescribe.make_a_link')
        }}</v-btn>
      </p>
      <LinkOnce v-if="made" :link="made">{{
        say('prescribe.whoever_holds_it_sees_card_and', { expires_at: dayOf(made.expires_at) })
      }}</LinkOnce>
      <p v-if="message" class="signal" role="alert">{{ message }}</p>
      <ul>
        <li v-for="l in open" :key="l.link_id" class="small">
          {{
            say('prescribe.made_open_until', { made_at: dayOf(l.made_at), expires_at: dayOf(l.expires_at) })
          }}
          <button v-if="mayWrite" class="linkish signal" :disabled="busy" @click="close(l.link_id)">
            {{ say('prescribe.close_it') }}
          </button>
        </li>
      </ul>
      <p v-if="!open.length && links.data.value" class="small soft">{{ say('prescribe.no_link_is_open') }}</p>
    </section>
  </div>
</template>

<style scoped>
.out {
  display: grid;
  gap: 14px;
}
.files {
  display: flex;
  gap: 16px;
  flex-wrap: wrap;
}
.row {
  display: flex;
  gap: 10px;
  align-items: center;
}
select {
  min-height: 34px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 4px 0 0;
}
</style>
