<script setup lang="ts">
// Every variation beside the competition lift at the same effort: what it works, what it spares.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import OneOf from '@/shared/OneOf.vue'
import Waiting from '@/shared/Waiting.vue'
import { answered, client, once, uuid7, type Schemas } from '@/shared/api'
import { useSession } from '@/shared/session'
import { useForget } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'
import { useUnits } from '@/shared/units'
import { LIFT_CHOICE, USE_NAMES, percent } from '@/shared/words'
import MiniPose from './MiniPose.vue'
import VariationDetail from './VariationDetail.vue'
import { measurementsQuery } from '@/shared/queries'

const props = defineProps<{ lifterId: string }>()
const route = useRoute()
const { kg } = useUnits()
const { mayWrite } = useSession()
const forget = useForget()
const lift = ref<'squat' | 'deadlift'>(route.query.lift === 'deadlift' ? 'deadlift' : 'squat')
const table = useQuery({
  queryKey: ['variations', props.lifterId, lift],
  queryFn: () =>
    answered(
      client.GET('/api/lifters/{lifter_id}/variations/{lift}', {
        params: { path: { lifter_id: props.lifterId, lift: lift.value } },
      }),
    ),
})
const data = computed(() => table.data.value ?? null)
const only = ref<'all' | 'can' | 'chosen'>('can')
type Row = Schemas['VariationAnswer']
const blocked = (row: Row) => row.blocked !== ''
const rows = computed(() =>
  (data.value?.variations ?? []).filter(
    (r) => only.value === 'all' || r.chosen || (only.value === 'can' && !blocked(r)),
  ),
)
const order = ref<'need' | 'goal'>('need')
const worth = (row: Row) =>
  order.value === 'goal' ? (row.goal?.share ?? 0) : (row.score ?? 0) + (row.chosen ? 10 : 0)
const sorted = computed(() => [...rows.value].sort((a, b) => worth(b) - worth(a)))
const openName = ref<string | null>(typeof route.query.open === 'string' ? route.query.open : null)
const open = computed(
  () => (data.value?.variations ?? []).find((r) => r.name === openName.value) ?? sorted.value[0] ?? null,
)
const CAPACITIES = ['quads', 'hips', 'lower_back', 'upper_back'] as const
const most = (values: number[] | undefined) => Math.max(0, ...(values ?? []))
const of = (row: Row, name: string) => most(row.loading?.use[name])
const own = (name: string) => most(data.value?.competition.use[name])
const bar = (value: number) => `${Math.min(100, value * 80)}%`
const { message, busy, run } = useProblem()
async function sayWord(name: string, word: 'use' | 'leave out' | 'as computed', reason: string) {
  const done = await run(() =>
    answered(
      client.POST('/api/lifters/{lifter_id}/variation-words/{name}', {
        params: { path: { lifter_id: props.lifterId, name }, ...once(uuid7()) },
        body: { word, reason },
      }),
    ),
  )
  if (done) await forget(props.lifterId)
}
const wordOf = (name: string) => data.value?.words.find((w) => w.variation === name) ?? null
const sheet = useQuery(measurementsQuery(props.lifterId))
const segments = computed<Record<string, number>>(() => sheet.data.value?.segments_m ?? {})
</script>

