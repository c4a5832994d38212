<script setup lang="ts">
// The squat from the side; bar and heel can be moved.
import { say } from '@/words'
import { computed } from 'vue'
import FigureHandle from '@/figure/FigureHandle.vue'
import SideFrame from '@/figure/SideFrame.vue'
import type { Pose } from '@/figure/pose'
import { spot, type BodySizes } from '@/figure/shapes'
import { useUnits } from '@/shared/units'
import type { Part, SquatSetup } from '../liftPage'
import { UPWARD, higherBar } from './squatPage'

const props = defineProps<{
  pose: Pose
  sizes: BodySizes
  live: SquatSetup
  barName: string
  ghosts: { pose: Pose; name: string }[]
  barPath: { x: number; z: number }[]
  infeasible: boolean
}>()
const emit = defineEmits<{ begin: []; move: [axis: string, by: number]; change: [part: Part] }>()
const { lengthOf, cm } = useUnits()
const BOX = { x: -78, y: -132, w: 156, h: 152 }
const BAR_STEP_CM = 6

const at = computed(() => ({
  hip: spot(props.pose.points.hip),
  knee: spot(props.pose.points.knee),
  bar: spot(props.pose.points.bar),
  shoulder: spot(props.pose.points.shoulder),
}))
const heelM = computed(() => props.live.heel_lift_m ?? 0)
const degreesOf = (name: string) => (props.pose.angles[name] ?? 0).toFixed(0)
const dimensions = computed(() => [
  {
    id: 'hip',
    x: at.value.hip.x,
    top: at.value.hip.y,
    y: 4,
    text: say('setup.hip', { hip: lengthOf(props.pose.arms.hip) }),
  },
  {
    id: 'knee',
    x: at.value.knee.x,
    top: at.value.knee.y,
    y: 4,
    text: say('setup.knee', { knee: lengthOf(props.pose.arms.knee) }),
  },
])
/** Back parallel to shin is the check that coaches use for the high bar. */
const offShin = computed(() =>
  Math.abs((props.pose.angles.trunk_lean ?? 0) - (props.pose.angles.shank ?? 0)).toFixed(0),
)
const marks = computed(() => [
  {
    x: at.value.hip.x - 6,
    y: (at.value.hip.y + at.value.shoulder.y) / 2 - 9,
    text: say('setup.lean_degrees_of', { degreesOf: degreesOf('trunk_lean') }),
    end: true,
  },
  {
    x: at.value.knee.x + 7,
    y: at.value.knee.y * 0.62,
    text: say('setup.shin_degrees_of', { degreesOf: degreesOf('shank') }),
  },
  ...(props.live.bar_position === 'high'
    ? [
        {
          x: at.value.hip.x - 6,
          y: at.value.hip.y - 14,
          text: say('setup.back_off_the_shin', { offShin: offShin.value }),
          end: true,
        },
      ]
    : []),
])
const words = computed(
  () =>
    say('setup.squat_from_the_side_trunk_leans', {
      barName: props.barName,
      degreesOf: degreesOf('trunk_lean'),
      degreesOf2: degreesOf('shank'),
    }) +
    ' ' +
    say('setup.moment_arm_of_the_hip_of_the_knee', {
      hip: cm(props.pose.arms.hip),
      knee: cm(props.pose.arms.knee),
    }),
)
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
  >
    <template #under>
      <path
        v-if="heelM > 0"
        :d="`M${-sizes.foot * 50} 0 v${-heelM * 100} L${sizes.foot * 22} 0 Z`"
        class="wedge"
      />
    </template>
    <template #handles>
      <FigureHandle
        name="Bar on the back"
        :text="barName"
        :x="at.bar.x"
        :y="at.bar.y"
        :r="6.5"
        axis="y"
        :step-units="BAR_STEP_CM"
        :low="0"
        :high="UPWARD.length - 1"
        :now="UPWARD.indexOf(live.bar_position)"
        @begin="emit('begin')"
        @move="emit('change', higherBar(live, -$event))"
      />
      <FigureHandle
        name="Heel"
        :text="say('setup.raised_heel_m', { heelM: cm(heelM) })"
        :x="-sizes.foot * 46"
        :y="-heelM * 100 - 2.5"
        :r="4.5"
        axis="y"
        :step-units="1"
        :low="0"
        :high="3"
        :now="heelM * 100"
        @begin="emit('begin')"
        @move="emit('move', 'heel_lift_m', -$event * 0.01)"
      />
    </template>
  </SideFrame>
</template>

<style scoped>
.wedge {
  fill: var(--ink);
  opacity: 0.8;
}
</style>
