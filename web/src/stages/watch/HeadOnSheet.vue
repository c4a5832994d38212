<script setup lang="ts">
// The review of a film from the front or from behind: what each phase shows, then rep by rep.
import { computed } from 'vue'
import OwnWords from './OwnWords.vue'
import { aside, isTold, MARK, offset, size, speedText, stateClass, type Reading } from './words'

const props = defineProps<{ reading: Reading; film?: boolean }>()
defineEmits<{ go: [time: number]; depth: [rep: number] }>()
const named = computed(() => new Map(props.reading.findings.map((f) => [f.detector, f])))
const foundIn = (ids: readonly string[]) => ids.flatMap((id) => named.value.get(id) ?? [])
const front = computed(() => props.reading.view === 'front')
const knee = (m: number | null | undefined) => (typeof m === 'number' ? `${offset(m)} cm` : 'not seen')
</script>

<template>
  <div class="review">
    <h2>Phase by phase <small>left and right are the lifter’s own</small></h2>
    <div class="scroll">
      <table class="plain num">
        <thead>
          <tr>
            <th scope="col">Phase</th>
            <template v-if="front">
              <th scope="col">Left knee outside ankle</th>
              <th scope="col">Right knee</th>
              <th scope="col">Computed</th>
            </template>
            <th v-else scope="col">Hips off the middle</th>
            <th scope="col">Bar higher</th>
            <th scope="col">What stands out</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in reading.phases" :key="row.phase" :class="stateClass(row.state)">
            <th scope="row">
              <button type="button" class="linkish" @click="$emit('go', row.head_on?.time_s ?? 0)">
                <span class="mark">{{ MARK[row.state] }}</span> {{ row.phase }}
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
              <td>{{ aside(row.head_on.tilt_m) }}</td>
            </template>
            <td>
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
    <p class="small soft">
      Errors of one film: knees 1.5 cm, hips 0.6 cm, bar 0.8 cm from end to end. Up against down, within the
      clip, the knees are good to 0.3 cm.
    </p>
    <template v-if="reading.reps.length">
      <h2 class="mt-4">Rep by rep</h2>
      <div class="scroll">
        <table class="plain num">
          <thead>
            <tr>
              <th scope="col">Rep</th>
              <th scope="col">Down</th>
              <th scope="col">Up</th>
              <th scope="col">Mean speed</th>
              <th v-for="f in reading.findings" :key="f.detector" scope="col">
                {{ f.name }}<small class="soft">, {{ f.phase }}</small>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(rep, i) in reading.reps" :key="rep.number">
              <th scope="row">
                <button type="button" class="linkish" @click="$emit('go', rep.turn_s)">
                  {{ rep.number }}
                </button>
              </th>
              <td>{{ rep.down_s.toFixed(2) }} s</td>
              <td>{{ rep.up_s.toFixed(2) }} s</td>
              <td>{{ speedText(rep.mean_m_s) }}</td>
              <td v-for="f in reading.findings" :key="f.detector">{{ size(f, f.by_rep[i]) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </template>
    <p class="small soft mt-3">
      {{ reading.setup_words }}. Camera {{ reading.camera.distance_m.toFixed(1) }} m away, lens
      {{ (reading.camera.height_m * 100).toFixed(0) }} cm high,
      {{ Math.abs(reading.camera.off_side_deg).toFixed(0) }}° off {{ front ? 'the front' : 'behind' }}, tilted
      {{ reading.camera.tilt_deg.toFixed(1) }}°. Model {{ reading.model_version }}.
    </p>
  </div>
</template>

<style scoped src="./sheet.css"></style>
