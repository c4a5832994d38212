<script setup lang="ts">
// The review: phase by phase what was measured beside what was computed, then rep by rep.
import { say } from '@/words'
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
        name: say('watch.tapped_at_s', { time_s: at.time_s.toFixed(2) }),
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
  const rpe = whole <= 4 ? say('watch.rpe_whole', { whole: 10 - whole }) : ''
  return say('watch.the_last_reps_speed_leaves_about', { whole, sd: sd.toFixed(0), rpe })
})
const named = computed(() => new Map(props.reading.findings.map((f) => [f.detector, f])))
const foundIn = (ids: readonly string[]) => ids.flatMap((id) => named.value.get(id) ?? [])
const speed = computed(() => props.reading.speed)
</script>

<template>
  <div class="review">
    <h2>
      {{ say('watch.phase_by_phase') }}
      <small>{{ say('watch.measured_then_computed_for_this_lifter') }}</small>
    </h2>
    <div class="scroll">
      <table class="plain num">
        <thead>
          <tr>
            <th scope="col">{{ say('watch.phase') }}</th>
            <th scope="col">{{ say('watch.trunk_leans') }}</th>
            <th scope="col">{{ say('watch.bar_from_mid_foot') }}</th>
            <th scope="col">{{ say('watch.hip_above_floor') }}</th>
            <th scope="col">{{ say('watch.what_stands_out') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in lines" :key="row.key" :class="stateClass(row.state)">
            <th scope="row">
              <button type="button" class="linkish" @click="$emit('go', row.instant.time_s)">
                <span v-if="reading.phases.length" class="mark">{{ MARK[row.state] }}</span> {{ row.name }}
              </button>
            </th>
            <td v-if="!reading.camera.angles_told" colspan="2">{{ say('watch.cannot_tell_oblique') }}</td>
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
                :subject="say('watch.phase_name', { name: row.name })"
                :said="'said' in row ? (row.said ?? '') : ''"
                :name="row.name"
              >
                <template v-for="f in foundIn(row.findings)" :key="f.detector">
                  <span v-if="isTold(f)" class="says">{{ f.name }}, {{ size(f, f.value) }}. </span>
                  <span v-else-if="f.state === 'cannot tell'" class="soft"
                    >{{ say('watch.cannot_tell_2', { name: f.name }) }}{{ ' ' }}</span
                  >
                </template>
                <span v-if="row.says">{{ row.says }}</span>
              </OwnWords>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="small soft">{{ say('watch.errors_of_one_film_lean_3') }}</p>
    <template v-if="reading.reps.length">
      <RepTable :reading="reading" @go="$emit('go', $event)">
        <template #heads>
          <th scope="col">{{ say('watch.slowest') }}</th>
          <th v-if="reading.lift === 'squat'" scope="col">{{ say('watch.depth') }}</th>
        </template>
        <template #cells="{ rep }">
          <td>
            {{ speedText(rep.least_m_s)
            }}<template v-if="typeof rep.sticking_m === 'number'">{{
              say('watch.bar_at_2', { sticking_m: centimetres(rep.sticking_m) })
            }}</template>
          </td>
          <td v-if="reading.lift === 'squat'">
            <template v-if="rep.depth">
              <b v-if="rep.depth !== 'cannot tell'">{{ rep.depth }}</b><template v-else>{{
                say('watch.cannot_tell')
              }}</template>
              <span class="soft">
                {{
                  say('watch.cm_below_level', {
                    below_m: offset(rep.below_m ?? 0),
                    unsure_m: offset(rep.unsure_m ?? 0),
                  })
                }}</span
              >
            </template>
            <template v-else>{{ say('watch.cannot_tell_oblique') }}</template>
            <button
              v-if="film && mayWrite && reading.camera.angles_told"
              type="button"
              class="linkish small soft no-print"
              :aria-label="
                say('watch.tapped_rep_number', {
                  tapped: rep.tapped ? say('watch.tapped_again') : say('watch.tell_it_by_two_taps'),
                  number: rep.number,
                })
              "
              @click="$emit('depth', rep.number)"
            >
              {{ rep.tapped ? say('watch.tapped_again') : say('watch.tell_it_by_two_taps') }}
            </button>
          </td>
        </template>
      </RepTable>
      <p v-if="reading.lift === 'squat'" class="small soft">{{ say('watch.depth_here_is_no_light_the') }}</p>
      <ul v-if="reading.comparisons.length" class="small">
        <li v-for="c in reading.comparisons" :key="c.detector">
          {{
            say('watch.in_the_first_rep_in_the', {
              name: named.get(c.detector)?.name,
              detector: size(named.get(c.detector)!, c.first),
              detector2: size(named.get(c.detector)!, c.last),
            })
          }}
        </li>
      </ul>
      <h2 class="mt-4">{{ say('watch.speed_and_load') }}</h2>
      <p v-if="speed.max_kg" class="small">
        {{
          say('watch.own_line_from_clips_a_max', {
            points: speed.points.length,
            max_kg: kg(speed.max_kg, 0),
            max_sd_kg: kg(speed.max_sd_kg ?? 0, 0),
          })
        }}
        <template v-if="left">{{ left }}</template>
        <template v-if="!reading.logged">{{ say('watch.in_the_log_it_moves_his') }}</template>
      </p>
      <p v-else class="small soft">
        {{ say('watch.no_line_of_speed_against_load', { why_not: speed.why_not }) }}
      </p>
    </template>
    <p class="small soft mt-3">
      {{
        say('watch.computed_max_camera_m_away_lens', {
          setup_words: reading.setup_words,
          predicted_max_kg: kg(reading.predicted_max_kg, 0),
          distance_m: reading.camera.distance_m.toFixed(1),
          height_m: centimetres(reading.camera.height_m),
          off_side_deg: Math.abs(reading.camera.off_side_deg).toFixed(0),
          tilt_deg: reading.camera.tilt_deg.toFixed(1),
          misfit_m: (reading.misfit_m * 100).toFixed(1),
          model_version: reading.model_version,
        })
      }}
    </p>
  </div>
</template>

<style scoped src="./sheet.css"></style>
