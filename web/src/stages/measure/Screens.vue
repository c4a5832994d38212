<script setup lang="ts">
// Mobility screens that gate the squat: how to take each, two readings, the normal range, what it gates.
import { computed, ref } from 'vue'
import { answered, client, once, type Schemas } from '@/shared/api'
import { useUnits } from '@/shared/units'
import { useForget } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'
import { dayOf } from '@/shared/words'
import { useLift } from '@/shared/lifts'
import PictureScreen from './PictureScreen.vue'
import { SCREENS, gripScreen, type Screen } from './screens'

const props = defineProps<{ lifterId: string; screens: Schemas['ScreenAnswer'][]; statureM?: number }>()
const units = useUnits()
const forget = useForget()
const { message, busy, run, of } = useProblem()
const { styles, nameOf } = useLift('squat')
const GRIPS = computed(() => styles.value.map(({ id }) => gripScreen(id, nameOf(id))))
const known = computed(() => Object.fromEntries(props.screens.map((s) => [s.kind, s])))
const typed = ref<Record<string, [string, string]>>({})
const wrong = ref<Record<string, string>>({})
const picture = ref({ thigh: '', lean: '' })

const chosen = ref<string | null>(null)
/** The screen that lies open: the first that is missing, until the coach takes another. */
const open = computed(() => {
  if (chosen.value !== null) return chosen.value
  return SCREENS.find((s) => !s.optional && !known.value[s.kind])?.kind ?? ''
})
const toggle = (kind: string) => (chosen.value = open.value === kind ? '' : kind)
const both = (kind: string): [string, string] => (typed.value[kind] ??= ['', ''])
function shown(s: Screen): string {
  const found = known.value[s.kind]
  if (!found) return 'not taken'
  if (found.value === null) return 'cannot be held'
  return s.unit === 'deg' ? `${found.value.toFixed(0)}°` : units.cm(found.value, 0)
}
function apart(s: Screen): string {
  const [a, b] = known.value[s.kind]?.readings ?? []
  if (a === undefined || b === undefined || s.unit !== 'deg') return ''
  return Math.abs(a - b) > 5 ? ` two readings ${Math.abs(a - b).toFixed(0)}° apart: take a third` : ''
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
  typed.value[body.kind] = ['', '']
  chosen.value = null
  picture.value = { thigh: '', lean: '' }
  await forget(props.lifterId)
}
/** A reading off a picture goes where none was typed yet. */
function fill(s: Screen, value: number) {
  const pair = both(s.kind)
  const text = s.unit === 'deg' ? value.toFixed(0) : units.lengthOf(value)
  pair[pair[0].trim() ? 1 : 0] = text
}
const SHELF: Record<string, string> = { 1: 'the bar stays', 0: 'the bar slides' }
const shelf = (stays: number): Schemas['ScreenRequest'] => ({
  kind: 'shelf',
  readings: [stays],
  knee_to_wall_cm: [],
})
const degrees = (text: string) => (text.trim() ? Number(text.replace('°', '').replace(',', '.')) : NaN)
async function take(s: Screen) {
  const texts = both(s.kind).filter((t) => t.trim())
  const lunge = s.kind === 'ankle' && texts.length > 0 && texts.every((t) => /(cm|in)\s*$/i.test(t))
  const readings = texts.map((t) => (lunge || s.unit === 'm' ? units.readLength(t) : degrees(t)))
  const readable = readings.length > 0 && readings.every(Number.isFinite)
  wrong.value[s.kind] = readable ? '' : s.unit === 'deg' ? 'a number of degrees' : 'a length such as 46 cm'
  if (!readable) return
  await send(
    lunge
      ? { kind: s.kind, readings: [], knee_to_wall_cm: readings.map((m) => m * 100) }
      : { kind: s.kind, readings, knee_to_wall_cm: [] },
  )
}
async function takePicture() {
  const [thigh, lean] = [degrees(picture.value.thigh), degrees(picture.value.lean)]
  wrong.value.picture = Number.isFinite(thigh) && Number.isFinite(lean) ? '' : 'two angles in degrees'
  if (!wrong.value.picture) {
    await send({
      kind: 'neutral_depth',
      readings: [],
      knee_to_wall_cm: [],
      side_picture: { thigh_deg: thigh, lean_deg: lean },
    })
  }
}
</script>

