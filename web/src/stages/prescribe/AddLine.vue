<script setup lang="ts">
// A line of the coach's own: a lift or one of its variations, or other work that is planned so that
// its time and tiredness are, with nothing computed for it.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { computed, reactive, ref, watch } from 'vue'
import { uuid7 } from '@/shared/api'
import { variationNamesQuery } from '@/shared/queries'
import { useUnits } from '@/shared/units'
import WorkFields from './WorkFields.vue'
import type { PlanEdit } from './usePlan'
import { typedNumber, typedOrNull, wrongWork } from './work'

const props = defineProps<{ dayId: string; busy: boolean }>()
const emit = defineEmits<{ edit: [PlanEdit] }>()
const { readMass } = useUnits()
const names = useQuery(variationNamesQuery)
const KINDS = {
  other: say('prescribe.other_work'),
  squat: say('prescribe.squat'),
  deadlift: say('prescribe.deadlift'),
} as const
type Kind = keyof typeof KINDS
const typed = reactive({
  kind: 'other' as Kind,
  name: say('prescribe.bench_press'),
  sets: '4',
  reps: '6',
  rpe: '8',
  load: '',
  note: '',
})
const weekly = ref(false)
const wrong = ref('')
const known = computed(() => (typed.kind === 'other' ? [] : (names.data.value?.[typed.kind] ?? [])))
watch(
  () => typed.kind,
  (kind) => (typed.name = kind === 'other' ? say('prescribe.bench_press') : 'competition'),
)

function add() {
  const load = typed.load.trim() ? readMass(typed.load) : null
  wrong.value = typed.name.trim() ? wrongWork(typed, load) : say('prescribe.say_what_is_to_be_done')
  if (wrong.value) return
  emit('edit', {
    kind: 'add',
    edit_id: uuid7(),
    reason: '',
    line_id: `own-${uuid7()}`,
    day_id: props.dayId,
    lift: typed.kind,
    name: typed.name.trim(),
    sets: typedNumber(typed.sets),
    reps: typedNumber(typed.reps),
    rpe: typedOrNull(typed.rpe),
    load_kg: load,
    note: typed.note.trim(),
    weekly: weekly.value,
  })
}
</script>

<template>
  <form class="note decide" novalidate :aria-label="say('prescribe.add_a_line')" @submit.prevent="add">
    <div class="kinds" role="group" :aria-label="say('prescribe.what')">
      <button
        v-for="(name, id) in KINDS"
        :key="id"
        type="button"
        class="linkish"
        :aria-pressed="typed.kind === id"
        @click="typed.kind = id"
      >
        {{ name }}
      </button>
    </div>
    <v-text-field v-if="typed.kind === 'other'" v-model="typed.name" :label="say('prescribe.what')" />
    <label v-else class="labelled"
      ><span class="small soft">{{ say('prescribe.variation') }}</span>
      <select v-model="typed.name">
        <option v-for="name in known" :key="name" :value="name">
          {{ name === 'competition' ? say('prescribe.the_itself', { kind: typed.kind }) : name }}
        </option>
      </select></label
    >
    <WorkFields v-model="typed" />
    <v-text-field v-model="typed.note" :label="say('prescribe.note_if_you_like')" />
    <label class="small"
      ><input v-model="weekly" type="checkbox" /> {{ say('prescribe.on_this_day_of_every_week') }}</label
    >
    <p v-if="wrong" class="small signal" role="alert">{{ wrong }}</p>
    <div>
      <v-btn type="submit" variant="flat" size="small" :disabled="busy">{{ say('prescribe.add_it') }}</v-btn>
    </div>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 6px;
}
.kinds {
  display: flex;
  gap: 14px;
}
.kinds [aria-pressed='true'] {
  font-weight: 700;
  text-decoration: none;
}
</style>
