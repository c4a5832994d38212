<script setup lang="ts">
// The start of a pull from the side; feet to bar, shoulders and hips can be moved.
import { say } from '@/words'
import { computed } from 'vue'
import FigureHandle from '@/figure/FigureHandle.vue'
import SideFrame from '@/figure/SideFrame.vue'
import type { Pose } from '@/figure/pose'
import { spot, type BodySizes } from '@/figure/shapes'
import { useUnits } from '@/shared/units'
import type { DeadliftSetup } from '../liftPage'
import { shoulderWords } from './shoulders'

const props = defineProps<{
  pose: Pose
  sizes: BodySizes
  live: DeadliftSetup
  barName: string
  ghosts: { pose: Pose; name: string }[]
  barPath: { x: number; z: number }[]
  infeasible: boolean
}>()
const emit = defineEmits<{ begin: []; move: [axis: string, by: number] }>()
const { lengthOf, cm } = useUnits()
const BOX = { x: -88, y: -128, w: 168, h: 150 }
const HIP_STEP_CM = 1.6

const at = computed(() => ({
  hip: spot(props.pose.points.hip),
  knee: spot(props.pose.points.knee),
  bar: spot(props.pose.points.bar),
  shoulder: spot(props.pose.points.shoulder),
}))
const offset = computed(() => props.live.bar_offset_m ?? 0)
const shoulder = computed(() => props.live.shoulder_offset_m ?? 0)
const hipOverKnee = computed(() => props.pose.points.hip.z - props.pose.points.knee.z)
const back = computed(() => (90 - (props.pose.angles.trunk_lean ?? 0)).toFixed(0))
const shin = computed(() => (props.pose.angles.shank ?? 0).toFixed(0))
const dimensions = computed(() => [
  {
    id: 'hip',
    x: at.value.hip.x,
    top: at.value.hip.y,
    y: 5,
    text: say('setup.hip', { hip: lengthOf(props.pose.arms.hip) }),
  },
  {
    id: 'knee',
    x: at.value.knee.x,
    top: at.value.knee.y,
    y: 12,
    text: say('setup.knee', { knee: lengthOf(props.pose.arms.knee) }),
  },
])
const marks = computed(() => [
  {
    x: at.value.hip.x - 4,
    y: (at.value.hip.y + at.value.shoulder.y) / 2 - 10,
    text: say('setup.back', { back: back.value }),
    end: true,
  },
  { x: at.value.knee.x + 8, y: at.value.knee.y * 0.55, text: say('setup.shin_shin', { shin: shin.value }) },
  {
    x: at.value.bar.x - 3,
    y: at.value.shoulder.y - 12,
    text: shoulderWords(shoulder.value, (v) => lengthOf(v)),
    end: true,
  },
])
const words = computed(
  () =>
    say('setup.start_from_the_side_back_degrees', {
      barName: props.barName,
      back: back.value,
      shin: shin.value,
    }) +
    ' ' +
    say('setup.moment_arm_of_the_hip_of', {
      hip: cm(props.pose.arms.hip),
      knee: cm(props.pose.arms.knee),
      offset: cm(offset.value),
    }),
)
const move = (axis: string, by: number) => emit('move', axis, by)
</script>

<template>
  <SideFrame
    :box="BOX"
    :pose="pose"
    :sizes="sizes"
    :toe-out-deg="live.toe_out_deg"
    :ghosts="ghosts"
    :bar-path="barPath"
    :dimensions="dimensions"
    :marks="marks"
    :words="words"
    :verdict="infeasible ? say('setup.cannot_be_held') : ''"
    hanging
  >
    <template #under
      ><line :x1="at.bar.x" :x2="at.bar.x" :y1="at.shoulder.y - 8" :y2="at.bar.y" class="over-bar"
    /></template>
    <template #handles>
      <FigureHandle
        name="Feet to bar"
        :text="say('setup.bar_in_front_of_mid_foot', { offset: cm(offset) })"
        :x="sizes.foot * 10"
        :y="-3"
        :r="6"
        axis="x"
        :step-units="1"
        :low="-3"
        :high="10"
        :now="Math.round(offset * 100)"
        @begin="emit('begin')"
        @move="move('bar_offset_m', -$event * 0.01)"
      />
      <FigureHandle
        name="Shoulders over the bar"
        :text="say('setup.shoulder_in_front_of_the_bar', { shoulder: cm(shoulder) })"
        :x="at.shoulder.x"
        :y="at.shoulder.y"
        :r="6"
        axis="x"
        :step-units="1"
        :low="-8"
        :high="10"
        :now="Math.round(shoulder * 100)"
        @begin="emit('begin')"
        @move="move('shoulder_offset_m', $event * 0.01)"
      />
      <FigureHandle
        name="Hips, up or down"
        :text="say('setup.above_the_knees', { hipOverKnee: cm(hipOverKnee) })"
        :x="at.hip.x"
        :y="at.hip.y"
        :r="6.5"
        axis="y"
        :step-units="HIP_STEP_CM"
        :low="-20"
        :high="40"
        :now="Math.round(hipOverKnee * 100)"
        @begin="emit('begin')"
        @move="move('shoulder_offset_m', -$event * 0.01)"
      />
    </template>
  </SideFrame>
</template>

<style scoped>
.over-bar {
  stroke: var(--signal);
  stroke-width: 0.25;
  stroke-dasharray: 1.2 1.2;
}
</style>
