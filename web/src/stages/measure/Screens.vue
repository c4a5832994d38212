<script setup lang="ts">
// Mobility screens that gate the squat: how to take each, what it is now, a new result.
import { computed, ref } from 'vue'
import { answered, client, once, type Schemas } from '@/shared/api'
import { useUnits } from '@/shared/units'
import { useForget } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'
import { dayOf } from '@/shared/words'

const props = defineProps<{ lifterId: string; screens: Schemas['ScreenAnswer'][] }>()
const units = useUnits()
const forget = useForget()
const { message, busy, run, of } = useProblem()
type Kind = Schemas['ScreenRequest']['kind']

const ANGLES: { kind: Kind; name: string; how: string; usual: string }[] = [
  { kind: 'ankle', name: 'Ankle bend', how: 'Half-kneeling, heel down, knee over the toes: shin from vertical. Or the lunge to a wall in cm, typed as “10 cm”.', usual: 'usual 30 to 40°' },
  { kind: 'neutral_depth', name: 'Deepest with a still lower back', how: 'Squat down slowly and stop where the lower back starts to turn. From the side: lean plus thigh angle give the hip’s closing.', usual: 'usual 140 to 160°' },
  { kind: 'hip', name: 'Hip opening', how: 'Lying on the back, hip bent, knee to the side: thigh from the middle.', usual: 'usual 40 to 50°' },
]
const GRIPS: { kind: Kind; name: string }[] = [
  { kind: 'grip_low', name: 'Low bar' },
  { kind: 'grip_middle', name: 'Middle bar' },
  { kind: 'grip_high', name: 'High bar' },
  { kind: 'grip_front', name: 'Front' },
]
const known = computed(() => Object.fromEntries(props.screens.map((s) => [s.kind, s])))
const typed = ref<Record<string, string>>({})
const wrong = ref<Record<string, string>>({})

const shownAngle = (kind: string) => (known.value[kind]?.value != null ? `${known.value[kind]!.value!.toFixed(0)}°` : 'not taken')
function shownGrip(kind: string): string {
  const found = known.value[kind]
  if (!found) return 'not taken'
  return found.value == null ? 'cannot be held' : units.cm(found.value, 0)
}

async function send(body: Schemas['ScreenRequest']) {
  const done = await run(() =>
    answered(
      client.POST('/api/lifters/{lifter_id}/screens', {
        params: { path: { lifter_id: props.lifterId }, ...once() },
        body,
      }),
    ),
  )
  if (!done) return
  typed.value[body.kind] = ''
  await forget(props.lifterId)
}
async function takeAngle(kind: Kind) {
  const text = (typed.value[kind] ?? '').trim()
  const lunge = kind === 'ankle' && /(cm|in)$/i.test(text)
  const value = lunge ? units.readLength(text) * 100 : Number(text.replace('°', '').replace(',', '.'))
  const readable = text !== '' && Number.isFinite(value)
  wrong.value[kind] = readable ? '' : 'a number of degrees'
  if (readable) await send(lunge ? { kind, knee_to_wall_cm: value } : { kind, value })
}
async function takeGrip(kind: Kind) {
  const value = units.readLength(typed.value[kind] ?? '')
  wrong.value[kind] = Number.isFinite(value) ? '' : 'a distance between the hands'
  if (Number.isFinite(value)) await send({ kind, value })
}
</script>

<template>
  <section>
    <h2>Mobility screens <small>they gate everything</small></h2>
    <div v-for="s in ANGLES" :key="s.kind" class="screen">
      <div>
        <p><b>{{ s.name }}</b> <span :class="known[s.kind] ? '' : 'signal'">{{ shownAngle(s.kind) }}</span> <span class="small soft">{{ s.usual }}<template v-if="known[s.kind]">, {{ dayOf(known[s.kind]!.taken_at) }}</template></span></p>
        <p class="small soft">{{ s.how }}</p>
      </div>
      <form class="take" @submit.prevent="takeAngle(s.kind)">
        <v-text-field v-model="typed[s.kind]" :label="s.kind === 'ankle' ? '° or cm' : '°'" :error-messages="wrong[s.kind] ? [wrong[s.kind]!] : []" />
        <v-btn type="submit" class="quiet" :disabled="busy">Keep</v-btn>
      </form>
    </div>
    <h2 class="mt-5">Shoulders <small>narrowest bearable hands per bar position</small></h2>
    <div v-for="g in GRIPS" :key="g.kind" class="screen">
      <p><b>{{ g.name }}</b> <span :class="known[g.kind]?.value === null ? 'signal' : ''">{{ shownGrip(g.kind) }}</span></p>
      <form class="take" @submit.prevent="takeGrip(g.kind)">
        <v-text-field v-model="typed[g.kind]" :label="units.lengthUnit.value" :error-messages="wrong[g.kind] ? [wrong[g.kind]!] : []" />
        <v-btn type="submit" class="quiet" :disabled="busy">Keep</v-btn>
        <v-btn class="quiet" :disabled="busy" :aria-label="`${g.name} cannot be held`" @click="send({ kind: g.kind, value: null })">Cannot</v-btn>
      </form>
    </div>
    <p v-if="message" class="signal mt-2" role="alert">{{ of('value')[0] ?? message }}</p>
  </section>
</template>

<style scoped>
.screen { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 12px; padding: 9px 0; border-top: 1px solid var(--hair); align-items: start; }
.take { display: flex; gap: 6px; }
.take .v-text-field { width: 96px; }
@media (max-width: 560px) { .screen { grid-template-columns: 1fr; } }
</style>
