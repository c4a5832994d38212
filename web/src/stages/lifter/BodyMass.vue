<script setup lang="ts">
// Body mass as a series: today's in one line, what came before as a curve.
import { say } from '@/words'
import { computed, ref } from 'vue'
import BandChart from '@/shared/BandChart.vue'
import { answered, client, once, type Schemas } from '@/shared/api'
import { useSession } from '@/shared/session'
import { useUnits } from '@/shared/units'
import { useForget } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'
import { dayOf } from '@/shared/words'

const props = defineProps<{
  lifterId: string
  profile: Schemas['ProfileRequest']
  masses: Schemas['MassOut'][]
}>()
const { mayWrite } = useSession()
const { kg, massOf, massUnit, readMass } = useUnits()
const forget = useForget()
const { message, busy, run, of } = useProblem()
const typed = ref('')
const dots = computed<[number, number][]>(() =>
  props.masses.map((m) => [Date.parse(m.on), Number(massOf(m.mass_kg))]),
)
const line = computed(() => dots.value.map(([x, mid]) => ({ x, mid, low: mid, high: mid })))
const newest = computed(() => props.masses.at(-1))

async function save() {
  const kept = await run(() =>
    answered(
      client.POST('/api/lifters/{lifter_id}/profile', {
        params: { path: { lifter_id: props.lifterId }, ...once() },
        body: { ...props.profile, mass_kg: readMass(typed.value) || 0 },
      }),
    ),
  )
  if (!kept) return
  typed.value = ''
  await forget(props.lifterId)
}
</script>

<template>
  <section>
    <h2>
      {{ say('lifter.body_mass') }}
      <small v-if="newest">{{
        say('lifter.mass_kg_since_on', { mass_kg: kg(newest.mass_kg), on: dayOf(newest.on) })
      }}</small>
    </h2>
    <BandChart v-if="masses.length > 1" :band="line" :dots="dots" :y-name="massUnit" time :height="130" />
    <form v-if="mayWrite" class="weigh" novalidate @submit.prevent="save">
      <label
        >{{ say('lifter.weighed_today') }}
        <input
          v-model="typed"
          class="plain"
          inputmode="decimal"
          maxlength="12"
          :placeholder="massOf(profile.mass_kg)"
        />
        {{ massUnit }}</label
      >
      <v-btn class="quiet" type="submit" size="small" :disabled="busy || !typed.trim()">{{
        say('lifter.save')
      }}</v-btn>
    </form>
    <p v-if="message" class="signal small" role="alert">{{ of('mass_kg')[0] ?? message }}</p>
  </section>
</template>

<style scoped>
.weigh {
  display: flex;
  gap: 12px;
  align-items: center;
  margin-top: 6px;
}
.weigh input {
  width: 84px;
}
</style>
