<script setup lang="ts">
// Mobility screens that gate the squat: how to take each, two readings, the normal range, what it gates.
import { say } from '@/words'
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
  if (!found) return say('measure.not_taken')
  if (found.value === null) return say('measure.cannot_be_held_2')
  return s.unit === 'deg' ? `${found.value.toFixed(0)}°` : units.cm(found.value, 0)
}
function apart(s: Screen): string {
  const [a, b] = known.value[s.kind]?.readings ?? []
  if (a === undefined || b === undefined || s.unit !== 'deg') return ''
  return Math.abs(a - b) > 5
    ? ' ' + say('measure.two_readings_apart_take_a_third', { a: Math.abs(a - b).toFixed(0) })
    : ''
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
const SHELF: Record<string, string> = { 1: say('measure.the_bar_stays'), 0: say('measure.the_bar_slides') }
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
  wrong.value[s.kind] = readable
    ? ''
    : s.unit === 'deg'
      ? say('measure.a_number_of_degrees')
      : say('measure.a_length_such_as_46_cm')
  if (!readable) return
  await send(
    lunge
      ? { kind: s.kind, readings: [], knee_to_wall_cm: readings.map((m) => m * 100) }
      : { kind: s.kind, readings, knee_to_wall_cm: [] },
  )
}
async function takePicture() {
  const [thigh, lean] = [degrees(picture.value.thigh), degrees(picture.value.lean)]
  wrong.value.picture =
    Number.isFinite(thigh) && Number.isFinite(lean) ? '' : say('measure.two_angles_in_degrees')
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
    <h2>
      {{ say('measure.mobility_screens') }} <small>{{ say('measure.they_decide_which_set_ups_open') }}</small>
    </h2>
    <div v-for="s in SCREENS" :key="s.kind" :class="['screen', { on: open === s.kind }]">
      <button class="row" :aria-expanded="open === s.kind" @click="toggle(s.kind)">
        <b>{{ s.name }}</b>
        <span :class="known[s.kind] ? '' : s.optional ? 'soft' : 'signal'">{{ shown(s) }}</span>
      </button>
      <template v-if="open === s.kind">
        <p class="small soft">
          {{ s.usual
          }}<template v-if="known[s.kind]">{{
            say('measure.usual_taken_taken_at', {
              usual: s.usual ? '; ' : '',
              taken_at: dayOf(known[s.kind]?.taken_at ?? ''),
            })
          }}</template>
        </p>
        <p class="small">
          {{ s.how }} <b>{{ say('measure.gates') }}</b> {{ s.gates }}
        </p>
        <form class="take" @submit.prevent="take(s)">
          <v-text-field
            v-for="i in 2"
            :key="i"
            v-model="both(s.kind)[i - 1]"
            :label="`${i === 1 ? say('measure.first') : say('measure.second')}, ${s.field(units.lengthUnit.value)}`"
            :aria-label="say('measure.name_reading_i', { name: s.name, i })"
            :error-messages="i === 1 && wrong[s.kind] ? [wrong[s.kind]!] : []"
          />
          <v-btn
            type="submit"
            class="quiet"
            :disabled="busy"
            :aria-label="say('measure.keep_name', { name: s.name })"
            >{{ say('measure.keep') }}</v-btn
          >
        </form>
        <PictureScreen
          v-if="s.picture && statureM"
          :of="s.picture"
          :stature-m="statureM"
          @read="fill(s, $event)"
        />
        <form v-if="s.kind === 'neutral_depth'" class="picture" @submit.prevent="takePicture">
          <span class="small soft">{{ say('measure.from_a_side_picture_knee_above') }}</span>
          <input
            v-model="picture.thigh"
            :aria-label="say('measure.thigh_above_level_degrees')"
            placeholder="0°"
          />
          <span class="small soft">{{ say('measure.lean') }}</span>
          <input v-model="picture.lean" :aria-label="say('measure.trunk_lean_degrees')" placeholder="45°" />
          <button class="linkish small" :disabled="busy">{{ say('measure.read') }}</button>
          <span v-if="wrong.picture" class="small signal">{{ wrong.picture }}</span>
        </form>
      </template>
      <p v-if="apart(s)" class="small signal">{{ apart(s) }}</p>
    </div>
    <div :class="['screen', { on: open === 'shelf' }]">
      <button class="row" :aria-expanded="open === 'shelf'" @click="toggle('shelf')">
        <b>{{ say('measure.shelf') }}</b>
        <span :class="known.shelf ? '' : 'soft'">{{
          SHELF[String(known.shelf?.value)] ?? say('measure.not_taken')
        }}</span>
      </button>
      <template v-if="open === 'shelf'">
        <p class="small soft">{{ say('measure.asked_of_beginners') }}</p>
        <p class="small">
          {{ say('measure.empty_bar_low_on_the_back') }} <b>{{ say('measure.gates') }}</b>
          {{ say('measure.low_and_middle_bar') }}
        </p>
        <div class="take">
          <v-btn class="quiet" :disabled="busy" @click="send(shelf(1))">{{ say('measure.it_stays') }}</v-btn>
          <v-btn class="quiet" :disabled="busy" @click="send(shelf(0))">{{ say('measure.it_slides') }}</v-btn>
        </div>
      </template>
    </div>
    <h2 class="mt-5">
      {{ say('measure.shoulders') }}
      <small>{{ say('measure.narrowest_bearable_hands_by_bar_position') }}</small>
    </h2>
    <p class="small soft">{{ say('measure.empty_bar_hands_moved_in_until') }}</p>
    <div v-for="g in GRIPS" :key="g.kind" class="screen hands">
      <p>
        <b>{{ g.name }}</b> <span :class="known[g.kind]?.value === null ? 'signal' : ''">{{ shown(g) }}</span>
      </p>
      <form class="take" @submit.prevent="take(g)">
        <v-text-field
          v-model="both(g.kind)[0]"
          :label="units.lengthUnit.value"
          :aria-label="say('measure.hands_apart', { name: g.name })"
          :error-messages="wrong[g.kind] ? [wrong[g.kind]!] : []"
        />
        <v-btn
          type="submit"
          class="quiet"
          :disabled="busy"
          :aria-label="say('measure.keep_name', { name: g.name })"
          >{{ say('measure.keep') }}</v-btn
        >
        <v-btn
          class="quiet"
          :disabled="busy"
          :aria-label="say('measure.cannot_be_held', { name: g.name })"
          @click="send({ kind: g.kind, readings: [], knee_to_wall_cm: [] })"
          >{{ say('measure.cannot') }}</v-btn
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
