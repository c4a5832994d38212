<script setup lang="ts">
// Shapes of a season: the shipped ones to read, one's own to write; what it comes to stands above.
import { say } from '@/words'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { onBeforeRouteLeave, onBeforeRouteUpdate, useRoute, useRouter } from 'vue-router'
import StageHead from '@/shared/StageHead.vue'
import Waiting from '@/shared/Waiting.vue'
import { answered, client, once, type Schemas } from '@/shared/api'
import { shapesQuery } from '@/shared/queries'
import { useSession } from '@/shared/session'
import { useProblem } from '@/shared/useProblem'
import MadeUpLifters from './MadeUpLifters.vue'
import SeasonOutline from './SeasonOutline.vue'
import ShapeDays from './ShapeDays.vue'
import ShapeTable from './ShapeTable.vue'
import { copyOf, ownId, type ShapeText } from './shape'

const { mayWrite } = useSession()
const queries = useQueryClient()
const route = useRoute()
const router = useRouter()
const shapes = useQuery(shapesQuery)
const all = computed(() => shapes.data.value ?? [])
const chosen = computed(() => all.value.find((s) => s.id === route.params.shapeId) ?? all.value[0] ?? null)
/** A draft of one's own, or null while a shape is only read. */
const draft = ref<ShapeText | null>(null)
const draftOf = ref<string | null>(null)
watch(
  chosen,
  (now, before) => {
    if (now?.id === before?.id) return
    draft.value = now?.own && mayWrite.value ? copyOf(now.text) : null
    draftOf.value = now?.own ? now.id : null
  },
  { immediate: true },
)
const text = computed({
  get: () => draft.value ?? chosen.value?.text ?? null,
  set: (now) => (draft.value = now),
})
const fixed = computed(() => draft.value === null)
/** A draft that nobody has kept yet. */
const isNew = computed(() => draft.value !== null && draftOf.value === null)
const changed = computed(
  () =>
    draft.value !== null &&
    (isNew.value || JSON.stringify(draft.value) !== JSON.stringify(chosen.value?.text)),
)
const REST_MS = 160
const rested = refDebounced(text, REST_MS)
const look = useQuery({
  queryKey: ['shape-look', rested],
  enabled: () => rested.value !== null,
  placeholderData: (previous: Schemas['ShapeLook'] | undefined) => previous,
  queryFn: () => answered(client.POST('/api/shapes/look', { body: rested.value as ShapeText })),
})
const seen = computed(() => look.data.value ?? null)
const weeks = ref<Schemas['OutlinedWeek'][]>([])
watch(seen, (now) => {
  if (now?.outline.length) weeks.value = now.outline
})
const { message, busy, run, of } = useProblem()
const refusedLook = computed(() => look.error.value?.message ?? '')

function own() {
  if (!chosen.value) return
  draft.value = { ...copyOf(chosen.value.text), name: say('shapes.name_ours', { name: chosen.value.name }) }
  draftOf.value = null
}
function forget() {
  draft.value = chosen.value?.own ? copyOf(chosen.value.text) : null
  draftOf.value = chosen.value?.own ? chosen.value.id : null
}
async function sayShape(entry: { ident: string; body: Schemas['ShapeBody'] | null; hidden: boolean }) {
  const kept = await run(() =>
    answered(
      client.POST('/api/library/own', {
        params: once(),
        body: { format: 'pavrik-library', version: 1, entries: [{ kind: 'shape', ...entry }] },
      }),
    ),
  )
  if (kept) await queries.invalidateQueries({ queryKey: ['shapes'] })
  return Boolean(kept)
}
async function keep() {
  const body = seen.value?.body
  if (!body || !draft.value) return
  const ident = draftOf.value ?? ownId(draft.value.name, new Set(all.value.map((s) => s.id)))
  if (!(await sayShape({ ident, body, hidden: false }))) return
  forget()
  await router.replace({ name: 'shapes', params: { shapeId: ident } })
}
async function hide() {
  const shape = chosen.value
  if (!shape) return
  const body = shape.own ? (seen.value?.body ?? null) : null
  await sayShape({ ident: shape.id, body, hidden: !shape.hidden })
}
const LEAVE = say('shapes.the_draft_of_this_shape_is')
const mayGo = () => !changed.value || window.confirm(LEAVE)
onBeforeRouteLeave(mayGo)
onBeforeRouteUpdate(mayGo)
const whole = computed(() => (seen.value?.problems ?? []).filter((p) => !p.where))
const set = (change: Partial<ShapeText>) => {
  if (text.value) text.value = { ...text.value, ...change }
}
const value = (event: Event) => (event.target as HTMLInputElement).value
const EVERY = [0, 2, 3, 4, 5, 6, 7, 8]
</script>

