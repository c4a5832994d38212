<script setup lang="ts">
// What a shape asks, week by week of a block and day by day: cells as a coach writes them, each with
// what is wrong with it.
import { say } from '@/words'
import { computed } from 'vue'
import type { Schemas } from '@/shared/api'
import DoseCell from './DoseCell.vue'
import { blockWeeks, MOST_BLOCK_WEEKS, ROLES, writeMain, writeSide, type Role, type ShapeText } from './shape'

const props = defineProps<{ problems: Schemas['CellProblem'][]; fixed: boolean }>()
const text = defineModel<ShapeText>({ required: true })
const weeks = computed(() => {
  const most = blockWeeks(text.value)
  return Math.min(most + (props.fixed ? 0 : 1), MOST_BLOCK_WEEKS)
})
const SIDES = ['second', 'volume'] as const
const wrong = (where: string) => props.problems.find((p) => p.where === where)?.words
const onLines = (words: string) => words.replace(/;\s*/g, '\n')
const cell = (role: Role, week: number) => text.value.main[role]?.[week] ?? ''
const side = (part: 'second' | 'volume', role: Role) => text.value[part]?.[role] ?? ''
/** Only loading weeks climb from week to week. */
const climbs = (role: Role) => role !== 'light' && role !== 'test'
</script>

<template>
  <div class="scroll" tabindex="0" role="region" :aria-label="say('shapes.what_the_shape_asks_for')">
    <table class="plain">
      <thead>
        <tr>
          <th scope="col">{{ say('shapes.weeks_that') }}</th>
          <th v-for="n in weeks" :key="n" scope="col">
            {{ say('shapes.main_day') }}<br />{{ say('shapes.week_n', { n }) }}
          </th>
          <th v-for="part in SIDES" :key="part" scope="col">{{ say('shapes.part_day', { part }) }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="role in ROLES" :key="role.id">
          <th scope="row">
            <b>{{ role.id }}</b><span>{{ role.words }}</span>
          </th>
          <td v-for="n in weeks" :key="n">
            <template v-if="climbs(role.id) || n === 1">
              <p v-if="fixed" class="said">{{ onLines(cell(role.id, n - 1)) }}</p>
              <DoseCell
                v-else
                :model-value="cell(role.id, n - 1)"
                :label="say('shapes.main_day_week', { id: role.id, n })"
                :placeholder="n > (text.main[role.id]?.length ?? 0) ? say('shapes.as_before') : ''"
                :wrong="wrong(say('shapes.main_id_n', { id: role.id, n }))"
                @update:model-value="text = writeMain(text, role.id, n - 1, $event)"
              />
            </template>
          </td>
          <td v-for="part in SIDES" :key="part">
            <p v-if="fixed" class="said">{{ side(part, role.id) }}</p>
            <DoseCell
              v-else
              :model-value="side(part, role.id)"
              :label="say('shapes.id_part_day', { id: role.id, part })"
              :placeholder="part === 'volume' ? 'none' : ''"
              :wrong="wrong(`${part} ${role.id}`)"
              @update:model-value="text = writeSide(text, part, role.id, $event)"
            />
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
  position: sticky;
  left: 0;
  background: var(--paper);
  min-width: 120px;
  max-width: 190px;
  color: var(--ink);
  vertical-align: top;
}
th[scope='row'] span {
  color: var(--soft);
}
.said {
  white-space: pre-line;
}
@media (max-width: 760px) {
  th[scope='row'] {
    min-width: 84px;
  }
  th[scope='row'] span {
    display: none;
  }
}
</style>
