<script setup lang="ts">
// What the gym owns beside bars and plates: variations that need more are not prescribed.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { answered, client, once, uuid7 } from '@/shared/api'
import { useProblem } from '@/shared/useProblem'
import { variationNamesQuery } from '@/shared/queries'

defineProps<{ mayWrite: boolean }>()
const names = useQuery(variationNamesQuery)
const kit = useQuery({ queryKey: ['kit'], queryFn: () => answered(client.GET('/api/equipment/kit')) })
const chosen = ref<string[]>([])
watch(
  () => kit.data.value,
  (now) => now && (chosen.value = [...now.items]),
  { immediate: true },
)
const found = computed(() => kit.data.value?.found ?? [])
function turn(item: string) {
  chosen.value = chosen.value.includes(item)
    ? chosen.value.filter((other) => other !== item)
    : [...chosen.value, item]
}
const { message, busy, run } = useProblem()
const kept = ref(false)
async function save() {
  kept.value =
    (await run(() =>
      answered(client.PUT('/api/equipment/kit', { params: once(uuid7()), body: { items: chosen.value } })),
    )) !== undefined
  if (kept.value) await kit.refetch()
}
</script>

<template>
  <section>
    <h2>
      {{ say('gym.what_else_there_is') }} <small>{{ say('gym.for_variations') }}</small>
    </h2>
    <form v-if="names.data.value" novalidate @submit.prevent="save">
      <label v-for="(about, item) in names.data.value.kit" :key="item">
        <input
          type="checkbox"
          :disabled="!mayWrite || found.includes(item)"
          :checked="found.includes(item) || chosen.includes(item)"
          @change="turn(item)"
        />
        <span
          >{{ item }}
          <span class="small soft">{{
            found.includes(item) ? say('gym.found_among_bars_racks_and_plates') : about
          }}</span></span
        >
      </label>
      <p v-if="message" class="signal" role="alert">{{ message }}</p>
      <p class="row">
        <v-btn v-if="mayWrite" class="quiet" type="submit" :disabled="busy">{{ say('gym.keep_this') }}</v-btn>
        <span v-if="kept" class="holds" role="status">{{ say('gym.kept') }}</span>
      </p>
    </form>
  </section>
</template>

<style scoped>
form {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: 2px 16px;
  margin-top: 6px;
}
label {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 34px;
  cursor: pointer;
}
input {
  width: 18px;
  height: 18px;
  accent-color: var(--holds);
  flex: none;
}
.row {
  grid-column: 1 / -1;
  display: flex;
  gap: 12px;
  align-items: center;
}
</style>
