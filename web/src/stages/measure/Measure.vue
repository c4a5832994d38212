<script setup lang="ts">
// The body in its own proportions; pick a segment, read it twice, see what it does to the squat.
import { say, sayMany } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import StandingBody from '@/figure/StandingBody.vue'
import StageHead from '@/shared/StageHead.vue'
import Waiting from '@/shared/Waiting.vue'
import { useUnits } from '@/shared/units'
import { useLifter } from '@/shared/useLifter'
import { useLift } from '@/shared/lifts'
import { styleOf } from '@/stages/setup/liftPage'
import PictureLengths from './PictureLengths.vue'
import Readings from './Readings.vue'
import Screens from './Screens.vue'
import { leversQuery, measurementsQuery, rankingQuery } from '@/shared/queries'
import { byWorth, isSettled, LEAST_KG, leverWords } from './levers'

const props = defineProps<{ lifterId: string }>()
const { cm, kg } = useUnits()
const { nameOf } = useLift('squat')
const { data: lifter } = useLifter(() => props.lifterId)
const sheet = useQuery(measurementsQuery(props.lifterId))
const ranking = useQuery(rankingQuery('squat', props.lifterId))
const levers = useQuery(leversQuery(props.lifterId))
const lengths = computed(() => byWorth(sheet.data.value?.landmarks ?? [], levers.data.value?.worth_kg))
const chosen = ref<string | null>(null)
/** The reading that is worth most, until another length is picked. */
const next = computed(() => lengths.value.find((l) => !isSettled(l)) ?? null)
const worthKg = (segment: string) => levers.data.value?.worth_kg[segment] ?? 0
const picked = computed({
  get: () => chosen.value ?? next.value?.segment ?? 'thigh_m',
  set: (segment: string) => (chosen.value = segment),
})
const landmark = computed(() => sheet.data.value?.landmarks.find((l) => l.segment === picked.value))
const measured = computed(() =>
  (sheet.data.value?.landmarks ?? []).filter((l) => !l.estimated).map((l) => l.segment),
)
const twice = computed(
  () => (sheet.data.value?.landmarks ?? []).filter((l) => l.readings_m.length > 1).length,
)
const answer = computed(() => {
  const all = sheet.data.value?.landmarks.length ?? 0
  if (!all) return say('measure.measuring')
  const doubts = (sheet.data.value?.landmarks ?? []).filter((l) => l.doubt && !l.kept_because).length
  if (doubts) return sayMany('measure.readings_cannot_well_be_right', doubts)
  if (!twice.value) return say('measure.every_length_is_still_estimated_from')
  return twice.value === all
    ? say('measure.measured_twice')
    : say('measure.of_lengths_measured_twice_the_rest', { twice: twice.value, all })
})

const worth = computed(() => leverWords(levers.data.value?.kg_per_cm, picked.value, kg))

const before = ref<string | null>(null)
const leader = computed(() => {
  const best = ranking.data.value?.leaders[0]
  if (!best) return ranking.data.value ? say('measure.no_squat_to_full_depth_is') : null
  return `${nameOf(styleOf(best.setup))}, ${cm(best.setup.stance_m, 0)}, ${kg(best.predicted_max_kg, 0)}`
})
watch(leader, (now, then) => {
  if (now && then && now !== then) before.value = then
})
</script>

