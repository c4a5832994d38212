<script setup lang="ts">
// The review of a film from the front or from behind: what each phase shows, then rep by rep.
import { computed } from 'vue'
import OwnWords from './OwnWords.vue'
import RepTable from './RepTable.vue'
import { aside, isTold, MARK, offset, size, stateClass, type Reading } from './words'

const props = defineProps<{ reading: Reading; film?: boolean }>()
defineEmits<{ go: [time: number]; depth: [rep: number] }>()
const phased = computed(() => props.reading.phases.length > 0)
const lines = computed(() =>
  phased.value
    ? props.reading.phases.map((row) => ({ ...row, name: row.phase }))
    : (props.reading.head_on_instants ?? []).map((at) => ({
        phase: '',
        name: `tapped at ${at.time_s.toFixed(2)} s`,
        state: 'holds' as const,
        head_on: at,
        findings: [],
        said: '',
      })),
)
const named = computed(() => new Map(props.reading.findings.map((f) => [f.detector, f])))
const foundIn = (ids: readonly string[]) => ids.flatMap((id) => named.value.get(id) ?? [])
const errors = computed(() =>
  props.reading.findings.map((f) => `${f.name.toLowerCase()} (${f.phase}) ${size(f, f.error_sd)}`).join(', '),
)
const front = computed(() => props.reading.view === 'front')
const knee = (m: number | null | undefined) => (typeof m === 'number' ? `${offset(m)} cm` : 'not seen')
</script>

<template>
  <div class="review">
    <h2>
      {{ phased ? 'Phase by phase' : 'Picture by picture' }}
      <small>left and right are the lifter’s own</small>
    </h2>
    <div class="scroll">
      <table class="plain num">
        <thead>
          <tr>
            <th scope="col">{{ phased ? 'Phase' : 'Picture' }}</th>
            <template v-if="front">
              <th scope="col">Left knee outside ankle</th>
              <th scope="col">Right knee</th>
              <th scope="col">Computed</th>
            </template>
            <th v-else scope="col">Hips off the middle</th>
            <th scope="col">Bar higher</th>
            <th v-if="phased" scope="col">What stands out</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in lines" :key="row.name" :class="stateClass(row.state)">
            <th scope="row">
              <button type="button" class="linkish" @click="$emit('go', row.head_on?.time_s ?? 0)">
                <span v-if="row.phase" class="mark">{{ MARK[row.state] }}</span> {{ row.name }}
              </button>
            </th>
            <td v-if="!reading.camera.angles_told" :colspan="front ? 4 : 2">cannot tell: oblique</td>
            <template v-else-if="row.head_on">
              <template v-if="front">
                <td>{{ knee(row.head_on.knee_left_out_m) }}</td>
                <td>{{ knee(row.head_on.knee_right_out_m) }}</td>
                <td class="soft">{{ knee(row.head_on.expected_out_m) }}</td>
              </template>
              <td v-else>{{ aside(row.head_on.hips_off_m) }}</td>
              <td>{{ row.head_on.tilt_m === null ? '–' : aside(row.head_on.tilt_m) }}</td>
            </template>
            <td v-if="phased">
              <OwnWords
                :lifter-id="reading.lifter_id"
                :clip-id="reading.clip_id"
                :subject="`phase ${row.phase}`"
                :said="row.said ?? ''"
                :name="row.phase"
              >
                <template v-for="f in foundIn(row.findings)" :key="f.detector">
                  <span v-if="isTold(f)" class="says"
                    >{{ f.name }}{{ f.side ? `, ${f.side}` : '' }}, {{ size(f, f.value) }}.
                  </span>
                </template>
              </OwnWords>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="errors" class="small soft">Errors of one film: {{ errors }}.</p>
    <RepTable v-if="reading.reps.length" :reading="reading" @go="$emit('go', $event)">
      <template #heads>
        <th v-for="f in reading.findings" :key="f.detector" scope="col">
          {{ f.name }}<small class="soft">, {{ f.phase }}</small>
        </th>
      </template>
      <template #cells="{ at }">
        <td v-for="f in reading.findings" :key="f.detector">{{ size(f, f.by_rep[at]) }}</td>
      </template>
    </RepTable>
    <p class="small soft mt-3">
      {{ reading.setup_words }}. Camera {{ reading.camera.distance_m.toFixed(1) }} m away, lens
      {{ (reading.camera.height_m * 100).toFixed(0) }} cm high,
      {{ Math.abs(reading.camera.off_side_deg).toFixed(0) }}° off {{ front ? 'the front' : 'behind' }}, tilted
      {{ reading.camera.tilt_deg.toFixed(1) }}°. Model {{ reading.model_version }}.
    </p>
  </div>
</template>

<style scoped src="./sheet.css"></style>
