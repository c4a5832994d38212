<script setup lang="ts">
// What a shape asks, week by week of a block and day by day: cells as a coach writes them, each with
// what is wrong with it.
import { computed } from 'vue'
import type { Schemas } from '@/shared/api'
import { blockWeeks, MOST_BLOCK_WEEKS, ROLES, writeMain, writeSide, type Role, type ShapeText } from './shape'

const props = defineProps<{ problems: Schemas['CellProblem'][]; fixed: boolean }>()
const text = defineModel<ShapeText>({ required: true })
const weeks = computed(() => {
  const most = blockWeeks(text.value)
  return Math.min(most + (props.fixed ? 0 : 1), MOST_BLOCK_WEEKS)
})
const SIDES = ['second', 'volume'] as const
const wrong = (where: string) => props.problems.find((p) => p.where === where)?.words
const value = (event: Event) => (event.target as HTMLInputElement).value
const cell = (role: Role, week: number) => text.value.main[role]?.[week] ?? ''
const side = (part: 'second' | 'volume', role: Role) => text.value[part]?.[role] ?? ''
/** Only loading weeks climb from week to week. */
const climbs = (role: Role) => role !== 'light' && role !== 'test'
</script>

<template>
  <div class="scroll" tabindex="0" role="region" aria-label="What the shape asks for">
    <table class="plain">
      <thead>
        <tr>
          <th scope="col">Weeks that</th>
          <th v-for="n in weeks" :key="n" scope="col">main day, week {{ n }} of the block</th>
          <th v-for="part in SIDES" :key="part" scope="col">{{ part }} day</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="role in ROLES" :key="role.id">
          <th scope="row">
            <b>{{ role.id }}</b><span>{{ role.words }}</span>
          </th>
          <td v-for="n in weeks" :key="n">
            <template v-if="climbs(role.id) || n === 1">
              <input
                class="plain"
                :value="cell(role.id, n - 1)"
                :disabled="fixed"
                :aria-label="`${role.id}, main day, week ${n}`"
                :aria-invalid="!!wrong(`main ${role.id} ${n}`)"
                :placeholder="n > (text.main[role.id]?.length ?? 0) ? 'as the week before' : ''"
                maxlength="200"
                @change="text = writeMain(text, role.id, n - 1, value($event))"
              />
              <p v-if="wrong(`main ${role.id} ${n}`)" class="signal small" role="alert">
                {{ wrong(`main ${role.id} ${n}`) }}
              </p>
            </template>
          </td>
          <td v-for="part in SIDES" :key="part">
            <input
              class="plain"
              :value="side(part, role.id)"
              :disabled="fixed"
              :aria-label="`${role.id}, ${part} day`"
              :aria-invalid="!!wrong(`${part} ${role.id}`)"
              :placeholder="part === 'volume' ? 'none' : ''"
              maxlength="200"
              @change="text = writeSide(text, part, role.id, value($event))"
            />
            <p v-if="wrong(`${part} ${role.id}`)" class="signal small" role="alert">
              {{ wrong(`${part} ${role.id}`) }}
            </p>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}
table.plain td,
table.plain th {
  padding: 4px 6px 4px 0;
}
th span {
  display: block;
}
th[scope='row'] {
  min-width: 150px;
  max-width: 190px;
  color: var(--ink);
}
th[scope='row'] span {
  color: var(--soft);
}
input {
  width: 100%;
  min-width: 132px;
  height: 36px;
  padding: 4px 8px;
}
input::placeholder {
  color: var(--soft);
  font-style: italic;
}
input[aria-invalid='true'] {
  border-color: var(--signal);
}
input:disabled {
  background: none;
  border-color: transparent;
  color: var(--ink);
  -webkit-text-fill-color: var(--ink);
  opacity: 1;
}
</style>
