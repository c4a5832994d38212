<script setup lang="ts">
// One box from anywhere to any lifter, stage, fault: type a few letters of each word.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { computed, nextTick, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { found, placesOf, type Place } from './places'
import { catalogueQuery, floorQuery } from '@/shared/queries'

const shown = defineModel<boolean>({ required: true })
const props = defineProps<{ lifterId: string | null }>()
const router = useRouter()
const typed = ref('')
const at = ref(0)
const box = ref<HTMLInputElement | null>(null)
const floor = useQuery({ ...floorQuery, enabled: shown })
const catalogue = useQuery({ ...catalogueQuery, enabled: shown })
const places = computed(() =>
  placesOf(floor.data.value ?? [], catalogue.data.value?.faults ?? [], props.lifterId),
)
const hits = computed(() => found(places.value, typed.value))

watch(typed, () => (at.value = 0))
watch(
  shown,
  async (open) => {
    if (!open) return
    typed.value = ''
    at.value = 0
    await nextTick()
    box.value?.focus()
  },
  { immediate: true },
)

function go(place: Place | undefined) {
  if (!place) return
  shown.value = false
  void router.push(place.to)
}
function onKey(event: KeyboardEvent) {
  const by = { ArrowDown: 1, ArrowUp: -1 }[event.key]
  if (by && hits.value.length) at.value = (at.value + by + hits.value.length) % hits.value.length
  else if (event.key === 'Enter') go(hits.value[at.value])
  else return
  event.preventDefault()
}
</script>

<template>
  <v-dialog v-model="shown" max-width="560" class="go-to" :aria-label="say('shared.go_to_a_lifter_a_stage')">
    <div class="sheet box">
      <input
        ref="box"
        v-model="typed"
        role="combobox"
        :aria-label="say('shared.go_to')"
        aria-expanded="true"
        aria-controls="go-to-places"
        autocomplete="off"
        spellcheck="false"
        :aria-activedescendant="hits[at] ? `go-${hits[at]?.id}` : undefined"
        :placeholder="say('shared.a_lifter_a_stage_a_fault')"
        @keydown="onKey"
      />
      <ul id="go-to-places" role="listbox" :aria-label="say('shared.places')">
        <li
          v-for="(place, i) in hits"
          :id="`go-${place.id}`"
          :key="place.id"
          role="option"
          :aria-selected="i === at"
          :class="{ on: i === at }"
          @click="go(place)"
          @mousemove="at = i"
        >
          <b>{{ place.title }}</b> <span class="small soft">{{ place.note }}</span>
        </li>
      </ul>
      <p v-if="!hits.length" class="soft none" role="status">
        {{ say('shared.nothing_is_called_so_a_few') }}
      </p>
    </div>
  </v-dialog>
</template>

<style scoped>
.box {
  color: var(--ink);
  padding: 6px;
}
input {
  font: inherit;
  font-size: 19px;
  font-weight: 600;
  color: inherit;
  background: none;
  border: 0;
  border-bottom: 1px solid var(--line);
  width: 100%;
  padding: 10px 12px;
  outline: none;
}
input::placeholder {
  color: var(--soft);
  font-weight: 400;
  opacity: 1;
}
ul {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}
li {
  padding: 8px 12px;
  min-height: 40px;
  border-left: 3px solid transparent;
  cursor: pointer;
  display: flex;
  gap: 10px;
  align-items: baseline;
  flex-wrap: wrap;
}
.on {
  border-left-color: var(--signal);
  background: var(--hair);
}
.none {
  padding: 10px 12px;
}
</style>
