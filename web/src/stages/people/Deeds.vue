<script setup lang="ts">
// What was done, newest first: who, what, when; never what was entered.
import { dateHabit, say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answered, client } from '@/shared/api'

const FEW = 12
const all = ref(false)
const deeds = useQuery({
  queryKey: ['people', 'audit'],
  queryFn: () => answered(client.GET('/api/audit')),
})
const shown = computed(() => (deeds.data.value ?? []).slice(0, all.value ? undefined : FEW))
const moment = (iso: string) =>
  new Date(iso).toLocaleString(dateHabit, {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  })
</script>

<template>
  <section class="mt-6">
    <h2>
      {{ say('people.what_was_done') }} <small>{{ say('people.newest_first') }}</small>
    </h2>
    <table class="plain small">
      <tbody>
        <tr v-for="(d, i) in shown" :key="i">
          <td class="num unbroken">{{ moment(d.at) }}</td>
          <td>{{ d.who || say('people.the_operator') }}</td>
          <td>
            {{ d.action }}<template v-if="d.subject">, {{ d.subject }}</template>
          </td>
        </tr>
      </tbody>
    </table>
    <button
      v-if="(deeds.data.value?.length ?? 0) > FEW"
      type="button"
      class="linkish small"
      @click="all = !all"
    >
      {{ all ? say('people.fewer') : say('people.all_data', { data: deeds.data.value?.length }) }}
    </button>
  </section>
</template>
