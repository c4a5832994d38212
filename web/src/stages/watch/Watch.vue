<script setup lang="ts">
// The eye beside the platform: a film in, measured, compared with this lifter's own computed way.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import StageHead from '@/shared/StageHead.vue'
import Waiting from '@/shared/Waiting.vue'
import type { Schemas } from '@/shared/api'
import { useLifts } from '@/shared/lifts'
import { clipsQuery } from '@/shared/queries'
import { useLifter } from '@/shared/useLifter'
import { useUnits } from '@/shared/units'
import { dayOf } from '@/shared/words'
import ClipView from './ClipView.vue'
import Filming from './Filming.vue'
import { VIEW, WAY } from './words'

const props = defineProps<{ lifterId: string }>()
const route = useRoute()
const router = useRouter()
const { kg } = useUnits()
const { data: lifter } = useLifter(() => props.lifterId)
const clips = useQuery(clipsQuery(props.lifterId))
const list = computed(() => clips.data.value?.clips ?? [])
const lifts = useLifts()
const styleName = (clip: Schemas['ClipLine']) => lifts[clip.lift].nameOf(clip.style).toLowerCase()
const openId = computed(() => (typeof route.query.clip === 'string' ? route.query.clip : null))
const open = (clipId: string | null) => router.push({ query: clipId ? { clip: clipId } : {} })
const answer = computed(() => {
  if (openId.value) return say('watch.what_the_film_says')
  const last = list.value[0]
  if (!last) return say('watch.film_a_set_tap_five_points')
  return last.fails.length
    ? say('watch.last_filmed', { fails: last.fails.join(', ').toLowerCase() })
    : say('watch.last_filmed_nothing_told')
})
</script>

<template>
  <main>
    <StageHead :over="lifter?.profile.name ?? ''" :answer="answer">
      <v-btn v-if="openId" class="quiet" @click="open(null)">{{ say('watch.all_clips') }}</v-btn>
    </StageHead>
    <Waiting
      v-if="!clips.data.value"
      :what="say('watch.the_clips')"
      :error="clips.error.value"
      @again="clips.refetch()"
    />
    <ClipView v-else-if="openId" :key="openId" :lifter-id="lifterId" :clip-id="openId" @gone="open(null)" />
    <div v-else class="columns">
      <Filming :lifter-id="lifterId" :known="clips.data.value" @kept="open" />
      <aside>
        <h2>
          {{ say('watch.clips') }} <small>{{ say('watch.newest_first') }}</small>
        </h2>
        <p v-if="!list.length" class="soft mt-2">{{ say('watch.none_yet_what_was_measured_stays') }}</p>
        <ul class="clips">
          <li v-for="clip in list" :key="clip.clip_id">
            <button type="button" @click="open(clip.clip_id)">
              <b>{{ clip.lift }} {{ kg(clip.load_kg) }}</b>
              <span :class="['word', clip.overall.replace(/ /g, '-')]">{{ clip.overall }}</span>
              <span class="small soft wide">
                {{ dayOf(clip.filmed_on) }}, {{ styleName(clip) ? `${styleName(clip)}, ` : ''
                }}{{ clip.reps ? say('watch.reps_reps', { reps: clip.reps }) : say('watch.single_moments') }},
                {{ WAY[clip.way] }}{{ VIEW[clip.view]
                }}<template v-if="clip.fails.length">: {{ clip.fails.join(', ') }}</template>
              </span>
            </button>
          </li>
        </ul>
      </aside>
    </div>
  </main>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 264px;
  gap: 26px;
  padding: 18px 26px 40px;
}
.clips {
  list-style: none;
  padding: 0;
  margin: 8px 0 0;
}
.clips button {
  font: inherit;
  color: inherit;
  text-align: left;
  background: none;
  border: 0;
  border-top: 1px solid var(--hair);
  width: 100%;
  padding: 8px 0;
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 8px;
  cursor: pointer;
  min-height: 44px;
}
.wide {
  grid-column: 1 / -1;
}
.word {
  font-weight: 600;
}
.work-on-it,
.one-thing-to-mend {
  color: var(--signal);
}
.clean {
  color: var(--holds);
}
@media (max-width: 760px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
    padding: 14px;
  }
}
</style>
