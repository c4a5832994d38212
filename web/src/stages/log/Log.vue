<script setup lang="ts">
// The platform: one lifter or a group in turn, next set with its plates, rep by rep, offline too.
import { say } from '@/words'
import { onKeyStroke } from '@vueuse/core'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import OneOf from '@/shared/OneOf.vue'
import StageHead from '@/shared/StageHead.vue'
import Waiting from '@/shared/Waiting.vue'
import { useSession } from '@/shared/session'
import { isTyping } from '@/shared/keys'
import { LIFT_CHOICE } from '@/shared/words'
import LifterSet from './LifterSet.vue'
import SyncState from './SyncState.vue'
import type { Lift } from './draft'
import { usePlatform } from './usePlatform'

const props = defineProps<{ lifterId?: string; lifterIds?: string[] }>()
const ids = computed(() => props.lifterIds ?? (props.lifterId ? [props.lifterId] : []))
const lift = ref<Lift>('squat')
const { session, catalogue, setsOf, outbox } = usePlatform(ids, lift)
const { mayWrite } = useSession()
const lifters = computed(() => session.data.value?.lifters ?? [])
const open = ref(props.lifterIds ? '' : (ids.value[0] ?? ''))
/** The day's plan says which lift it is, until the coach chooses one. */
const followed = ref(false)
watch(lifters, (now) => {
  if (!followed.value && now.length) {
    followed.value = true
    const lifts = now[0]?.lifts ?? []
    const planned = lifts.find((l) => l.planned.length)
    if (planned && !lifts.some((l) => l.lift === lift.value && l.planned.length)) lift.value = planned.lift
  }

  const [first] = now
  if (first && !now.some((one) => one.lifter_id === open.value)) open.value = first.lifter_id
})
const current = computed(() => lifters.value.find((one) => one.lifter_id === open.value) ?? lifters.value[0])
const group = computed(() => lifters.value.length > 1)
const router = useRouter()
const mended = ref(0)
/** A refused set comes back into the fields it was entered in. */
async function mend(lifterId: string) {
  if (!lifters.value.some((one) => one.lifter_id === lifterId)) {
    await router.push({ name: 'log', params: { lifterId } })
    return
  }
  open.value = lifterId
  mended.value += 1
}
const panel = ref<InstanceType<typeof LifterSet> | null>(null)

function inTurn(step = 1) {
  const at = lifters.value.findIndex((one) => one.lifter_id === open.value)
  const next = lifters.value[(at + step + lifters.value.length) % lifters.value.length]
  if (next) open.value = next.lifter_id
}
async function kept() {
  if (group.value) {
    inTurn()
    await nextTick()
  }
}
const lastOf = (one: (typeof lifters.value)[number]) => setsOf(one)[0]
const nextLoad = (one: (typeof lifters.value)[number]) =>
  one.lifts.find((l) => l.lift === lift.value)?.next.load_kg

onKeyStroke((event) => {
  const { target } = event
  const ticks = target instanceof HTMLInputElement && target.type === 'checkbox'
  if (isTyping(event) && !ticks) return
  if (document.querySelector('.v-overlay--active')) return
  const presses = target instanceof HTMLElement && ['BUTTON', 'A', 'SUMMARY'].includes(target.tagName)
  if (presses && ['Enter', ' '].includes(event.key)) return
  if (event.key === 'n' && group.value) inTurn()
  else if (!panel.value?.press(event.key)) return
  event.preventDefault()
})
onMounted(() => void outbox.drain())

function askAgain() {
  void session.refetch()
  void catalogue.refetch()
}
const heading = computed(() => {
  const one = current.value
  if (!one) return say('log.the_platform')
  const ofLift = one.lifts.find((l) => l.lift === lift.value)
  if (ofLift?.planned.find((line) => line.done < line.sets)?.until_rpe)
    return say('log.the_way_up_fives_until_one')
  const next = ofLift?.next
  return next?.load_kg
    ? `${next.prescribed ? say('log.next') : say('log.proposed')}: ${next.sets} × ${next.reps} @ ${next.rpe}`
    : say('log.log_a_set')
})
</script>

<template>
  <main>
    <StageHead :over="current?.name ?? ''" :answer="heading">
      <OneOf v-model="lift" :label="say('log.lift')" :options="LIFT_CHOICE" />
    </StageHead>
    <Waiting
      v-if="!session.data.value || !catalogue.data.value"
      :error="session.error.value ?? catalogue.error.value"
      :what="say('log.the_platform')"
      @again="askAgain"
    />
    <template v-else>
      <nav v-if="group" class="turns" :aria-label="say('log.turns')">
        <button
          v-for="(one, i) in lifters"
          :key="one.lifter_id"
          :class="{ on: one.lifter_id === open }"
          :aria-current="one.lifter_id === open"
          @click="open = one.lifter_id"
        >
          <span class="small soft">{{ i + 1 }}</span> <b>{{ one.name }}</b>
          <span class="small soft"
            >{{ nextLoad(one) ? `${nextLoad(one)} kg` : '–'
            }}<template v-if="lastOf(one)?.waiting">{{ ' ' }}{{ say('log.waiting') }}</template></span
          >
        </button>
      </nav>
      <LifterSet
        v-if="current"
        ref="panel"
        :key="`${current.lifter_id}/${mended}`"
        :lift="lift"
        :one="current"
        :sets="setsOf(current)"
        :catalogue="catalogue.data.value"
        :gym="session.data.value.gym"
        :bars="session.data.value.bars"
        :racks="session.data.value.racks"
        :variations="session.data.value.variations"
        :may-write="mayWrite"
        @lift="lift = $event"
        @kept="kept"
      >
        <SyncState @mend="mend" />
      </LifterSet>
    </template>
  </main>
</template>

<style scoped>
.turns button {
  font: inherit;
  color: inherit;
  background: var(--sheet);
  border: 1px solid var(--line);
  min-height: 40px;
  padding: 4px 14px;
  cursor: pointer;
}
.on {
  background: var(--ink) !important;
  color: var(--paper) !important;
}
.on .soft {
  color: inherit;
}
.turns {
  display: flex;
  gap: 6px;
  overflow-x: auto;
  padding: 10px 26px;
  border-bottom: 1px solid var(--line);
}
.turns button {
  display: flex;
  gap: 8px;
  align-items: center;
  border-radius: 3px;
  text-align: left;
  min-height: 48px;
  white-space: nowrap;
  max-width: 260px;
  flex: none;
}
.turns button b {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
}
.turns button span {
  flex: none;
}
@media (max-width: 900px) {
  .turns {
    padding: 8px 14px;
  }
}
</style>