<template>
  <section>
    <h2>Mobility screens <small>they decide which set-ups open; one at a time, each twice</small></h2>
    <div v-for="s in SCREENS" :key="s.kind" :class="['screen', { on: open === s.kind }]">
      <button class="row" :aria-expanded="open === s.kind" @click="toggle(s.kind)">
        <b>{{ s.name }}</b>
        <span :class="known[s.kind] ? '' : s.optional ? 'soft' : 'signal'">{{ shown(s) }}</span>
      </button>
      <template v-if="open === s.kind">
        <p class="small soft">
          {{ s.usual
          }}<template v-if="known[s.kind]"
            >{{ s.usual ? '; ' : '' }}taken {{ dayOf(known[s.kind]?.taken_at ?? '') }}</template
          >
        </p>
        <p class="small">{{ s.how }} <b>Gates:</b> {{ s.gates }}</p>
        <form class="take" @submit.prevent="take(s)">
          <v-text-field
            v-for="i in 2"
            :key="i"
            v-model="both(s.kind)[i - 1]"
            :label="`${i === 1 ? 'First' : 'Second'}, ${s.field(units.lengthUnit.value)}`"
            :aria-label="`${s.name}, reading ${i}`"
            :error-messages="i === 1 && wrong[s.kind] ? [wrong[s.kind]!] : []"
          />
          <v-btn type="submit" class="quiet" :disabled="busy" :aria-label="`Keep ${s.name}`">Keep</v-btn>
        </form>
        <PictureScreen
          v-if="s.picture && statureM"
          :of="s.picture"
          :stature-m="statureM"
          @read="fill(s, $event)"
        />
        <form v-if="s.kind === 'neutral_depth'" class="picture" @submit.prevent="takePicture">
          <span class="small soft">From a side picture: knee above hip</span>
          <input v-model="picture.thigh" aria-label="Thigh above level, degrees" placeholder="0°" />
          <span class="small soft">lean</span>
          <input v-model="picture.lean" aria-label="Trunk lean, degrees" placeholder="45°" />
          <button class="linkish small" :disabled="busy">Read</button>
          <span v-if="wrong.picture" class="small signal">{{ wrong.picture }}</span>
        </form>
      </template>
      <p v-if="apart(s)" class="small signal">{{ apart(s) }}</p>
    </div>
    <div :class="['screen', { on: open === 'shelf' }]">
      <button class="row" :aria-expanded="open === 'shelf'" @click="toggle('shelf')">
        <b>Shelf</b>
        <span :class="known.shelf ? '' : 'soft'">{{ SHELF[String(known.shelf?.value)] ?? 'not taken' }}</span>
      </button>
      <template v-if="open === 'shelf'">
        <p class="small soft">asked of beginners</p>
        <p class="small">
          Empty bar low on the back in the rack, blades pinched, safeties set: open the hands. Does it stay?
          <b>Gates:</b> low and middle bar.
        </p>
        <div class="take">
          <v-btn class="quiet" :disabled="busy" @click="send(shelf(1))">It stays</v-btn>
          <v-btn class="quiet" :disabled="busy" @click="send(shelf(0))">It slides</v-btn>
        </div>
      </template>
    </div>
    <h2 class="mt-5">Shoulders <small>narrowest bearable hands, by bar position</small></h2>
    <p class="small soft">
      Empty bar, hands moved in until elbow, wrist or shoulder complains; out again by a finger. It gates the
      bar position and the grip.
    </p>
    <div v-for="g in GRIPS" :key="g.kind" class="screen hands">
      <p>
        <b>{{ g.name }}</b> <span :class="known[g.kind]?.value === null ? 'signal' : ''">{{ shown(g) }}</span>
      </p>
      <form class="take" @submit.prevent="take(g)">
        <v-text-field
          v-model="both(g.kind)[0]"
          :label="units.lengthUnit.value"
          :aria-label="`${g.name}, hands apart`"
          :error-messages="wrong[g.kind] ? [wrong[g.kind]!] : []"
        />
        <v-btn type="submit" class="quiet" :disabled="busy" :aria-label="`Keep ${g.name}`">Keep</v-btn>
        <v-btn
          class="quiet"
          :disabled="busy"
          :aria-label="`${g.name} cannot be held`"
          @click="send({ kind: g.kind, readings: [], knee_to_wall_cm: [] })"
          >Cannot</v-btn
        >
      </form>
    </div>
    <p v-if="message" class="signal mt-2" role="alert">
      {{ of('readings')[0] ?? of('value')[0] ?? message }}
    </p>
  </section>
</template>

<style scoped>
.screen {
  display: grid;
  gap: 6px;
  border-top: 1px solid var(--hair);
  border-left: 3px solid transparent;
  padding-left: 8px;
}
.screen.on {
  border-left-color: var(--signal);
  padding-bottom: 10px;
}
.row {
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  padding: 4px 0;
  min-height: 34px;
  text-align: left;
  cursor: pointer;
  display: flex;
  justify-content: space-between;
  gap: 12px;
}
.row b {
  font-weight: 400;
}
.on .row b {
  font-weight: 700;
}
.row:hover {
  background: var(--hair);
}
.hands {
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 12px;
  padding: 8px 0;
  border-left: 0;
  align-items: start;
}
.take {
  display: flex;
  gap: 6px;
  align-items: start;
}
.take .v-text-field {
  width: 72px;
}
.on .take .v-text-field {
  width: 130px;
  flex: none;
}
.picture {
  display: flex;
  gap: 6px;
  align-items: center;
  flex-wrap: wrap;
  margin-top: 4px;
}
.picture input {
  width: 46px;
  font: inherit;
  font-size: 12px;
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 3px;
  padding: 2px 5px;
}
@media (max-width: 560px) {
  .hands {
    grid-template-columns: 1fr;
  }
}
</style>
