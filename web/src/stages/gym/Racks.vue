<script setup lang="ts">
// Racks by their holes: first hole, pitch, count, lip, room, and safeties of their own.
import { say } from '@/words'
import { ref } from 'vue'
import PutBack from '@/shared/PutBack.vue'
import { uuid7, type Schemas } from '@/shared/api'
import { useUnits } from '@/shared/units'
import { useGym } from './useGym'

defineProps<{ racks: Schemas['RackRecordAnswer'][]; mayWrite: boolean }>()
const { cm, lengthOf, lengthUnit, readLength } = useUnits()
const { message, busy, of, saveRack, takeRack } = useGym()
const FIELDS = [
  { id: 'first_hole_m', label: say('gym.first_hole'), of: say('gym.floor_to_the_bar_in_the') },
  { id: 'pitch_m', label: say('gym.pitch'), of: say('gym.from_hole_to_hole') },
  { id: 'lip_m', label: say('gym.lip'), of: say('gym.hooks_lip_above_the_bars_seat') },
  { id: 'inner_width_m', label: say('gym.room'), of: say('gym.between_the_uprights') },
  { id: 'first_safety_m', label: say('gym.first_safety'), of: say('gym.only_where_safeties_have_own_holes') },
  { id: 'safety_pitch_m', label: say('gym.safety_pitch'), of: 'likewise' },
] as const
type Typed = { rack_id: string; name: string; holes: string } & Record<(typeof FIELDS)[number]['id'], string>
const form = ref<Typed | null>(null)

function edit(rack: Schemas['RackRecordAnswer'] | null) {
  const text = (m: number | null | undefined) => (m == null ? '' : lengthOf(m))
  form.value = {
    rack_id: rack?.rack_id ?? uuid7(),
    name: rack?.name ?? '',
    holes: String(rack?.holes ?? ''),
    first_hole_m: text(rack?.first_hole_m),
    pitch_m: text(rack?.pitch_m),
    lip_m: text(rack?.lip_m),
    inner_width_m: text(rack?.inner_width_m),
    first_safety_m: text(rack?.first_safety_m),
    safety_pitch_m: text(rack?.safety_pitch_m),
  }
}
async function save() {
  const f = form.value
  if (!f) return
  const length = (text: string) => readLength(text) || 0
  const optional = (text: string) => (text.trim() ? length(text) : null)
  const done = await saveRack({
    rack_id: f.rack_id,
    name: f.name,
    holes: Number(f.holes) || 0,
    first_hole_m: length(f.first_hole_m),
    pitch_m: length(f.pitch_m),
    lip_m: length(f.lip_m),
    inner_width_m: length(f.inner_width_m),
    first_safety_m: optional(f.first_safety_m),
    safety_pitch_m: optional(f.safety_pitch_m),
  })
  if (done) form.value = null
}
const gone = ref<Schemas['RackRecordAnswer'] | null>(null)
async function takeOut(rack: Schemas['RackRecordAnswer']) {
  if (await takeRack(rack.rack_id)) gone.value = rack
}
async function putBack(rack: Schemas['RackRecordAnswer']) {
  if (await saveRack(rack)) gone.value = null
}
</script>

<template>
  <section>
    <h2>{{ say('gym.racks') }}</h2>
    <p v-if="!racks.length" class="soft">{{ say('gym.none_yet_measured_once_every_lifters') }}</p>
    <table v-else class="plain">
      <thead>
        <tr>
          <th>{{ say('gym.rack') }}</th>
          <th>{{ say('gym.holes') }}</th>
          <th>{{ say('gym.first_pitch') }}</th>
          <th>{{ say('gym.lip') }}</th>
          <th>{{ say('gym.room') }}</th>
          <th>{{ say('gym.safeties') }}</th>
          <th v-if="mayWrite" />
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in racks" :key="r.rack_id">
          <td>
            <b>{{ r.name }}</b>
          </td>
          <td>{{ r.holes }}</td>
          <td class="unbroken">{{ cm(r.first_hole_m) }}, {{ cm(r.pitch_m) }}</td>
          <td class="unbroken">{{ cm(r.lip_m) }}</td>
          <td class="unbroken">{{ cm(r.inner_width_m, 0) }}</td>
          <td>
            {{
              r.first_safety_m == null
                ? say('gym.same_holes')
                : say('gym.from_first_safety_m_safety_pitch', {
                    first_safety_m: cm(r.first_safety_m, 0),
                    safety_pitch_m: r.safety_pitch_m ? `, ${cm(r.safety_pitch_m)}` : '',
                  })
            }}
          </td>
          <td v-if="mayWrite" class="unbroken">
            <button class="linkish" :aria-label="say('gym.change_name', { name: r.name })" @click="edit(r)">
              {{ say('gym.change') }}
            </button>
            <button class="linkish" :aria-label="say('gym.take_out', { name: r.name })" @click="takeOut(r)">
              {{ say('gym.take_out_2') }}
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <PutBack v-if="gone" :told="say('gym.taken_out', { name: gone.name })" @back="putBack(gone)" />
    <v-btn v-if="mayWrite && !form" class="mt-2 quiet" @click="edit(null)">{{
      say('gym.measure_a_rack')
    }}</v-btn>
    <form v-if="form" class="note mt-2" novalidate @submit.prevent="save">
      <div class="fields">
        <v-text-field v-model="form.name" :label="say('gym.name_of_the_rack')" :error-messages="of('name')" />
        <v-text-field
          v-model="form.holes"
          :label="say('gym.holes')"
          inputmode="numeric"
          :error-messages="of('holes')"
        />
        <v-text-field
          v-for="f in FIELDS"
          :key="f.id"
          v-model="form[f.id]"
          :label="`${f.label}, ${lengthUnit}`"
          :hint="f.of"
          persistent-hint
          :error-messages="of(f.id)"
        />
      </div>
      <p v-if="message" class="signal mt-2" role="alert">{{ message }}</p>
      <div class="mt-3">
        <v-btn variant="flat" type="submit" :disabled="busy">{{ say('gym.keep_the_rack') }}</v-btn>
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
