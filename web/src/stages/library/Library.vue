<script setup lang="ts">
// Faults with their causes, tests and remedies; the coach's own beside the shipped ones.
import { say } from '@/words'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import OneOf from '@/shared/OneOf.vue'
import StageHead from '@/shared/StageHead.vue'
import Waiting from '@/shared/Waiting.vue'
import { answered, client, once, type LibraryEntry, type Schemas } from '@/shared/api'
import { useSession } from '@/shared/session'
import { useProblem } from '@/shared/useProblem'
import { LIFT_CHOICE } from '@/shared/words'
import OwnEntry from './OwnEntry.vue'
import OwnVariation from './OwnVariation.vue'
import { catalogueQuery, variationNamesQuery } from '@/shared/queries'

const { mayWrite } = useSession()
const queries = useQueryClient()
const catalogue = useQuery(catalogueQuery)
const names = useQuery(variationNamesQuery)
const lift = ref<'squat' | 'deadlift'>('squat')
const wanted = ref('')
const open = ref<string | null>(null)
const data = computed(() => catalogue.data.value ?? null)
const route = useRoute()
/** A fault that a link names lies open and in view. */
watch(
  [data, () => route.query.fault],
  async () => {
    const fault = data.value?.faults.find((f) => f.id === route.query.fault)
    if (!fault) return
    lift.value = fault.lift as 'squat' | 'deadlift'
    wanted.value = ''
    open.value = fault.id
    await nextTick()
    document.getElementById(`fault-${fault.id}`)?.scrollIntoView?.({ block: 'center' })
  },
  { immediate: true },
)
const own = computed(() => new Set(data.value?.own))
const hidden = computed(() => new Set(data.value?.hidden))
const faults = computed(() => {
  const words = wanted.value.trim().toLowerCase()
  return (data.value?.faults ?? []).filter(
    (f) => f.lift === lift.value && (!words || `${f.name} ${f.seen}`.toLowerCase().includes(words)),
  )
})
const causesOf = (f: Schemas['FaultAnswer']) =>
  (data.value?.causes ?? []).filter((c) => f.causes.includes(c.id))
const remediesOf = (c: Schemas['CauseAnswer']) =>
  (data.value?.remedies ?? []).filter((r) => c.remedies.includes(r.id))
const { message, run } = useProblem()
async function keep(entries: LibraryEntry[]): Promise<boolean> {
  const kept = await run(() =>
    answered(
      client.POST('/api/library/own', {
        params: once(),
        body: { format: 'pavrik-library', version: 1, entries },
      }),
    ),
  )
  await queries.invalidateQueries({ queryKey: ['catalogue'] })
  await queries.invalidateQueries({ queryKey: ['variation-names'] })
  return Boolean(kept)
}
/** Hides or shows an entry without touching what it says. */
async function hide(kind: LibraryEntry['kind'], ident: string, hiddenNow: boolean) {
  const file = own.value.has(ident) ? await answered(client.GET('/api/library/own')) : null
  const body = file?.entries.find((e) => e.ident === ident)?.body ?? null
  await keep([{ kind, ident, body, hidden: !hiddenNow } as LibraryEntry])
}
const adding = ref<Exclude<LibraryEntry['kind'], 'shape'> | null>(null)
async function added(entry: LibraryEntry) {
  if (await keep([entry])) adding.value = null
}
async function importFile(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  await run(async () => {
    const body = JSON.parse(await file.text()) as Schemas['LibraryFile']
    await answered(client.POST('/api/library/own', { params: once(), body }))
  })
  await queries.invalidateQueries({ queryKey: ['catalogue'] })
}
</script>

