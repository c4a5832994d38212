<script setup lang="ts">
// One finding: what, how large, since when it is told, what it costs; confirmed or dismissed.
import { SIDES } from '@/shared/words'
import { say } from '@/words'
import { computed } from 'vue'
import { answered, client, once, uuid7 } from '@/shared/api'
import { useProblem } from '@/shared/useProblem'
import { useSession } from '@/shared/session'
import { isTold, MARK, size, stateClass, type Finding } from './words'

const props = defineProps<{ finding: Finding; lifterId: string; clipId: string }>()
const emit = defineEmits<{ said: []; go: [rep: number] }>()
const { mayWrite } = useSession()
const { message, busy, run } = useProblem()
const told = computed(() => isTold(props.finding))
const threshold = computed(() =>
  say('watch.told_below_finding', {
    below: props.finding.below ? 'below' : 'from',
    finding: size(props.finding, props.finding.told_from),
  }),
)
async function sayWord(word: 'confirmed' | 'dismissed' | 'undecided') {
  const id = uuid7()
  const said = await run(() =>
    answered(
      client.POST('/api/lifters/{lifter_id}/clips/{clip_id}/words', {
        params: { path: { lifter_id: props.lifterId, clip_id: props.clipId }, ...once(id) },
        body: { word_id: id, subject: props.finding.detector, word, words: '' },
      }),
    ),
  )
  if (said) emit('said')
}
</script>

<template>
  <li :class="['finding', stateClass(finding.state), { dismissed: finding.word === 'dismissed' }]">
    <p>
      <span class="mark" aria-hidden="true">{{ MARK[finding.state] }}</span>
      <b>{{ finding.name }}{{ finding.side ? `, ${SIDES[finding.side]}` : '' }}</b>
      <span class="state">{{ finding.state }}</span>
    </p>
    <p v-if="finding.value !== null" class="small">
      {{ size(finding, finding.value) }} {{ finding.says }}
      <span class="soft">± {{ size(finding, finding.error_sd) }}, {{ threshold }}</span>
    </p>
    <p v-if="finding.why" class="small soft">
      {{ finding.why }}<template v-if="finding.reps.length">{{ say('watch.go_to') }}</template>
      <template v-for="rep in finding.reps" :key="rep"
        >{{ ' '
        }}<button
          type="button"
          class="linkish"
          :aria-label="say('watch.go_to_rep', { rep })"
          @click="emit('go', rep)"
        >
          {{ rep }}
        </button></template
      >
    </p>
    <p v-if="finding.cost_words" class="small cost">
      {{ say('watch.costs_cost_words', { cost_words: finding.cost_words }) }}
    </p>
    <p v-if="told && mayWrite" class="acts no-print">
      <template v-if="finding.word === 'undecided'">
        <button type="button" class="key yes" :disabled="busy" @click="sayWord('confirmed')">
          {{ say('watch.i_see_it_too') }}
        </button>
        <button type="button" class="key" :disabled="busy" @click="sayWord('dismissed')">
          {{ say('watch.no') }}
        </button>
      </template>
      <span v-else class="small">
        {{ finding.word === 'confirmed' ? say('watch.you_see_it_too') : say('watch.you_do_not_see_it') }}
        <button type="button" class="linkish" :disabled="busy" @click="sayWord('undecided')">
          {{ say('watch.undo') }}
        </button>
      </span>
    </p>
    <p v-if="message" class="signal small" role="alert">{{ message }}</p>
  </li>
</template>

<style scoped>
.finding {
  border-top: 1px solid var(--hair);
  padding: 7px 0;
}
.mark {
  display: inline-block;
  width: 1.1em;
  font-weight: 700;
}
.is-fails .mark,
.is-fails .state,
.is-slight .mark {
  color: var(--signal);
}
.is-holds .mark,
.is-holds .state {
  color: var(--holds);
}
.state {
  color: var(--soft);
}
.dismissed {
  opacity: 0.6;
}
.cost {
  font-weight: 600;
}
.acts {
  display: flex;
  gap: 6px;
  margin-top: 4px;
}
.key {
  padding: 2px 12px;
}
.yes {
  border-color: var(--ink);
  font-weight: 600;
}
</style>
