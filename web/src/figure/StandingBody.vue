<script setup lang="ts">
// The lifter standing, from the front, in own proportions; segments can be picked.
import { say } from '@/words'
import { computed } from 'vue'
import { limb } from './shapes'

const props = defineProps<{ segments: Record<string, number>; picked: string; measured: string[] }>()
const emit = defineEmits<{ pick: [segment: string] }>()

const s = computed(() => {
  const cm = (name: string) => (props.segments[name] ?? 0.1) * 100
  const ankle = -cm('ankle_height_m')
  const knee = ankle - cm('shank_m')
  const hip = knee - cm('thigh_m')
  const shoulder = hip - cm('trunk_m')
  const halfHip = cm('hip_spacing_m') / 2
  const halfShoulder = cm('shoulder_spacing_m') / 2
  const elbow = { x: halfShoulder + 5, y: shoulder + cm('upper_arm_m') }
  const wrist = { x: elbow.x + 2, y: elbow.y + cm('forearm_m') }
  const hand = { x: wrist.x + 0.5, y: wrist.y + cm('grip_m') }
  const foot = { x: halfHip + 3, y: -2 }
  const top = Math.min(-(props.segments.stature_m ?? 1.75) * 100, shoulder - 16)
  return { ankle, knee, hip, shoulder, halfHip, halfShoulder, elbow, wrist, hand, foot, top }
})
const parts = computed(() => {
  const b = s.value
  const both = (draw: (side: 1 | -1) => string) => [draw(1), draw(-1)]
  const at = (side: number, x: number, y: number) => ({ x: side * x, y })
  return [
    {
      id: 'trunk_m',
      paths: [limb({ x: 0, y: b.hip }, 13, { x: 0, y: b.shoulder + 8 }, 15)],
      from: b.hip,
      to: b.shoulder,
      x: -b.halfShoulder - 22,
    },
    {
      id: 'thigh_m',
      paths: both((d) => limb(at(d, b.halfHip, b.hip), 8.6, at(d, b.halfHip + 1, b.knee), 5.6)),
      from: b.knee,
      to: b.hip,
      x: -b.halfHip - 17,
    },
    {
      id: 'shank_m',
      paths: both((d) => limb(at(d, b.halfHip + 1, b.knee), 5.4, at(d, b.halfHip + 2, b.ankle), 3.6)),
      from: b.ankle,
      to: b.knee,
      x: -b.halfHip - 17,
    },
    {
      id: 'ankle_height_m',
      paths: both((d) => limb(at(d, b.halfHip + 2, b.ankle), 3.4, at(d, b.halfHip + 2.2, -3), 3)),
      from: 0,
      to: b.ankle,
      x: -b.halfHip - 17,
    },
    {
      id: 'foot_m',
      paths: both((d) => limb(at(d, b.halfHip + 2, -2.4), 3.2, at(d, b.halfHip + 5, -2), 3)),
      from: 0,
      to: 0,
      x: 0,
    },
    {
      id: 'upper_arm_m',
      paths: both((d) => limb(at(d, b.halfShoulder, b.shoulder), 5, at(d, b.elbow.x, b.elbow.y), 3.8)),
      from: b.elbow.y,
      to: b.shoulder,
      x: b.halfShoulder + 20,
    },
    {
      id: 'forearm_m',
      paths: both((d) => limb(at(d, b.elbow.x, b.elbow.y), 3.6, at(d, b.wrist.x, b.wrist.y), 2.8)),
      from: b.wrist.y,
      to: b.elbow.y,
      x: b.halfShoulder + 20,
    },
    {
      id: 'grip_m',
      paths: both((d) => limb(at(d, b.wrist.x, b.wrist.y), 2.8, at(d, b.hand.x, b.hand.y), 3.2)),
      from: b.hand.y,
      to: b.wrist.y,
      x: b.halfShoulder + 20,
    },
  ]
})
const picked = computed(() => parts.value.find((p) => p.id === props.picked && p.from !== p.to))
const across = computed(() => {
  if (props.picked === 'shoulder_spacing_m') return { half: s.value.halfShoulder, y: s.value.shoulder }
  if (props.picked === 'hip_spacing_m') return { half: s.value.halfHip, y: s.value.hip }
  return null
})
const cm = (name: string) => `${((props.segments[name] ?? 0) * 100).toFixed(1)} cm`
</script>

<template>
  <svg
    class="standing"
    :viewBox="`-62 ${s.top - 6} 124 ${-s.top + 16}`"
    role="group"
    :aria-label="say('figure.the_lifter_standing_to_own_proportions')"
  >
    <line x1="-60" x2="60" y1="0" y2="0" class="floor" />
    <line x1="0" x2="0" :y1="s.top - 4" y2="6" class="plumb" />
    <ellipse
      cx="0"
      :cy="(s.top + s.shoulder) / 2 - 1.5"
      rx="8"
      :ry="Math.max(6, (s.shoulder - s.top) / 2 - 4)"
      class="part"
    />
    <g
      v-for="part in parts"
      :key="part.id"
      :class="{ on: part.id === picked?.id, done: measured.includes(part.id) }"
      @click="emit('pick', part.id)"
    >
      <path v-for="(d, i) in part.paths" :key="i" :d="d" class="part" />
    </g>
    <g v-if="picked" class="dim">
      <line :x1="picked.x" :x2="picked.x" :y1="picked.from" :y2="picked.to" />
      <line :x1="picked.x - 2" :x2="picked.x + 2" :y1="picked.from" :y2="picked.from" />
      <line :x1="picked.x - 2" :x2="picked.x + 2" :y1="picked.to" :y2="picked.to" />
      <text
        :x="picked.x + (picked.x < 0 ? -2.5 : 2.5)"
        :y="(picked.from + picked.to) / 2 + 1.5"
        :text-anchor="picked.x < 0 ? 'end' : 'start'"
      >
        {{ cm(picked.id) }}
      </text>
    </g>
    <g v-if="across" class="dim">
      <line :x1="-across.half" :x2="across.half" :y1="across.y" :y2="across.y" />
      <line
        v-for="d in [-1, 1]"
        :key="d"
        :x1="d * across.half"
        :x2="d * across.half"
        :y1="across.y - 2"
        :y2="across.y + 2"
      />
      <text x="0" :y="across.y - 3" text-anchor="middle">{{ cm(props.picked) }}</text>
    </g>
  </svg>
</template>

<style scoped>
.standing {
  width: 100%;
  max-height: calc(100vh - 120px);
  display: block;
}
.floor {
  stroke: var(--ink);
  stroke-width: 0.6;
}
.plumb {
  stroke: var(--ink);
  stroke-width: 0.4;
  stroke-dasharray: 3 1.2 0.8 1.2;
  opacity: 0.6;
}
.part {
  fill: var(--hair);
  stroke: var(--body-line);
  stroke-width: 0.5;
  stroke-dasharray: 1.6 1.2;
  cursor: pointer;
}
.done .part {
  fill: var(--body);
  stroke-dasharray: none;
}
.on .part {
  stroke: var(--signal);
  stroke-width: 0.9;
}
.dim line {
  stroke: var(--signal);
  stroke-width: 0.6;
}
.dim text {
  fill: var(--signal);
  font-size: 4.6px;
  font-weight: 700;
}
</style>
