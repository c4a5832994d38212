<script setup lang="ts">
// What was logged, day by day; a set can be taken back, the old fact stays on record.
import { computed } from 'vue'
import { answered, client, once, uuid7, type Schemas } from '@/shared/api'
import { useSession } from '@/shared/session'
import { useUnits } from '@/shared/units'
import { useForget } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'
import { dayOf } from '@/shared/words'

const props = defineProps<{ sets: Schemas['SetAnswer'][]; faultName: (id: string) => string; lifterId: string }>()
const { kg } = useUnits()
const { mayWrite } = useSession()
const forget = useForget()
const { message, run } = useProblem()

const days = computed(() => {
  const grouped = new Map<string, Schemas['SetAnswer'][]>()
  for (const s of props.sets) {
    const day = `${dayOf(s.performed_at)} · ${s.variation === 'competition' ? s.lift : s.variation}`
    grouped.set(day, [...(grouped.get(day) ?? []), s])
  }
  return [...grouped]
})
function faultsOf(s: Schemas['SetAnswer']): string {
  const counts = new Map<string, number>()
  for (const f of s.faults) counts.set(f.fault_id, (counts.get(f.fault_id) ?? 0) + 1)
  return [...counts].map(([id, n]) => `${props.faultName(id)}${n > 1 ? ` ×${n}` : ''}`).join(', ')
}
async function takeBack(setId: string) {
  await run(() =>
    answered(
      client.POST('/api/sets/{set_id}/withdrawal', {
        params: { path: { set_id: setId }, ...once() },
        body: { new_id: uuid7() },
      }),
    ),
  )
  await forget(props.lifterId)
}
</script>

<template>
  <section>
    <h2>Logged</h2>
    <p v-if="!sets.length" class="soft mt-2">Nothing yet: the first clean set of five gives the first estimate.</p>
    <p v-if="message" class="signal" role="alert">{{ message }}</p>
    <div v-for="[day, logged] in days" :key="day" class="day">
      <p class="small soft">{{ day }}</p>
      <ul>
        <li v-for="s in logged" :key="s.set_id">
          <span><b>{{ s.reps }}<template v-if="s.missed_reps">+{{ s.missed_reps }} missed</template> × {{ kg(s.load_kg, 2) }}</b><template v-if="s.rpe"> @ {{ s.rpe }}</template></span>
          <span class="signal small">{{ faultsOf(s) }}</span>
          <span class="small soft">{{ s.estimated_max_kg ? `est. ${kg(s.estimated_max_kg, 0)}` : '' }}</span>
          <button v-if="mayWrite" class="linkish small soft" :aria-label="`Take back ${s.reps} reps with ${kg(s.load_kg)}`" @click="takeBack(s.set_id)">take back</button>
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.day { margin-top: 10px; border-top: 1px solid var(--line); padding-top: 4px; }
ul { list-style: none; padding: 0; margin: 0; }
li { display: grid; grid-template-columns: 150px minmax(0, 1fr) auto auto; gap: 12px; padding: 3px 0; align-items: baseline; }
@media (max-width: 560px) { li { grid-template-columns: 1fr auto; } }
</style>
