<script setup lang="ts">
// Rates with counts and their 80 % intervals, to one scale.
import { say } from '@/words'
import type { Schemas } from '@/shared/api'
defineProps<{ rates: Schemas['RateAnswer'][]; title: string }>()
const pct = (share: number) => `${(share * 100).toFixed(1)}%`
</script>

<template>
  <table class="rates">
    <caption>
      {{
        title
      }}
    </caption>
    <tbody>
      <tr v-for="r in rates" :key="r.label">
        <th scope="row">{{ r.label }}</th>
        <td class="bar" aria-hidden="true">
          <span class="track"
            ><span class="span" :style="{ left: pct(r.low), width: pct(r.high - r.low) }" /><span
              class="mid"
              :style="{ left: pct(r.rate) }"
          /></span>
        </td>
        <td class="count">
          <b>{{ r.faulty }}</b> {{ say('review.of_reps', { reps: r.reps }) }}
        </td>
        <td class="soft small">{{ Math.round(r.low * 100) }}–{{ Math.round(r.high * 100) }} %</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.rates {
  border-collapse: collapse;
  width: 100%;
}
caption {
  text-align: left;
  font-weight: 700;
  padding: 4px 0;
}
th {
  text-align: left;
  font-weight: 400;
  white-space: nowrap;
  padding-right: 10px;
}
td,
th {
  border-top: 1px solid var(--hair);
  padding: 3px 8px 3px 0;
  white-space: nowrap;
}
.bar {
  width: 45%;
}
.track {
  position: relative;
  display: block;
  height: 12px;
  background: linear-gradient(var(--line), var(--line)) center / 100% 1px no-repeat;
}
.span {
  position: absolute;
  top: 3px;
  height: 6px;
  background: var(--body);
  border: solid var(--body-line);
  border-width: 0 1px;
}
.mid {
  position: absolute;
  top: 0;
  height: 12px;
  border-left: 2px solid var(--signal);
}
.count {
  text-align: right;
}
</style>
