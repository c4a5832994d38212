<script setup lang="ts">
// What was used today, noted when it differs.
import { say } from '@/words'
import type { Schemas } from '@/shared/api'
const gear = defineModel<Schemas['Gear']>({ required: true })
defineProps<{ bars: Schemas['BarAnswer'][]; racks: string[] }>()
const set = (part: Partial<Schemas['Gear']>) => (gear.value = { ...gear.value, ...part })
const words = (g: Schemas['Gear']) =>
  [g.bar, g.rack, g.belt ? 'belt' : null, g.suit ? 'suit' : null, g.shoes].filter(Boolean).join(', ') ||
  say('log.as_usual')
const valueOf = (event: Event) => (event.target as HTMLSelectElement).value || null
</script>

<template>
  <details>
    <summary class="small">
      {{ say('log.gear') }} <b>{{ words(gear) }}</b>
    </summary>
    <div class="fields">
      <label
        ><span class="small soft">{{ say('log.bar') }}</span
        ><select :value="gear.bar ?? ''" @change="set({ bar: valueOf($event) })">
          <option value="">{{ say('log.the_usual') }}</option>
          <option v-for="b in bars" :key="b.bar_id">{{ b.name }}</option>
        </select></label
      >
      <label
        ><span class="small soft">{{ say('log.rack') }}</span
        ><select :value="gear.rack ?? ''" @change="set({ rack: valueOf($event) })">
          <option value="">{{ say('log.the_usual') }}</option>
          <option v-for="r in racks" :key="r">{{ r }}</option>
        </select></label
      >
      <label
        ><span class="small soft">{{ say('log.shoes') }}</span
        ><select :value="gear.shoes ?? ''" @change="set({ shoes: valueOf($event) })">
          <option value="">{{ say('log.the_usual') }}</option>
          <option>{{ say('log.flat') }}</option>
          <option>{{ say('log.heeled') }}</option>
          <option>{{ say('log.barefoot') }}</option>
        </select></label
      >
      <label class="tick"
        ><input type="checkbox" :checked="Boolean(gear.belt)" @change="set({ belt: !gear.belt })" />
        {{ say('log.belt') }}</label
      >
      <label class="tick"
        ><input type="checkbox" :checked="Boolean(gear.suit)" @change="set({ suit: !gear.suit })" />
        {{ say('log.suit') }}</label
      >
    </div>
  </details>
</template>

<style scoped>
summary {
  min-height: 32px;
  cursor: pointer;
  display: flex;
  align-items: center;
  gap: 6px;
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: end;
  padding-top: 4px;
}
label {
  display: flex;
  flex-direction: column;
}
.tick {
  flex-direction: row;
  gap: 6px;
  align-items: center;
  min-height: 40px;
}
select {
  height: 40px;
  padding: 4px 8px;
}
</style>
