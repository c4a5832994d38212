<script setup lang="ts">
// What happened since the plan was made, what it would change, and what changed before.
import { dateHabit, say, sayMany } from '@/words'
import { computed } from 'vue'
import type { Schemas } from '@/shared/api'
import Reasons from './Reasons.vue'
import { dayWords, placeOf } from './words'

const props = defineProps<{
  lifterId: string
  standing: Omit<Schemas['StandingPlan'], 'ask'>
  mayWrite: boolean
  busy: boolean
}>()
const emit = defineEmits<{ follow: [] }>()
/** Where a proposal is taken up. */
const tasks = (b: Schemas['Reason']) =>
  (b.facts ?? [])
    .filter((fact) => fact.startsWith('repair:') || fact.startsWith('walk:'))
    .map((fact) => placeOf(fact, props.lifterId, ''))
const before = computed(() => (props.standing.versions ?? []).filter((v) => v.changes.length))
const pending = computed(() => props.standing.pending ?? [])
</script>

<template>
  <div class="news">
    <section v-if="pending.length" class="note decide">
      <header>
        <p>
          <b>{{ say('prescribe.lines_would_change', { pending: pending.length }) }}</b>
          {{ say('prescribe.after_what_was_logged_and_said') }}
        </p>
        <v-btn v-if="mayWrite" variant="flat" size="small" :disabled="busy" @click="emit('follow')">{{
          say('prescribe.let_the_plan_follow')
        }}</v-btn>
      </header>
      <details>
        <summary class="small">{{ say('prescribe.every_change_with_its_reason') }}</summary>
        <table class="plain small">
          <tbody>
            <tr v-for="c in pending" :key="c.line_id + c.after">
              <td>{{ dayWords(c.on) }}</td>
              <td>{{ c.what }}</td>
              <td>
                <s v-if="c.before" class="soft">{{ c.before }}</s> {{ c.after || say('prescribe.goes') }}
              </td>
              <td><Reasons :reasons="c.reasons.slice(0, 2)" :lifter-id="lifterId" :lift="c.lift" /></td>
            </tr>
          </tbody>
        </table>
      </details>
    </section>
    <p v-for="b in standing.let_go ?? []" :key="b.text" class="small soft first">{{ b.text }}.</p>
    <section
      v-if="standing.proposals?.length"
      class="note small proposed"
      :aria-label="say('prescribe.proposed')"
    >
      <p v-for="b in standing.proposals" :key="b.text">
        <span class="first">{{ b.text }}.</span
        ><template v-for="p in tasks(b)" :key="p.name"
          >{{ ' ' }}<RouterLink :to="p.to">{{ p.name }}</RouterLink></template
        >
      </p>
      <p class="soft">{{ say('prescribe.proposed_not_imposed') }}</p>
    </section>
    <details v-if="before.length" class="small">
      <summary>
        {{ sayMany('prescribe.changed_before', before.length) }}
      </summary>
      <div v-for="v in before" :key="v.plan_id">
        <p class="soft">
          {{ new Date(v.made_at).toLocaleString(dateHabit, { dateStyle: 'medium', timeStyle: 'short' }) }}
        </p>
        <p v-for="c in v.changes.slice(0, 12)" :key="c.line_id + c.after">
          {{ dayWords(c.on) }} {{ c.what }}: {{ c.before || say('prescribe.new') }} →
          {{ c.after || say('prescribe.gone') }},
          {{ c.reasons[0]?.text }}
        </p>
        <p v-if="v.changes.length > 12" class="soft">
          {{ say('prescribe.and_more', { changes: v.changes.length - 12 }) }}
        </p>
      </div>
    </details>
  </div>
</template>

<style scoped>
.news {
  display: grid;
  gap: 8px;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  flex-wrap: wrap;
}
.proposed {
  display: grid;
  gap: 3px;
}
.proposed .first {
  display: inline-block;
}
summary {
  cursor: pointer;
  padding: 4px 0;
}
</style>