<template>
  <main>
    <StageHead :over="lifter?.profile.name ?? ''" :answer="answer">
      <v-btn variant="flat" :to="{ name: 'squat', params: { lifterId } }">{{
        say('measure.fit_the_squat')
      }}</v-btn>
    </StageHead>
    <Waiting
      v-if="!sheet.data.value"
      :error="sheet.error.value"
      :what="say('measure.the_measuring_sheet')"
      @again="sheet.refetch()"
    />
    <div v-else class="columns">
      <StandingBody
        class="figure"
        :segments="sheet.data.value.segments_m"
        :picked="picked"
        :measured="measured"
        @pick="picked = $event"
      />
      <div class="middle">
        <p v-if="next && levers.data.value" class="note decide lead" data-lead>
          <template v-if="worthKg(next.segment) >= LEAST_KG"
            ><b>{{ say('measure.take_next', { name: next.name.toLowerCase() }) }}</b>
            {{
              say('measure.reading_it_is_likely_to_move', { segment: kg(worthKg(next.segment), 1) })
            }}</template
          ><template v-else
            ><b>{{ say('measure.enough_is_measured') }}</b>
            {{ say('measure.no_length_that_is_left_changes', { LEAST_KG: kg(LEAST_KG, 1) }) }}</template
          >
          <button v-if="picked !== next.segment" class="linkish" @click="picked = next.segment">
            {{ say('measure.show_it') }}
          </button>
        </p>
        <div class="picks" role="group" :aria-label="say('measure.segments')">
          <button
            v-for="l in lengths"
            :key="l.landmark"
            :class="['pick', { on: l.segment === picked }]"
            :aria-pressed="l.segment === picked"
            @click="picked = l.segment"
          >
            <span>{{ l.name }}</span>
            <span class="small"
              ><b>{{ cm(l.length_m) }}</b>
              <span :class="l.doubt ? 'signal' : 'soft'">{{
                l.estimated ? say('measure.estimated') : `${l.readings_m.length}×`
              }}</span>
              <span v-if="!isSettled(l) && worthKg(l.segment) >= LEAST_KG" class="worth num"
                >± {{ kg(worthKg(l.segment), 1) }}</span
              ></span
            >
          </button>
        </div>
        <!-- What is being typed belongs to this length, whichever turns out to be worth more. -->
        <Readings
          v-if="landmark"
          :lifter-id="lifterId"
          :landmark="landmark"
          @input="chosen = landmark.segment"
          @saved="chosen = null"
        />
        <div class="note mt-5 small">
          <p>
            <b>{{ say('measure.what_it_does_to_the_squat') }}</b> {{ leader ?? say('measure.fitting') }}
          </p>
          <p v-if="landmark && worth" data-levers>
            <b>{{ say('measure.n_1_cm_more_of', { name: landmark.name.toLowerCase() }) }}</b>{{
              say('measure.all_else_equal', { worth })
            }}
          </p>
          <p v-if="before" class="soft">{{ say('measure.before_the_last_change', { before }) }}</p>
          <p v-if="sheet.data.value.technical_error_m !== null" class="soft">
            {{
              say('measure.technical_error_of_your_tape', {
                technical_error_m: cm(sheet.data.value.technical_error_m, 2),
              })
            }}
          </p>
          <p v-if="sheet.data.value.sum_doubt" class="signal">{{ sheet.data.value.sum_doubt }}.</p>
        </div>
        <PictureLengths
          v-if="lifter"
          :landmarks="sheet.data.value.landmarks"
          :stature-m="lifter.profile.stature_m"
          @pick="picked = $event"
        />
      </div>
      <Screens
        v-if="lifter"
        class="screens"
        :lifter-id="lifterId"
        :screens="lifter.screens"
        :stature-m="lifter.profile.stature_m"
      />
    </div>
  </main>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 270px minmax(300px, 1fr) minmax(300px, 400px);
  gap: 28px;
  padding: 18px 26px 40px;
}
.figure {
  position: sticky;
  top: 16px;
}
.lead {
  margin-bottom: 12px;
}
.worth {
  display: inline-block;
  min-width: 56px;
  text-align: right;
}
.picks {
  display: grid;
  margin-bottom: 18px;
}
.pick {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  background: none;
  border: 0;
  border-top: 1px solid var(--hair);
  border-left: 3px solid transparent;
  padding: 4px 4px 4px 8px;
  font: inherit;
  color: inherit;
  text-align: left;
  cursor: pointer;
}
.pick.on {
  border-left-color: var(--signal);
  background: var(--signal-wash);
}
.pick:hover {
  background: var(--hair);
}
@media (max-width: 1180px) {
  .columns {
    grid-template-columns: 240px minmax(0, 1fr);
  }
  .screens {
    grid-column: 2;
  }
}
@media (max-width: 760px) {
  .columns {
    grid-template-columns: 1fr;
    padding: 14px;
  }
  .figure {
    position: static;
    max-height: 46vh;
  }
  .screens {
    grid-column: 1;
  }
}
</style>