<template>
  <main>
    <StageHead
      :over="say('shapes.shapes_of_a_season')"
      :answer="
        chosen
          ? `${draft?.name ?? chosen.name}: ${draft?.words ?? chosen.words}`
          : say('shapes.what_a_week_asks')
      "
    >
      <template v-if="mayWrite && chosen">
        <template v-if="draft">
          <v-btn :disabled="busy || !changed || !seen?.body" variant="flat" @click="keep">{{
            say('shapes.keep')
          }}</v-btn>
          <v-btn :disabled="!changed" @click="forget">{{
            draftOf ? say('shapes.as_it_was') : say('shapes.not_now')
          }}</v-btn>
        </template>
        <v-btn v-if="!draft || draftOf" :disabled="changed" @click="own">{{
          chosen.own ? say('shapes.make_another_of_it') : say('shapes.make_it_our_own')
        }}</v-btn>
        <v-btn v-if="!changed" class="quiet" :disabled="busy" @click="hide">{{
          chosen.hidden ? say('shapes.offer_it_again') : say('shapes.hide_it')
        }}</v-btn>
      </template>
    </StageHead>
    <Waiting
      v-if="!chosen"
      :error="shapes.error.value"
      :what="say('shapes.the_shapes')"
      @again="shapes.refetch()"
    />
    <div v-else class="pad">
      <nav :aria-label="say('shapes.shapes')">
        <RouterLink
          v-for="s in all"
          :key="s.id"
          :to="{ name: 'shapes', params: { shapeId: s.id } }"
          :class="{ on: s.id === chosen.id && !isNew, hidden: s.hidden }"
          :aria-current="s.id === chosen.id && !isNew ? 'page' : undefined"
        >
          {{ s.name }}<span v-if="s.own" class="mark">{{ say('shapes.own') }}</span
          ><span v-if="s.hidden" class="mark">{{ say('shapes.hidden') }}</span>
        </RouterLink>
        <b v-if="isNew" class="on" aria-current="page"
          >{{ draft?.name }}<span class="mark">{{ say('shapes.new') }}</span></b
        >
      </nav>
      <div v-if="text" class="one">
        <p v-if="message || refusedLook" class="signal" role="alert">{{ message || refusedLook }}</p>
        <SeasonOutline :weeks="weeks" />
        <ul v-if="whole.length" class="signal" role="alert">
          <li v-for="p in whole" :key="p.words" class="first">{{ p.words }}</li>
        </ul>
        <section v-if="seen?.remarks.length" class="note decide" aria-live="polite">
          <h2>{{ say('shapes.what_a_coach_would_ask') }}</h2>
          <ul>
            <li v-for="r in seen.remarks" :key="r" class="first">{{ r }}</li>
          </ul>
        </section>
        <div v-if="draft" class="fields">
          <label
            >{{ say('shapes.name')
            }}<input class="plain" :value="text.name" maxlength="40" @input="set({ name: value($event) })" />
            <span v-if="of('name').length" class="signal small">{{ of('name')[0] }}</span></label
          >
          <label class="wide"
            >{{ say('shapes.in_a_few_words')
            }}<input class="plain" :value="text.words" maxlength="160" @input="set({ words: value($event) })"
          /></label>
          <label
            >{{ say('shapes.a_light_week')
            }}<select :value="text.light_every" @change="set({ light_every: Number(value($event)) })">
              <option v-for="n in EVERY" :key="n" :value="n">
                {{ n ? say('shapes.every_weeks', { n }) : say('shapes.only_where_the_signs_say_so') }}
              </option>
            </select></label
          >
          <label
            >{{ say('shapes.main_lift')
            }}<select :value="text.rotates_weeks" @change="set({ rotates_weeks: Number(value($event)) })">
              <option v-for="n in 5" :key="n" :value="n - 1">
                {{
                  n === 1
                    ? say('shapes.the_competition_lift')
                    : say('shapes.another_variation_every', {
                        week: n === 2 ? say('shapes.week') : say('shapes.n_weeks', { n: n - 1 }),
                      })
                }}
              </option>
            </select></label
          >
        </div>
        <p v-else class="small soft">
          {{
            say('shapes.common_practice_no_source', {
              words: text.light_every
                ? say('shapes.a_light_week_every_weeks', { light_every: text.light_every })
                : say('shapes.light_weeks_where_the_signs_say'),
              another: text.rotates_weeks
                ? say('shapes.another_main_variation_every_weeks', { rotates_weeks: text.rotates_weeks })
                : '',
            })
          }}
        </p>
        <p v-if="draft" class="small soft">
          {{ say('shapes.write_it_like') }} <b>1 x 1 @ 7.5; 4 x 3 @ 8</b>{{ say('shapes.or') }}
          <b>{{ say('shapes.n_2_x_4_at_68') }}</b>{{ say('shapes.the_last_week_of_a_block') }}
        </p>
        <ShapeTable v-model="text" :problems="seen?.problems ?? []" :fixed="fixed" />
        <div class="below">
          <ShapeDays v-model="text" :fixed="fixed" />
          <MadeUpLifters v-if="seen?.body" :body="seen.body" />
        </div>
      </div>
    </div>
  </main>
</template>

<style scoped>
.pad {
  display: grid;
  gap: 14px;
  padding: 6px 26px 40px;
  max-width: 1240px;
}
nav {
  display: flex;
  overflow-x: auto;
  border-bottom: 1px solid var(--line);
}
nav a,
nav b {
  text-decoration: none;
  border-bottom: 3px solid transparent;
  padding: 8px 12px;
  min-height: 40px;
  white-space: nowrap;
}
nav .on {
  border-bottom-color: var(--signal);
  font-weight: 700;
}
nav .hidden {
  color: var(--soft);
}
.mark {
  font-size: 11px;
  font-weight: 400;
  border: 1px solid var(--holds);
  color: var(--holds);
  border-radius: 2px;
  padding: 0 5px;
  margin-left: 6px;
}
.one {
  display: grid;
  gap: 14px;
}
ul {
  margin: 4px 0 0;
  padding-left: 18px;
}
.fields {
  display: flex;
  gap: 14px;
  flex-wrap: wrap;
}
.fields label {
  display: flex;
  flex-direction: column;
  font-size: 12px;
  color: var(--soft);
}
.fields input,
.fields select {
  height: 40px;
  padding: 4px 10px;
  font-size: 14px;
}
.fields .wide {
  flex: 1 1 260px;
}
.below {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 30px;
}
@media (max-width: 900px) {
  .pad {
    padding: 6px 14px 40px;
  }
  .below {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
