<script setup lang="ts">
// Bars with their mass, shaft and collars; a bar with a centre of its own sits elsewhere on the body.
import { say } from '@/words'
import { ref } from 'vue'
import PutBack from '@/shared/PutBack.vue'
import { uuid7, type Schemas } from '@/shared/api'
import { useUnits } from '@/shared/units'
import { useGym } from './useGym'

defineProps<{ bars: Schemas['BarAnswer'][]; mayWrite: boolean }>()
const { cm, kg, massUnit, lengthUnit, massOf, lengthOf, readMass, readLength } = useUnits()
const { message, busy, of, saveBar, takeBar } = useGym()
interface Typed {
  bar_id: string
  name: string
  mass: string
  shaft: string
  collars: string
  own: boolean
  beyond: string
  forward: string
  lean: string
  handles: boolean
}
const form = ref<Typed | null>(null)
function edit(bar: Schemas['BarAnswer'] | null) {
  form.value = {
    bar_id: bar?.bar_id ?? uuid7(),
    name: bar?.name ?? '',
    mass: bar ? massOf(bar.mass_kg) : '',
    shaft: String(bar?.shaft_mm ?? 28),
    collars: bar ? massOf(bar.collars_kg) : '0',
    own: bar?.beyond_shoulder_m != null,
    beyond: lengthOf(bar?.beyond_shoulder_m ?? 0.045),
    forward: lengthOf(bar?.forward_m ?? 0.02),
    lean: String(bar?.holds_lean_deg ?? 34),
    handles: bar?.handles ?? false,
  }
}
const length = (text: string) =>
  (text.trim().startsWith('-') ? -readLength(text.trim().slice(1)) : readLength(text)) || 0
async function save() {
  const f = form.value
  if (!f) return
  const done = await saveBar({
    bar_id: f.bar_id,
    name: f.name,
    mass_kg: readMass(f.mass) || 0,
    shaft_mm: Number(f.shaft) || 0,
    collars_kg: readMass(f.collars) || 0,
    handles: f.own && f.handles,
    beyond_shoulder_m: f.own ? length(f.beyond) : null,
    forward_m: f.own ? length(f.forward) : null,
    holds_lean_deg: f.own ? Number(f.lean) || 0 : null,
  })
  if (done) form.value = null
}
const gone = ref<Schemas['BarAnswer'] | null>(null)
async function takeOut(bar: Schemas['BarAnswer']) {
  if (await takeBar(bar.bar_id)) gone.value = bar
}
async function putBack(bar: Schemas['BarAnswer']) {
  if (await saveBar(bar)) gone.value = null
}
</script>

<template>
  <section>
    <h2>{{ say('gym.bars') }}</h2>
    <table v-if="bars.length" class="plain">
      <thead>
        <tr>
          <th>{{ say('gym.bar') }}</th>
          <th>{{ say('gym.mass') }}</th>
          <th>{{ say('gym.shaft') }}</th>
          <th>{{ say('gym.collars') }}</th>
          <th>{{ say('gym.sits') }}</th>
          <th v-if="mayWrite" />
        </tr>
      </thead>
      <tbody>
        <tr v-for="b in bars" :key="b.bar_id">
          <td>
            <b>{{ b.name }}</b>
          </td>
          <td class="unbroken">{{ kg(b.mass_kg) }}</td>
          <td class="unbroken">{{ b.shaft_mm }} mm</td>
          <td class="unbroken">{{ b.collars_kg ? kg(b.collars_kg) : '–' }}</td>
          <td class="small">
            {{
              b.beyond_shoulder_m == null
                ? say('gym.where_it_is_put')
                : say('gym.past_the_shoulders_forward', {
                    beyond_shoulder_m: cm(b.beyond_shoulder_m),
                    forward_m: cm(b.forward_m ?? 0),
                    handles: b.handles ? say('gym.handles') : '',
                  })
            }}
          </td>
          <td v-if="mayWrite" class="unbroken">
            <button class="linkish" :aria-label="say('gym.change_name', { name: b.name })" @click="edit(b)">
              {{ say('gym.change') }}
            </button>
            <button class="linkish" :aria-label="say('gym.take_out', { name: b.name })" @click="takeOut(b)">
              {{ say('gym.take_out_2') }}
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else class="soft">{{ say('gym.none_yet') }}</p>
    <PutBack v-if="gone" :told="say('gym.taken_out', { name: gone.name })" @back="putBack(gone)" />
    <v-btn v-if="mayWrite && !form" class="mt-2 quiet" @click="edit(null)">{{ say('gym.add_a_bar') }}</v-btn>
    <form v-if="form" class="note mt-2" novalidate @submit.prevent="save">
      <div class="fields">
        <v-text-field v-model="form.name" :label="say('gym.name_of_the_bar')" :error-messages="of('name')" />
        <v-text-field
          v-model="form.mass"
          :label="say('gym.mass_mass_unit', { massUnit })"
          :error-messages="of('mass_kg')"
        />
        <v-text-field v-model="form.shaft" :label="say('gym.shaft_mm')" :error-messages="of('shaft_mm')" />
        <v-text-field
          v-model="form.collars"
          :label="say('gym.both_collars', { massUnit })"
          :error-messages="of('collars_kg')"
        />
      </div>
      <label class="own"
        ><input v-model="form.own" type="checkbox" /> {{ say('gym.it_has_a_centre_of_its') }}</label
      >
      <div v-if="form.own" class="fields">
        <v-text-field
          v-model="form.beyond"
          :label="say('gym.past_the_shoulder_line', { lengthUnit })"
          :error-messages="of('beyond_shoulder_m')"
        />
        <v-text-field
          v-model="form.forward"
          :label="say('gym.forward_of_the_trunk', { lengthUnit })"
          :error-messages="of('forward_m')"
        />
        <v-text-field
          v-model="form.lean"
          :label="say('gym.lean_it_holds_well')"
          :error-messages="of('holds_lean_deg')"
        />
        <label class="own"
          ><input v-model="form.handles" type="checkbox" />
          {{ say('gym.handles_in_front_spares_the_shoulders') }}</label
        >
      </div>
      <p v-if="message" class="signal mt-2" role="alert">{{ message }}</p>
      <div class="mt-3">
        <v-btn variant="flat" type="submit" :disabled="busy">{{ say('gym.keep_the_bar') }}</v-btn>
        <v-btn class="quiet" @click="form = null">{{ say('gym.leave_it') }}</v-btn>
      </div>
    </form>
  </section>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
.own {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 8px 0;
}
@media (max-width: 560px) {
  .fields {
    grid-template-columns: 1fr;
  }
  table {
    display: block;
    overflow-x: auto;
  }
}
</style>
