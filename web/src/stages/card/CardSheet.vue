<script setup lang="ts">
// The card itself: settings in finger, foot and hole terms, cues, cautions. Fits a pocket.
import { say } from '@/words'
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
      { name: say('card.squat'), texts: squats },
      { name: say('card.deadlift'), texts: pulls },
    ].filter((lift) => lift.texts.length),
  })
  return [
    both(say('card.think_of'), cues, pull_cues),
    both(say('card.before_the_set'), checks, pull_checks),
  ].filter((part) => part.lifts.length)
})
/** How deep, as the school in force wants it. */
const depth = computed(() => {
  const below = squat.value?.crease_below_knee_m ?? 0
  const on = squat.value?.depth_school === 'box' ? say('card.on_the_box') : ''
  if (Math.abs(below) < 0.005) return say('card.crease_of_the_hip_level_with', { on })
  return say(below > 0 ? 'card.crease_below_the_knee' : 'card.crease_above_the_knee', {
    by: cm(Math.abs(below)),
    on,
  })
})
</script>

<template>
  <article class="card sheet" :aria-label="say('card.pocket_card')">
    <header>
      <p class="brand" translate="no">Pavr<span class="signal">|</span>k</p>
      <p class="who">{{ card.name }}</p>
    </header>
    <p v-if="card.pain.length" class="note decide small">
      {{ say('card.pain_flag_on_the_loads_are', { pain: card.pain.join(', ') }) }}
    </p>
    <template v-if="squat">
      <h2>{{ say('card.squat_bar', { bar: squat.bar }) }}</h2>
      <p v-if="squat.stale_because.length" class="note decide small">
        {{ say('card.out_of_date_ask_the_coach', { stale_because: squat.stale_because.join(', ') }) }}
      </p>
      <dl class="facts">
        <div>
          <dt>{{ say('card.feet') }}</dt>
          <dd>
            {{ cm(squat.stance_m, 0)
            }}<small>{{ say('card.ankle_to_ankle_of_your_feet', { stance_feet: squat.stance_feet }) }}</small>
          </dd>
        </div>
        <div>
          <dt>{{ say('card.toes') }}</dt>
          <dd>
            {{ squat.toe_out_deg }}°<small>{{ say('card.out_knees_follow_them') }}</small>
          </dd>
        </div>
        <div>
          <dt>{{ say('card.heel') }}</dt>
          <dd>
            {{ squat.heel_lift_m ? cm(squat.heel_lift_m) : say('card.flat')
            }}<small>{{
              squat.heel_lift_m ? say('card.raised_by_shoe_or_wedge') : say('card.soles_no_wedge')
            }}</small>
          </dd>
        </div>
        <div class="wide">
          <dt>{{ say('card.hands') }}</dt>
          <dd class="words">
            {{ handsOn(squat.grip_words, cm(squat.grip_m, 0))
            }}<small>{{ say('card.both_hands_the_same') }}</small>
          </dd>
        </div>
        <div v-for="r in squat.racks" :key="r.rack" class="wide">
          <dt>{{ r.rack }}</dt>
          <dd class="words">
            {{ say('card.hooks_pins', { hook_hole: r.hook_hole ?? '–', safety_hole: r.safety_hole ?? '–' })
            }}<small>{{
              r.problem ?? say('card.pins_under_the_bar_at_the', { safety_below_m: cm(r.safety_below_m, 0) })
            }}</small>
          </dd>
        </div>
      </dl>
      <p class="small soft">
        {{
          say('card.at_the_bottom_the_trunk_leans', {
            lean_deg: squat.lean_deg,
            shank_deg: squat.shank_deg,
            depth,
            predicted_max_kg: kg(squat.predicted_max_kg, 0),
            settled_at: dayOf(squat.settled_at),
          })
        }}
      </p>
    </template>
    <template v-if="pull">
      <h2>{{ say('card.deadlift_style', { style: pull.style }) }}</h2>
      <p v-if="pull.stale_because.length" class="note decide small">
        {{ say('card.out_of_date_ask_the_coach', { stale_because: pull.stale_because.join(', ') }) }}
      </p>
      <dl class="facts">
        <div>
          <dt>{{ say('card.feet') }}</dt>
          <dd>
            {{ cm(pull.stance_m, 0)
            }}<small>{{ say('card.ankle_to_ankle_of_your_feet', { stance_feet: pull.stance_feet }) }}</small>
          </dd>
        </div>
        <div>
          <dt>{{ say('card.toes') }}</dt>
          <dd>
            {{ pull.toe_out_deg }}°<small>{{ say('card.out_knees_over_them') }}</small>
          </dd>
        </div>
        <div>
          <dt>{{ say('card.hips') }}</dt>
          <dd>
            {{ cm(pull.hip_over_knee_m, 0)
            }}<small>{{ say('card.above_the_knees_back_above_level', { back_deg: pull.back_deg }) }}</small>
          </dd>
        </div>
        <div class="wide">
          <dt>{{ say('card.feet_to_bar') }}</dt>
          <dd class="words">
            {{ pull.foot_words
            }}<small>{{
              say('card.in_front_of_the_ankle_the', { bar_from_shin_m: cm(pull.bar_from_shin_m, 0) })
            }}</small>
          </dd>
        </div>
        <div class="wide">
          <dt>{{ say('card.hands') }}</dt>
          <dd class="words">
            {{ handsOn(pull.grip_words, cm(pull.grip_m, 0)) }}
          </dd>
        </div>
      </dl>
      <p class="small soft">
        {{
          say('card.slack_first_then_the_floor_predicted', {
            predicted_max_kg: kg(pull.predicted_max_kg, 0),
            settled_at: dayOf(pull.settled_at),
          })
        }}
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
    <h2>{{ say('card.care') }}</h2>
    <ul class="care small">
      <li v-for="c in card.cautions" :key="c">{{ c }}</li>
    </ul>
    <footer class="small soft">
      {{ say('card.a_static_model_not_a_promise', { model_version: (squat ?? pull)?.model_version }) }}
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
