<script setup lang="ts">
// The review of a film from the front or from behind: what each phase shows, then rep by rep.
import { SIDES } from '@/shared/words'
import { say } from '@/words'
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
        name: say('watch.tapped_at_s', { time_s: at.time_s.toFixed(2) }),
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
const knee = (m: number | null | undefined) =>
  typeof m === 'number' ? `${offset(m)} cm` : say('watch.not_seen')
</script>

<template>
  <div class="review">
    <h2>
      {{ phased ? say('watch.phase_by_phase') : say('watch.picture_by_picture') }}
      <small>{{ say('watch.left_and_right_are_the_lifters') }}</small>
    </h2>
    <div class="scroll">
      <table class="plain num">
        <thead>
          <tr>
            <th scope="col">{{ phased ? say('watch.phase') : say('watch.picture') }}</th>
            <template v-if="front">
              <th scope="col">{{ say('watch.left_knee_outside_ankle') }}</th>
              <th scope="col">{{ say('watch.right_knee') }}</th>
              <th scope="col">{{ say('watch.computed') }}</th>
            </template>
            <th v-else scope="col">{{ say('watch.hips_off_the_middle') }}</th>
            <th scope="col">{{ say('watch.bar_higher') }}</th>
            <th v-if="phased" scope="col">{{ say('watch.what_stands_out') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in lines" :key="row.name" :class="stateClass(row.state)">
            <th scope="row">
              <button type="button" class="linkish" @click="$emit('go', row.head_on?.time_s ?? 0)">
                <span v-if="row.phase" class="mark">{{ MARK[row.state] }}</span> {{ row.name }}
              </button>
            </th>
            <td v-if="!reading.camera.angles_told" :colspan="front ? 4 : 2">
              {{ say('watch.cannot_tell_oblique') }}
            </td>
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
                :subject="say('watch.phase_phase', { phase: row.phase })"
                :said="row.said ?? ''"
                :name="row.phase"
              >
                <template v-for="f in foundIn(row.findings)" :key="f.detector">
                  <span v-if="isTold(f)" class="says"
                    >{{ f.name }}{{ f.side ? `, ${SIDES[f.side]}` : '' }}, {{ size(f, f.value) }}.
                  </span>
                </template>
              </OwnWords>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="errors" class="small soft">{{ say('watch.errors_of_one_film', { errors }) }}</p>
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
      {{
        say('watch.camera_m_away_lens_cm_high', {
          setup_words: reading.setup_words,
          distance_m: reading.camera.distance_m.toFixed(1),
          height_m: (reading.camera.height_m * 100).toFixed(0),
          off_side_deg: Math.abs(reading.camera.off_side_deg).toFixed(0),
          the: front ? say('watch.the_front_2') : say('watch.behind_2'),
          tilt_deg: reading.camera.tilt_deg.toFixed(1),
          model_version: reading.model_version,
        })
      }}
    </p>
  </div>
</template>

<style scoped src="./sheet.css"></style>
