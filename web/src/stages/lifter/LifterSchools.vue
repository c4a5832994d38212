<script setup lang="ts">
// The schools that this lifter follows, of both lifts: told in a line, changed where it opens.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import SchoolRow from '@/shared/SchoolRow.vue'
import { answered, client, once } from '@/shared/api'
import { schoolsQuery } from '@/shared/queries'
import { useSession } from '@/shared/session'
import { useForget } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'

const props = defineProps<{ lifterId: string; chosen: Record<string, string> }>()
const { mayWrite } = useSession()
const forget = useForget()
const schools = useQuery(schoolsQuery)
const { message, busy, run } = useProblem()
const LIFTS = ['squat', 'deadlift', 'both'] as const

const groups = computed(() =>
  LIFTS.map((lift) => {
    const of = (schools.data.value?.schools ?? []).filter((s) => s.lift === lift)
    const club = schools.data.value?.club ?? {}
    const own = of.flatMap((s) => {
      const usual = club[s.id] ?? s.positions[0]?.id
      const position = s.positions.find((p) => p.id === props.chosen[s.id])
      return position && position.id !== usual ? [position.text] : []
    })
    return { lift, of, words: own.join(', ') || say('lifter.as_the_club') }
  }).filter((group) => group.of.length),
)

async function choose(question: string, position: string) {
  const kept = await run(() =>
    answered(
      client.POST('/api/lifters/{lifter_id}/schools', {
        params: { path: { lifter_id: props.lifterId }, ...once() },
        body: { question, position },
      }),
    ),
  )
  if (kept) await forget(props.lifterId)
}
</script>

<template>
  <section>
    <h2>
      {{ say('lifter.schools') }} <small>{{ say('lifter.followed_with_this_lifter') }}</small>
    </h2>
    <details v-for="group in groups" :key="group.lift">
      <summary>
        <b>{{ group.lift === 'both' ? say('lifter.both_lifts') : group.lift }}</b>
        <span class="soft">{{ group.words }}</span>
      </summary>
      <SchoolRow
        v-for="s in group.of"
        :key="s.id"
        :school="s"
        :chosen="chosen[s.id]"
        :disabled="!mayWrite || busy"
        @choose="choose(s.id, $event)"
      />
    </details>
    <p v-if="message" class="signal small" role="alert">{{ message }}</p>
  </section>
</template>

<style scoped>
summary {
  cursor: pointer;
  padding: 8px 0;
  border-top: 1px solid var(--hair);
}
summary b::first-letter {
  text-transform: uppercase;
}
summary b {
  display: inline-block;
}
</style>
