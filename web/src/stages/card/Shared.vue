<script setup lang="ts">
// What a lifter's own link shows, without a sign-in: the next day of the plan, films that were talked
// over, the card; sets and films are sent from here.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import Waiting from '@/shared/Waiting.vue'
import { answered, client } from '@/shared/api'
import { useUnits } from '@/shared/units'
import { dayOf } from '@/shared/words'
import { amountOf, dayWords, effortWords, minutes, titleOf } from '@/stages/prescribe/words'
import { VIEW } from '@/stages/watch/words'
import CardSheet from './CardSheet.vue'
import SendAway from './SendAway.vue'

const props = defineProps<{ token: string }>()
const { kg, massOf } = useUnits()
const shared = useQuery({
  queryKey: ['shared', props.token],
  retry: 1,
  queryFn: () => answered(client.GET('/api/shared/{token}', { params: { path: { token: props.token } } })),
})
</script>

<template>
  <main class="shared">
    <Waiting
      v-if="!shared.data.value"
      :error="shared.error.value"
      :what="say('card.your_card')"
      @again="shared.refetch()"
    />
    <template v-else>
      <section v-if="shared.data.value.day" class="day sheet">
        <h1>{{ dayWords(shared.data.value.day.on) }}</h1>
        <div
          v-for="line in shared.data.value.day.lines.filter((l) => !l.overruled?.dropped)"
          :key="line.line_id"
          class="work"
        >
          <p>
            <b>{{ titleOf(line) }}</b> <span v-if="line.note" class="small soft">{{ line.note }}</span>
          </p>
          <p>
            <span class="num">{{ line.sets }} × {{ amountOf(line) }}</span>
            <b v-if="line.load_kg !== null" class="load">{{ kg(line.load_kg, 2) }}</b>
            <span v-if="line.rpe !== null" class="soft">{{ effortWords(line.rpe) }}</span>
            <span class="small soft">{{ say('card.rest', { rest_s: minutes(line.rest_s) }) }}</span>
          </p>
          <p v-if="line.per_side.length" class="small">
            {{ say('card.each_side', { per_side: line.per_side.map((p) => massOf(p, 2)).join(' + ') }) }}
          </p>
          <p v-if="shared.data.value.warm_ups[line.line_id]?.length" class="small soft">
            {{
              say('card.way_up', {
                warm_ups: shared.data.value.warm_ups[line.line_id]
                  ?.map((w) => `${w.reps} × ${massOf(w.load_kg, 2)}`)
                  .join(', '),
              })
            }}
          </p>
          <p class="small soft">{{ line.reasons[0]?.text }}</p>
        </div>
        <p v-if="shared.data.value.day.cues?.length" class="small">
          <b>{{ say('card.cues') }}</b> {{ shared.data.value.day.cues.join(' / ') }}
        </p>
      </section>
      <p v-else class="soft none">{{ say('card.no_day_is_planned_ahead') }}</p>
      <SendAway
        :token="token"
        :sent="shared.data.value.sent ?? []"
        :consent="shared.data.value.consent"
        @sent="shared.refetch()"
      />
      <section v-for="clip in shared.data.value.clips" :key="clip.clip_id" class="day sheet">
        <h2>
          {{ say('card.on_film') }}
          <small
            >{{ dayOf(clip.filmed_on) }}, {{ clip.lift }} {{ kg(clip.load_kg) }}{{ VIEW[clip.view] }}</small
          >
        </h2>
        <div class="film">
          <svg
            v-if="clip.bar_path.length"
            viewBox="-45 -175 90 180"
            role="img"
            :aria-label="say('card.the_bars_way_beside_a_plumb')"
          >
            <line x1="0" x2="0" y1="-172" y2="0" class="plumb" />
            <line x1="-40" x2="40" y1="0" y2="0" class="floor" />
            <polyline
              :points="clip.bar_path.map(([x = 0, z = 0]) => `${x * 100},${-z * 100}`).join(' ')"
              class="way"
            />
          </svg>
          <div>
            <p>
              <b class="first">{{ clip.overall }}</b>
            </p>
            <p v-if="clip.said">{{ clip.said }}</p>
            <p v-for="line in [...clip.lines, ...clip.told]" :key="line" class="small">{{ line }}</p>
            <p v-if="clip.cue" class="small">
              <b>{{ say('card.next') }}</b> “{{ clip.cue }}”
            </p>
            <p v-if="clip.not_seen.length" class="small soft">
              {{ say('card.looked_for_and_not_seen', { not_seen: clip.not_seen.join(', ').toLowerCase() }) }}
            </p>
          </div>
        </div>
      </section>
      <CardSheet
        v-if="shared.data.value.card.squat || shared.data.value.card.deadlift"
        :card="shared.data.value.card"
      />
      <p class="small soft none">
        {{
          say('card.this_link_is_yours_until_whoever', { expires_at: dayOf(shared.data.value.expires_at) })
        }}
      </p>
    </template>
  </main>
</template>

<style scoped>
.film {
  display: grid;
  grid-template-columns: 90px 1fr;
  gap: 12px;
}
.film svg * {
  vector-effect: non-scaling-stroke;
  fill: none;
}
.plumb {
  stroke: var(--signal);
  stroke-dasharray: 5 4;
}
.floor {
  stroke: var(--line);
}
.way {
  stroke: var(--ink);
  stroke-width: 1.75;
}
.shared {
  max-width: 470px;
  margin: 0 auto;
  padding: 12px 0 30px;
}
.day {
  padding: 16px 22px;
  display: grid;
  gap: 10px;
  margin: 10px 14px 0;
}
.work {
  border-top: 1px solid var(--ink);
  padding-top: 5px;
}
.load {
  font-size: 22px;
}
.none {
  padding: 12px 22px;
}
</style>