<template>
  <Waiting
    v-if="!data"
    :error="table.error.value"
    :what="say('prescribe.the_variations')"
    @again="table.refetch()"
  />
  <div v-else class="all">
    <section class="list">
      <div class="bar">
        <OneOf
          v-model="lift"
          :label="say('prescribe.lift')"
          :options="LIFT_CHOICE"
          @update:model-value="openName = null"
        />
        <OneOf
          v-model="only"
          :label="say('prescribe.shown')"
          :options="[
            ['can', say('prescribe.what_can_be_done_here')],
            ['chosen', say('prescribe.chosen')],
            ['all', say('prescribe.all')],
          ]"
        />
        <OneOf
          v-model="order"
          :label="say('prescribe.order')"
          :options="[
            ['need', say('prescribe.by_need')],
            ['goal', say('prescribe.by_goal', { goal: data.goal })],
          ]"
        />
      </div>
      <p class="small soft">
        {{
          say('prescribe.each_at_of_its_own_max', {
            effort: percent(data.effort),
            the: data.max_kg
              ? say('prescribe.the_at', { lift, max_kg: kg(data.max_kg, 0) })
              : say('prescribe.no_max_is_logged_yet_one'),
          })
        }}
      </p>
      <table>
        <thead>
          <tr>
            <th />
            <th>{{ say('prescribe.variation') }}</th>
            <th v-for="c in CAPACITIES" :key="c" class="use">{{ USE_NAMES[c] }}</th>
            <th>{{ say('prescribe.of_max') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr class="own">
            <td>
              <MiniPose :drawn="data.competition.drawn" :segments="segments" :hanging="lift === 'deadlift'" />
            </td>
            <td>
              <b class="first">{{ say('prescribe.competition_lift', { lift }) }}</b><span
                class="small soft"
                >{{ kg(data.competition.load_kg, 0) }}</span
              >
            </td>
            <td v-for="c in CAPACITIES" :key="c" class="use">
              <span class="num small">{{ percent(own(c)) }}</span>
            </td>
            <td />
          </tr>
          <tr
            v-for="row in sorted"
            :key="row.name"
            :class="{ open: open?.name === row.name, chosen: row.chosen, blocked: blocked(row) }"
            @click="openName = row.name"
          >
            <td>
              <MiniPose
                v-if="row.loading"
                :drawn="row.loading.drawn"
                :segments="segments"
                :hanging="lift === 'deadlift'"
              />
            </td>
            <td>
              <button
                class="linkish"
                :aria-expanded="open?.name === row.name"
                @click.stop="openName = row.name"
              >
                <b class="first">{{ row.name }}</b>
              </button>
              <span class="small soft"
                >{{ row.good_for }}<template v-if="row.hold_s">, {{ row.hold_s }} s</template></span
              >
              <span v-if="row.chosen" class="small signal"
                >{{ ' ' }}{{ say('prescribe.in_the_plan_2') }}</span
              >
            </td>
            <template v-if="row.loading">
              <td
                v-for="c in CAPACITIES"
                :key="c"
                class="use"
                :title="
                  say('prescribe.use_names_row_competition_c', {
                    USE_NAMES: USE_NAMES[c],
                    row: percent(of(row, c)),
                    c: percent(own(c)),
                  })
                "
              >
                <span class="track"
                  ><span
                    :class="['fill', { more: of(row, c) > own(c) + 0.03, less: of(row, c) < own(c) - 0.03 }]"
                    :style="{ width: bar(of(row, c)) }" /><span class="tick" :style="{ left: bar(own(c)) }"
                /></span>
              </td>
            </template>
            <td v-else :colspan="CAPACITIES.length" class="small soft">
              {{
                say('prescribe.trains_stated_not_computed', {
                  trains: row.trains.join(', ') || say('prescribe.the_pattern'),
                })
              }}
            </td>
            <td class="small num">
              <template v-if="row.ratio"
                >{{ row.ratio.ratio.toFixed(2)
                }}<span class="soft small">{{
                  row.ratio.days ? say('prescribe.days', { days: row.ratio.days }) : say('prescribe.usual')
                }}</span></template
              >
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <VariationDetail
      v-if="open"
      :key="open.name"
      class="detail"
      :lifter-id="lifterId"
      :lift="lift"
      :row="open"
      :competition="data.competition"
      :max-kg="data.max_kg"
      :goal="data.goal"
      :word="wordOf(open.name)"
      :may-write="mayWrite"
      :busy="busy"
      :message="message"
      @word="(word, reason) => sayWord(open?.name ?? '', word, reason)"
    />
  </div>
</template>

<style scoped>
.all {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  gap: 30px;
  padding: 14px 26px 40px;
  align-items: start;
}
.bar {
  display: flex;
  gap: 14px;
  flex-wrap: wrap;
  margin-bottom: 6px;
}
table {
  border-collapse: collapse;
  width: 100%;
  margin-top: 8px;
}
th {
  text-align: left;
  font-weight: 400;
  color: var(--soft);
  font-size: 12px;
  padding: 2px 6px 2px 0;
  vertical-align: bottom;
}
td {
  border-top: 1px solid var(--hair);
  padding: 3px 8px 3px 0;
  vertical-align: middle;
}
td:first-child {
  width: 68px;
}
tbody tr {
  cursor: pointer;
}
tr.open td {
  background: var(--sheet);
}
tr.chosen td:first-child {
  box-shadow: inset 3px 0 0 var(--signal);
}
tr.blocked b {
  color: var(--soft);
}
.use {
  width: 11%;
}
td .small {
  display: block;
}
.track {
  position: relative;
  display: block;
  height: 9px;
  border-left: 1px solid var(--body-line);
}
.fill {
  position: absolute;
  inset: 1px auto 1px 0;
  background: var(--body);
}
.fill.more {
  background: var(--ink);
}
.fill.less {
  background: var(--hair);
  outline: 1px solid var(--body-line);
}
.tick {
  position: absolute;
  z-index: 1;
  top: -4px;
  bottom: -4px;
  width: 2px;
  background: var(--signal);
}
.detail {
  position: sticky;
  top: 12px;
}
@media (max-width: 1120px) {
  .all {
    grid-template-columns: minmax(0, 1fr);
  }
  .detail {
    position: static;
    order: -1;
  }
}
@media (max-width: 760px) {
  .all {
    padding: 12px 14px 40px;
  }
  .list {
    overflow-x: auto;
  }
}
</style>
