<script setup lang="ts">
// The card itself: settings in finger, foot and hole terms, cues, cautions. Fits a pocket.
import { computed } from 'vue'
import type { Schemas } from '@/shared/api'
import { useUnits } from '@/shared/units'
import { dayOf, handsOn } from '@/shared/words'

const props = defineProps<{ card: Schemas['CardAnswer'] }>()
const { cm, kg } = useUnits()
const squat = computed(() => props.card.squat)
const pull = computed(() => props.card.deadlift)
/** What the lifter is told by lift: cues, and what is checked before the set. */
const told = computed(() => {
  const { cues, pull_cues, checks, pull_checks } = props.card
  const both = (title: string, squats: string[], pulls: string[]) => ({
    title,
    lifts: [
      { name: 'Squat', texts: squats },
      { name: 'Deadlift', texts: pulls },
    ].filter((lift) => lift.texts.length),
  })
  return [both('Think of', cues, pull_cues), both('Before the set', checks, pull_checks)].filter(
    (part) => part.lifts.length,
  )
})
/** How deep, as the school in force wants it. */
const depth = computed(() => {
  const below = squat.value?.crease_below_knee_m ?? 0
  const on = squat.value?.depth_school === 'box' ? ', on the box' : ''
  if (Math.abs(below) < 0.005) return `Crease of the hip level with the top of the knee${on}.`
  return `Crease of the hip ${cm(Math.abs(below))} ${below > 0 ? 'below' : 'above'} the top of the knee${on}.`
})
</script>

<template>
  <article class="card sheet" aria-label="Pocket card">
    <header>
      <p class="brand">Pavr<span class="signal">|</span>k</p>
      <p class="who">{{ card.name }}</p>
    </header>
    <p v-if="card.pain.length" class="note decide small">
      Pain flag on the {{ card.pain.join(', ') }}: loads are capped; stop at sharp, radiating or new pain.
    </p>
    <template v-if="squat">
      <h2>Squat, {{ squat.bar }}</h2>
      <p v-if="squat.stale_because.length" class="note decide small">
        Out of date: {{ squat.stale_because.join(', ') }}. Ask the coach.
      </p>
      <dl class="facts">
        <div>
          <dt>Feet</dt>
          <dd>
            {{ cm(squat.stance_m, 0) }}<small>ankle to ankle, {{ squat.stance_feet }} of your feet</small>
          </dd>
        </div>
        <div>
          <dt>Toes</dt>
          <dd>{{ squat.toe_out_deg }}°<small>out, knees follow them</small></dd>
        </div>
        <div>
          <dt>Heel</dt>
          <dd>
            {{ squat.heel_lift_m ? cm(squat.heel_lift_m) : 'flat'
            }}<small>{{ squat.heel_lift_m ? 'raised, by shoe or wedge' : 'soles, no wedge' }}</small>
          </dd>
        </div>
        <div class="wide">
          <dt>Hands</dt>
          <dd class="words">
            {{ handsOn(squat.grip_words, cm(squat.grip_m, 0)) }}<small>both hands the same</small>
          </dd>
        </div>
        <div v-for="r in squat.racks" :key="r.rack" class="wide">
          <dt>{{ r.rack }}</dt>
          <dd class="words">
            hooks {{ r.hook_hole ?? '–' }}, pins {{ r.safety_hole ?? '–'
            }}<small>{{ r.problem ?? `pins ${cm(r.safety_below_m, 0)} under the bar at the bottom` }}</small>
          </dd>
        </div>
      </dl>
      <p class="small soft">
        At the bottom the trunk leans about {{ squat.lean_deg }}°, the shins {{ squat.shank_deg }}°.
        {{ depth }} Predicted {{ kg(squat.predicted_max_kg, 0) }} when settled on
        {{ dayOf(squat.settled_at) }}.
      </p>
    </template>
    <template v-if="pull">
      <h2>Deadlift, {{ pull.style }}</h2>
      <p v-if="pull.stale_because.length" class="note decide small">
        Out of date: {{ pull.stale_because.join(', ') }}. Ask the coach.
      </p>
      <dl class="facts">
        <div>
          <dt>Feet</dt>
          <dd>
            {{ cm(pull.stance_m, 0) }}<small>ankle to ankle, {{ pull.stance_feet }} of your feet</small>
          </dd>
        </div>
        <div>
          <dt>Toes</dt>
          <dd>{{ pull.toe_out_deg }}°<small>out, knees over them</small></dd>
        </div>
        <div>
          <dt>Hips</dt>
          <dd>
            {{ cm(pull.hip_over_knee_m, 0)
            }}<small>above the knees, back {{ pull.back_deg }}° above level</small>
          </dd>
        </div>
        <div class="wide">
          <dt>Feet to bar</dt>
          <dd class="words">
            {{ pull.foot_words
            }}<small
              >{{ cm(pull.bar_from_shin_m, 0) }} in front of the ankle; the shin meets it as the hips come
              down</small
            >
          </dd>
        </div>
        <div class="wide">
          <dt>Hands</dt>
          <dd class="words">
            {{ handsOn(pull.grip_words, cm(pull.grip_m, 0)) }}
          </dd>
        </div>
      </dl>
      <p class="small soft">
        Slack first, then the floor. Predicted {{ kg(pull.predicted_max_kg, 0) }} when settled on
        {{ dayOf(pull.settled_at) }}.
      </p>
    </template>
    <template v-for="t in told" :key="t.title">
      <h2>{{ t.title }}</h2>
      <dl class="thoughts">
        <template v-for="l in t.lifts" :key="l.name"
          ><dt>{{ l.name }}</dt>
          <dd v-for="text in l.texts" :key="text">{{ text }}</dd></template
        >
      </dl>
    </template>
    <h2>Care</h2>
    <ul class="care small">
      <li v-for="c in card.cautions" :key="c">{{ c }}</li>
    </ul>
    <footer class="small soft">
      A static model, not a promise. Model {{ (squat ?? pull)?.model_version }}.
    </footer>
  </article>
</template>

<style scoped>
.card {
  max-width: 440px;
  margin: 22px auto;
  padding: 20px 24px;
  display: grid;
  gap: 12px;
}
header {
  display: flex;
  justify-content: space-between;
  gap: 16px;
  border-bottom: 1px dashed var(--body-line);
  padding-bottom: 8px;
  align-items: baseline;
}
.brand {
  font-weight: 800;
  font-size: 19px;
}
.who {
  font-weight: 700;
  text-align: right;
  overflow-wrap: anywhere;
}
.facts {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 10px 16px;
  margin: 0;
}
.facts div {
  border-top: 1px solid var(--ink);
  padding-top: 3px;
}
.facts .wide {
  grid-column: 1 / -1;
}
dt {
  font-size: 12px;
  color: var(--soft);
}
dd {
  margin: 0;
  font-size: 28px;
  font-weight: 700;
  line-height: 1.15;
}
dd.words {
  font-size: 19px;
}
dd small {
  display: block;
  font-size: 12px;
  font-weight: 400;
  color: var(--soft);
  line-height: 1.3;
}
.thoughts {
  margin: 0;
}
.thoughts dd {
  font-size: 14px;
  font-weight: 400;
}
.care {
  margin: 0;
  padding-left: 18px;
}
@media print {
  .card {
    margin: 0;
    border: 0;
    max-width: 110mm;
  }
}
@media (max-width: 500px) {
  .card {
    margin: 0;
    border: 0;
    padding: 16px;
  }
}
</style>
