<script setup lang="ts">
// The stock of plates, by weight: pairs are counted, kilograms or pounds alike.
import { say } from '@/words'
import { ref, watch } from 'vue'
import type { Schemas } from '@/shared/api'
import { useUnits } from '@/shared/units'
import { useGym } from './useGym'

const props = defineProps<{ plates: Schemas['PlateAnswer'][]; mayWrite: boolean }>()
const { massOf, massUnit, readMass } = useUnits()
const { message, busy, of, count } = useGym()
const rows = ref<{ mass: string; pairs: string }[]>([])
const touched = ref(false)
watch(
  () => [props.plates, massUnit.value] as const,
  () => {
    rows.value = props.plates.map((p) => ({ mass: massOf(p.kg, 2), pairs: String(p.pairs) }))
    touched.value = false
  },
  { immediate: true },
)
const save = () =>
  count(
    rows.value
      .filter((r) => r.mass.trim())
      .map((r) => ({ kg: readMass(r.mass) || 0, pairs: Number(r.pairs) || 0 })),
  )
</script>

<template>
  <section>
    <h2>
      {{ say('gym.plates') }} <small>{{ say('gym.pairs') }}</small>
    </h2>
    <form novalidate @submit.prevent="save" @input="touched = true">
      <div class="rows">
        <div v-for="(row, i) in rows" :key="i" class="row">
          <input
            v-model="row.mass"
            :aria-label="say('gym.weight_i_mass_unit', { i: i + 1, massUnit })"
            :disabled="!mayWrite"
          />
          <span class="small soft">{{ massUnit }} ×</span>
          <input
            v-model="row.pairs"
            :aria-label="say('gym.pairs_of_weight', { i: i + 1 })"
            :disabled="!mayWrite"
          />
          <span v-if="of(`plates.${i}.kg`).length || of(`plates.${i}.pairs`).length" class="small signal">{{
            [...of(`plates.${i}.kg`), ...of(`plates.${i}.pairs`)][0]
          }}</span>
        </div>
        <button v-if="mayWrite" type="button" class="linkish" @click="rows.push({ mass: '', pairs: '1' })">
          {{ say('gym.another_weight') }}
        </button>
      </div>
      <p v-if="message" class="signal" role="alert">{{ message }}</p>
      <v-btn v-if="mayWrite" class="mt-2 quiet" type="submit" :disabled="busy || !touched">{{
        say('gym.keep_the_count')
      }}</v-btn>
    </form>
  </section>
</template>

<style scoped>
.rows {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  margin-top: 6px;
}
.row {
  display: flex;
  gap: 4px;
  align-items: center;
}
input {
  font: inherit;
  width: 52px;
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 3px;
  padding: 4px 6px;
}
</style>
