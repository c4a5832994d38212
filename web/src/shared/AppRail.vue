<script setup lang="ts">
import { say } from '@/words'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { STAGES } from './places'
import { signOut, switchUnits, useSession } from './session'
import { useOutbox } from './outbox'
import { useLifter } from './useLifter'

const props = defineProps<{ lifterId: string | null }>()
defineEmits<{ keys: []; find: [] }>()
const route = useRoute()
const router = useRouter()
const { session } = useSession()
const { waiting } = useOutbox()
const { data: lifter } = useLifter(() => props.lifterId)

const stages = computed(() =>
  STAGES.map(([name, title]) => {
    const state = lifter.value?.stages[name]
    return {
      name,
      title,
      state: state?.state ?? say('shared.nothing_yet'),
      note: state?.note || state?.state || '',
    }
  }),
)

async function leave() {
  if (waiting.value && !confirm(say('shared.sets_are_kept_on_this_device', { waiting: waiting.value })))
    return
  await signOut()
  await router.push({ name: 'sign-in' })
}
</script>

<template>
  <nav class="rail" :aria-label="say('shared.stages')">
    <RouterLink to="/" class="brand" translate="no">Pavr<span class="signal">|</span>k</RouterLink>
    <p class="soft small club">
      <span class="name">{{ session?.club }}</span>
      <b v-if="session?.is_demo" class="demo" :title="say('shared.made_up_people_and_numbers')">{{
        say('shared.demo')
      }}</b>
    </p>
    <ol class="stages">
      <li>
        <RouterLink to="/" :class="['stage', { open: route.name === 'floor' }]">
          <span class="dot floor" aria-hidden="true" /><span
            ><b>{{ say('shared.floor') }}</b></span
          >
        </RouterLink>
      </li>
      <li v-if="!lifterId">
        <RouterLink to="/gym" :class="['stage', { open: route.name === 'gym' }]">
          <span class="dot floor" aria-hidden="true" /><span
            ><b>{{ say('shared.gym') }}</b
            ><span class="small soft note-line">{{ say('shared.racks_bars_schools') }}</span></span
          >
        </RouterLink>
      </li>
      <li v-if="!lifterId">
        <RouterLink to="/platform" :class="['stage', { open: route.name === 'platform' }]">
          <span class="dot floor" aria-hidden="true" /><span
            ><b>{{ say('shared.platform') }}</b
            ><span class="small soft note-line">{{ say('shared.a_group_in_turn') }}</span></span
          >
        </RouterLink>
      </li>
      <li v-if="!lifterId">
        <RouterLink to="/people" :class="['stage', { open: route.name === 'people' }]">
          <span class="dot floor" aria-hidden="true" /><span
            ><b>{{ say('shared.people') }}</b
            ><span class="small soft note-line">{{ say('shared.roles_your_account') }}</span></span
          >
        </RouterLink>
      </li>
      <li v-if="!lifterId">
        <RouterLink to="/library" :class="['stage', { open: route.name === 'library' }]">
          <span class="dot floor" aria-hidden="true" /><span
            ><b>{{ say('shared.library') }}</b
            ><span class="small soft note-line">{{ say('shared.faults_causes_cues') }}</span></span
          >
        </RouterLink>
      </li>
      <template v-if="lifterId">
        <li v-for="stage in stages" :key="stage.name">
          <RouterLink
            :to="{ name: stage.name, params: { lifterId } }"
            :class="['stage', { open: route.name === stage.name }]"
          >
            <span :class="['dot', stage.state.replace(/ /g, '-')]" aria-hidden="true" />
            <span>
              <b>{{ stage.title }}</b>
              <span class="small soft note-line">{{ stage.note }}</span>
            </span>
          </RouterLink>
        </li>
      </template>
    </ol>
    <div class="foot small soft">
      <p>{{ session?.coach }}</p>
      <button
        class="linkish"
        @click="
          switchUnits(session?.mass_unit === 'kg' ? 'lb' : 'kg', session?.length_unit === 'cm' ? 'in' : 'cm')
        "
      >
        {{
          say('shared.mass_unit_length_unit_switch', {
            mass_unit: session?.mass_unit,
            length_unit: session?.length_unit,
          })
        }}
      </button>
      <button class="linkish" @click="$emit('find')">{{ say('shared.go_to') }} <kbd>/</kbd></button>
      <button class="linkish" @click="$emit('keys')">{{ say('shared.keys') }}</button>
      <button class="linkish" @click="leave">{{ say('shared.sign_out') }}</button>
    </div>
  </nav>
</template>

<style scoped>
.rail {
  border-right: 1px solid var(--line);
  padding: 20px 12px 16px 22px;
  display: flex;
  flex-direction: column;
  position: sticky;
  top: 0;
  height: 100vh;
  overflow-y: auto;
  background: var(--paper);
  color: var(--ink);
}
.brand {
  font-size: 22px;
  font-weight: 800;
  text-decoration: none;
  font-stretch: 110%;
}
.demo {
  border: 1px solid var(--line);
  border-radius: 3px;
  padding: 0 5px;
  color: var(--ink);
}
.club {
  margin-bottom: 18px;
}
.stages {
  list-style: none;
  padding: 0;
  margin: 0;
  position: relative;
}
.stages::before {
  content: '';
  position: absolute;
  left: 6px;
  top: 0;
  bottom: 0;
  border-left: 1px dashed var(--body-line);
}
.stage {
  display: flex;
  gap: 12px;
  padding: 8px 0;
  text-decoration: none;
  position: relative;
  align-items: flex-start;
  min-height: 38px;
}
.stage b {
  font-weight: 600;
  display: block;
}
.stage.open b {
  font-weight: 800;
}
.note-line {
  display: -webkit-box;
  -webkit-line-clamp: 2;
  -webkit-box-orient: vertical;
  overflow: hidden;
}
.dot {
  flex: none;
  width: 13px;
  height: 13px;
  border-radius: 50%;
  border: 1.5px solid var(--ink);
  background: var(--paper);
  margin-top: 3px;
}
.dot.settled {
  background: var(--ink);
}
.dot.drafted {
  background: linear-gradient(90deg, var(--ink) 50%, var(--paper) 50%);
}
.dot.out-of-date {
  background: repeating-linear-gradient(45deg, var(--ink) 0 2px, var(--paper) 2px 4px);
}
.dot.floor {
  border-radius: 2px;
}
.open .dot {
  border-color: var(--signal);
  box-shadow: 0 0 0 3px color-mix(in srgb, var(--signal) 22%, transparent);
}
.foot {
  margin-top: auto;
  display: flex;
  flex-direction: column;
  gap: 4px;
  align-items: flex-start;
  padding-top: 16px;
}
@media (max-width: 760px) {
  .rail {
    position: static;
    height: auto;
    border-right: 0;
    border-bottom: 1px solid var(--line);
    padding: 8px 12px;
    overflow: visible;
  }
  .club {
    margin: 0;
  }
  .club .name {
    display: none;
  }
  .stages {
    display: flex;
    gap: 14px;
    overflow-x: auto;
  }
  .stages::before,
  .note-line {
    display: none;
  }
  .stage {
    gap: 6px;
    min-height: 40px;
    align-items: center;
  }
  .dot {
    margin-top: 0;
  }
  .foot {
    flex-direction: row;
    gap: 14px;
    padding-top: 4px;
  }
  .foot p {
    display: none;
  }
}
</style>