<template>
  <main>
    <StageHead
      :over="say('library.the_library')"
      :answer="
        data
          ? say('library.faults_causes_remedies', {
              faults: data.faults.length,
              causes: data.causes.length,
              remedies: data.remedies.length,
            })
          : say('library.faults_causes_remedies_2')
      "
    >
      <template v-if="mayWrite">
        <v-btn @click="adding = 'fault'">{{ say('library.own_fault') }}</v-btn>
        <v-btn @click="adding = 'cause'">{{ say('library.own_cause') }}</v-btn>
        <v-btn @click="adding = 'remedy'">{{ say('library.own_cue_or_drill') }}</v-btn>
        <v-btn @click="adding = 'variation'">{{ say('library.own_variation') }}</v-btn>
      </template>
    </StageHead>
    <Waiting
      v-if="!data"
      :error="catalogue.error.value"
      :what="say('library.the_library')"
      @again="catalogue.refetch()"
    />
    <div v-else class="pad">
      <div class="bar">
        <OneOf v-model="lift" :label="say('library.lift')" :options="LIFT_CHOICE" />
        <v-text-field v-model="wanted" :label="say('library.find')" class="find" />
        <span class="small"
          >{{ say('library.own_entries') }}
          <a href="/api/library/own" download="pavrik-library.json">{{ say('library.export') }}</a><template
            v-if="mayWrite"
            >,
            <label class="linkish"
              >{{ say('library.import')
              }}<input
                type="file"
                accept=".json"
                class="visually-hidden"
                @change="importFile" /></label></template
        ></span>
      </div>
      <p v-if="message" class="signal" role="alert">{{ message }}</p>
      <OwnVariation
        v-if="adding === 'variation' && names.data.value"
        :catalogue="data"
        :names="names.data.value"
        :lift="lift"
        @keep="added"
        @close="adding = null"
      />
      <OwnEntry
        v-else-if="adding && adding !== 'variation'"
        :kind="adding"
        :catalogue="data"
        :lift="lift"
        @keep="added"
        @close="adding = null"
      />
      <p v-if="!faults.length" class="soft mt-4">{{ say('library.nothing_is_called_so') }}</p>
      <section v-if="names.data.value" class="mt-4">
        <h2>
          {{ say('library.shapes_of_a_season') }}
          <small
            ><RouterLink :to="{ name: 'shapes' }">{{
              say('library.read_them_write_your_own')
            }}</RouterLink></small
          >
        </h2>
        <h2 class="mt-4">
          {{ say('library.variations') }} <small>{{ say('library.each_computed_for_the_lifter_on') }}</small>
        </h2>
        <p>{{ names.data.value[lift].slice(1).join(', ') }}.</p>
      </section>
      <ul class="faults">
        <li v-for="f in faults" :id="`fault-${f.id}`" :key="f.id" :class="{ hidden: hidden.has(f.id) }">
          <button class="fault" :aria-expanded="open === f.id" @click="open = open === f.id ? null : f.id">
            <b>{{ f.name }}</b> <span v-if="own.has(f.id)" class="mark">{{ say('library.own') }}</span><span
              v-if="hidden.has(f.id)"
              class="mark"
              >{{ say('library.hidden') }}</span
            >
            <span class="soft">{{ f.seen }}</span><span class="small soft">{{
              f.phases.length > 5 ? say('library.any_phase') : f.phases.join(', ')
            }}</span>
          </button>
          <div v-if="open === f.id" class="inside">
            <div v-for="c in causesOf(f)" :key="c.id" class="cause">
              <p>
                <b>{{ c.text }}</b> <span v-if="own.has(c.id)" class="mark">{{ say('library.own') }}</span>
              </p>
              <p class="small">
                {{ say('library.test', { test: /[.?!]$/.test(c.test) ? c.test : `${c.test}.` }) }}
              </p>
              <ul class="small">
                <li v-for="r in remediesOf(c)" :key="r.id">
                  <span class="soft kind"
                    >{{ r.kind }}<template v-if="r.purpose">, {{ r.purpose }}, {{ r.aim }}</template></span
                  >
                  {{ r.text }} <span v-if="own.has(r.id)" class="mark">{{ say('library.own') }}</span>
                </li>
              </ul>
            </div>
            <p v-if="f.watch" class="small">
              {{ say('library.no_price_in_this_model_watch', { watch: f.watch }) }}
            </p>
            <p v-if="f.caution" class="note small">{{ f.caution }}</p>
            <p class="small soft">
              {{ say('library.common_practice_no_source') }}
              <button v-if="mayWrite" class="linkish" @click="hide('fault', f.id, hidden.has(f.id))">
                {{ hidden.has(f.id) ? say('library.show_it_again') : say('library.hide_this_fault') }}
              </button>
            </p>
          </div>
        </li>
      </ul>
    </div>
  </main>
</template>

<style scoped>
.pad {
  padding: 14px 26px 40px;
  max-width: 1040px;
}
.bar {
  display: flex;
  gap: 18px;
  align-items: center;
  flex-wrap: wrap;
}
.find {
  max-width: 260px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 10px 0 0;
}
.fault {
  font: inherit;
  color: inherit;
  width: 100%;
  text-align: left;
  background: none;
  border: 0;
  border-top: 1px solid var(--line);
  padding: 8px 0;
  cursor: pointer;
  display: flex;
  gap: 6px 12px;
  flex-wrap: wrap;
  align-items: baseline;
  min-height: 44px;
}
.fault > .small {
  margin-left: auto;
}
.hidden .fault {
  opacity: 0.75;
  text-decoration: line-through;
}
.mark {
  font-size: 11px;
  border: 1px solid var(--holds);
  color: var(--holds);
  border-radius: 2px;
  padding: 0 5px;
}
.inside {
  padding: 0 0 12px 18px;
  border-left: 3px solid var(--line);
  display: grid;
  gap: 10px;
}
.cause ul {
  margin: 2px 0 0;
  display: grid;
  gap: 2px;
}
.kind {
  display: inline-block;
  min-width: 150px;
}
</style>
