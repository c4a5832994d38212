<script setup lang="ts">
// The review: phase by phase what was measured beside what was computed, then rep by rep.
import { computed } from 'vue'
import { useSession } from '@/shared/session'
import { useUnits } from '@/shared/units'
import OwnWords from './OwnWords.vue'
import RepTable from './RepTable.vue'
import {
  centimetres,
  degrees,
  isTold,
  MARK,
  offset,
  size,
  speedText,
  stateClass,
  type Reading,
} from './words'

const props = defineProps<{ reading: Reading; film?: boolean }>()
defineEmits<{ go: [time: number]; depth: [rep: number] }>()
const { mayWrite } = useSession()
const { kg } = useUnits()
const lines = computed(() =>
  props.reading.phases.length
    ? props.reading.phases.flatMap(({ instant, ...row }) =>
        instant ? [{ ...row, instant, key: row.phase, name: row.phase }] : [],
      )
    : props.reading.instants.map((at, i) => ({
        key: String(i),
        name: `tapped at ${at.time_s.toFixed(2)} s`,
        state: 'holds' as const,
        rep: 0,
        instant: at,
        says: '',
        findings: [],
      })),
)
const left = computed(() => {
  const { reps_left: reps, reps_left_sd: sd } = speed.value
  if (reps == null || sd == null) return ''
  const whole = Math.round(reps)
  const rpe = whole <= 4 ? `: RPE ${10 - whole}` : ''
  return `The last rep’s speed leaves about ${whole} more, give or take ${sd.toFixed(0)}${rpe}.`
})
const named = computed(() => new Map(props.reading.findings.map((f) => [f.detector, f])))
const foundIn = (ids: readonly string[]) => ids.flatMap((id) => named.value.get(id) ?? [])
const speed = computed(() => props.reading.speed)
</script>

<template>
  <div class="review">
    <h2>Phase by phase <small>measured, then computed for this lifter at this load</small></h2>
    <div class="scroll">
      <table class="plain num">
        <thead>
          <tr>
            <th scope="col">Phase</th>
            <th scope="col">Trunk leans</th>
            <th scope="col">Bar from mid-foot</th>
            <th scope="col">Hip above floor</th>
            <th scope="col">What stands out</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in lines" :key="row.key" :class="stateClass(row.state)">
            <th scope="row">
              <button type="button" class="linkish" @click="$emit('go', row.instant.time_s)">
                <span v-if="reading.phases.length" class="mark">{{ MARK[row.state] }}</span> {{ row.name }}
              </button>
            </th>
            <td v-if="!reading.camera.angles_told" colspan="2">cannot tell: oblique</td>
            <td v-if="reading.camera.angles_told">
              {{ degrees(row.instant.lean_deg) }}
              <span class="soft">{{ degrees(row.instant.expected_lean_deg) }}</span>
            </td>
            <td v-if="reading.camera.angles_told">
              {{ offset(row.instant.bar_x_m) }}
              <span class="soft">{{ offset(row.instant.expected_bar_x_m) }} cm</span>
            </td>
            <td>
              {{ centimetres(row.instant.hip_z_m) }}
              <span class="soft">{{ centimetres(row.instant.expected_hip_z_m) }}</span>
            </td>
            <td>
              <OwnWords
                v-if="reading.phases.length"
                :lifter-id="reading.lifter_id"
                :clip-id="reading.clip_id"
                :subject="`phase ${row.name}`"
                :said="'said' in row ? (row.said ?? '') : ''"
                :name="row.name"
              >
                <template v-for="f in foundIn(row.findings)" :key="f.detector">
                  <span v-if="isTold(f)" class="says">{{ f.name }}, {{ size(f, f.value) }}. </span>
                  <span v-else-if="f.state === 'cannot tell'" class="soft">{{ f.name }}: cannot tell. </span>
                </template>
                <span v-if="row.says">{{ row.says }}</span>
              </OwnWords>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="small soft">
      Errors of one film: lean 3°, places 2 cm. Within a clip, way up against way down, it is millimetres.
    </p>
    <template v-if="reading.reps.length">
      <RepTable :reading="reading" @go="$emit('go', $event)">
        <template #heads>
          <th scope="col">Slowest</th>
          <th v-if="reading.lift === 'squat'" scope="col">Depth</th>
        </template>
        <template #cells="{ rep }">
          <td>
            {{ speedText(rep.least_m_s)
            }}<template v-if="typeof rep.sticking_m === 'number'"
              >, bar at {{ centimetres(rep.sticking_m) }}</template
            >
          </td>
          <td v-if="reading.lift === 'squat'">
            <template v-if="rep.depth">
              <b v-if="rep.depth !== 'cannot tell'">{{ rep.depth }}</b><template v-else>cannot tell</template>
              <span class="soft">
                ({{ offset(rep.below_m ?? 0) }} ± {{ offset(rep.unsure_m ?? 0) }} cm below level)</span
              >
            </template>
            <template v-else>cannot tell: oblique</template>
            <button
              v-if="film && mayWrite && reading.camera.angles_told"
              type="button"
              class="linkish small soft no-print"
              :aria-label="`${rep.tapped ? 'tapped; again' : 'tell it by two taps'}, rep ${rep.number}`"
              @click="$emit('depth', rep.number)"
            >
              {{ rep.tapped ? 'tapped; again' : 'tell it by two taps' }}
            </button>
          </td>
        </template>
      </RepTable>
      <p v-if="reading.lift === 'squat'" class="small soft">Depth here is no light: the referees decide.</p>
      <ul v-if="reading.comparisons.length" class="small">
        <li v-for="c in reading.comparisons" :key="c.detector">
          {{ named.get(c.detector)?.name }}: {{ size(named.get(c.detector)!, c.first) }} in the first rep,
          {{ size(named.get(c.detector)!, c.last) }} in the last.
        </li>
      </ul>
      <h2 class="mt-4">Speed and load</h2>
      <p v-if="speed.max_kg" class="small">
        Own line from {{ speed.points.length }} clips: a max of about {{ kg(speed.max_kg, 0) }} ±
        {{ kg(speed.max_sd_kg ?? 0, 0) }}.
        <template v-if="left">{{ left }}</template>
        <template v-if="!reading.logged">In the log, it moves his estimated max.</template>
      </p>
      <p v-else class="small soft">No line of speed against load yet: {{ speed.why_not }}.</p>
    </template>
    <p class="small soft mt-3">
      {{ reading.setup_words }}, computed max {{ kg(reading.predicted_max_kg, 0) }}. Camera
      {{ reading.camera.distance_m.toFixed(1) }} m away, lens {{ centimetres(reading.camera.height_m) }} high,
      {{ Math.abs(reading.camera.off_side_deg).toFixed(0) }}° off the side, tilted
      {{ reading.camera.tilt_deg.toFixed(1) }}°; joints and bar within
      {{ (reading.misfit_m * 100).toFixed(1) }} cm of the linkage. Model {{ reading.model_version }}.
    </p>
  </div>
</template>

<style scoped src="./sheet.css"></style>
