<script setup lang="ts">
// Racks by their holes: first hole, pitch, count, lip, room, and safeties of their own.
import { ref } from 'vue'
import PutBack from '@/shared/PutBack.vue'
import { uuid7, type Schemas } from '@/shared/api'
import { useUnits } from '@/shared/units'
import { useGym } from './useGym'

defineProps<{ racks: Schemas['RackRecordAnswer'][]; mayWrite: boolean }>()
const { cm, lengthOf, lengthUnit, readLength } = useUnits()
const { message, busy, of, saveRack, takeRack } = useGym()
const FIELDS = [
  { id: 'first_hole_m', label: 'First hole', of: 'floor to the bar in the lowest hook' },
  { id: 'pitch_m', label: 'Pitch', of: 'from hole to hole' },
  { id: 'lip_m', label: 'Lip', of: 'hook’s lip above the bar’s seat' },
  { id: 'inner_width_m', label: 'Room', of: 'between the uprights' },
  { id: 'first_safety_m', label: 'First safety', of: 'only where safeties have own holes' },
  { id: 'safety_pitch_m', label: 'Safety pitch', of: 'likewise' },
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
    <h2>Racks</h2>
    <p v-if="!racks.length" class="soft">
      None yet. Measured once, every lifter’s hook and pin holes follow.
    </p>
    <table v-else class="plain">
      <thead>
        <tr>
          <th>Rack</th>
          <th>Holes</th>
          <th>First, pitch</th>
          <th>Lip</th>
          <th>Room</th>
          <th>Safeties</th>
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
                ? 'same holes'
                : `from ${cm(r.first_safety_m, 0)}${r.safety_pitch_m ? `, ${cm(r.safety_pitch_m)}` : ''}`
            }}
          </td>
          <td v-if="mayWrite" class="unbroken">
            <button class="linkish" :aria-label="`change ${r.name}`" @click="edit(r)">change</button>
            <button class="linkish" :aria-label="`take out ${r.name}`" @click="takeOut(r)">take out</button>
          </td>
        </tr>
      </tbody>
    </table>
    <PutBack v-if="gone" :told="`Taken out: ${gone.name}`" @back="putBack(gone)" />
    <v-btn v-if="mayWrite && !form" class="mt-2 quiet" @click="edit(null)">Measure a rack</v-btn>
    <form v-if="form" class="note mt-2" novalidate @submit.prevent="save">
      <div class="fields">
        <v-text-field v-model="form.name" label="Name of the rack" :error-messages="of('name')" />
        <v-text-field v-model="form.holes" label="Holes" inputmode="numeric" :error-messages="of('holes')" />
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
        <v-btn variant="flat" type="submit" :disabled="busy">Keep the rack</v-btn>
        <v-btn class="quiet" @click="form = null">Leave it</v-btn>
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
