<script setup lang="ts">
// Bars with their mass, shaft and collars; a bar with a centre of its own sits elsewhere on the body.
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
    <h2>Bars</h2>
    <table v-if="bars.length" class="plain">
      <thead>
        <tr>
          <th>Bar</th>
          <th>Mass</th>
          <th>Shaft</th>
          <th>Collars</th>
          <th>Sits</th>
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
                ? 'where it is put'
                : `${cm(b.beyond_shoulder_m)} past the shoulders, ${cm(b.forward_m ?? 0)} forward${b.handles ? ', handles' : ''}`
            }}
          </td>
          <td v-if="mayWrite" class="unbroken">
            <button class="linkish" :aria-label="`change ${b.name}`" @click="edit(b)">change</button>
            <button class="linkish" :aria-label="`take out ${b.name}`" @click="takeOut(b)">take out</button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else class="soft">None yet.</p>
    <PutBack v-if="gone" :told="`Taken out: ${gone.name}`" @back="putBack(gone)" />
    <v-btn v-if="mayWrite && !form" class="mt-2 quiet" @click="edit(null)">Add a bar</v-btn>
    <form v-if="form" class="note mt-2" novalidate @submit.prevent="save">
      <div class="fields">
        <v-text-field v-model="form.name" label="Name of the bar" :error-messages="of('name')" />
        <v-text-field v-model="form.mass" :label="`Mass, ${massUnit}`" :error-messages="of('mass_kg')" />
        <v-text-field v-model="form.shaft" label="Shaft, mm" :error-messages="of('shaft_mm')" />
        <v-text-field
          v-model="form.collars"
          :label="`Both collars, ${massUnit}`"
          :error-messages="of('collars_kg')"
        />
      </div>
      <label class="own"
        ><input v-model="form.own" type="checkbox" /> It has a centre of its own on the body (yoke,
        cambered)</label
      >
      <div v-if="form.own" class="fields">
        <v-text-field
          v-model="form.beyond"
          :label="`Past the shoulder line, ${lengthUnit}`"
          :error-messages="of('beyond_shoulder_m')"
        />
        <v-text-field
          v-model="form.forward"
          :label="`Forward of the trunk, ${lengthUnit}`"
          :error-messages="of('forward_m')"
        />
        <v-text-field
          v-model="form.lean"
          label="Lean it holds well, °"
          :error-messages="of('holds_lean_deg')"
        />
        <label class="own"
          ><input v-model="form.handles" type="checkbox" /> Handles in front: spares the shoulders</label
        >
      </div>
      <p v-if="message" class="signal mt-2" role="alert">{{ message }}</p>
      <div class="mt-3">
        <v-btn variant="flat" type="submit" :disabled="busy">Keep the bar</v-btn>
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
