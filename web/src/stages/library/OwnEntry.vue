<script setup lang="ts">
// A fault, cause, cue or drill of the coach's own, hung where it belongs.
import { say } from '@/words'
import { computed, reactive } from 'vue'
import type { LibraryEntry, Schemas } from '@/shared/api'
import { ownIdOf } from '@/shared/words'

const props = defineProps<{
  kind: 'fault' | 'cause' | 'remedy'
  catalogue: Schemas['CatalogueAnswer']
  lift: 'squat' | 'deadlift'
}>()
const emit = defineEmits<{ keep: [entry: LibraryEntry]; close: [] }>()
const form = reactive({
  name: '',
  seen: '',
  test: '',
  phases: [] as string[],
  links: [] as string[],
  remedies: [] as string[],
  remedyKind: 'cue',
  aim: 'body',
  purpose: 'brace',
  level: 1,
})
const titles = {
  fault: say('library.a_fault_of_your_own'),
  cause: say('library.a_cause_of_your_own'),
  remedy: say('library.a_cue_or_drill_of_your'),
}
const faults = computed(() =>
  props.catalogue.faults.filter((f) => f.lift === props.lift).map((f) => ({ title: f.name, value: f.id })),
)
const causes = computed(() => props.catalogue.causes.map((c) => ({ title: c.text, value: c.id })))
const remedies = computed(() => props.catalogue.remedies.map((r) => ({ title: r.text, value: r.id })))
const ident = computed(() => ownIdOf(form.name, 'entry'))
const bodies = {
  fault: () => ({
    lift: props.lift,
    name: form.name,
    seen: form.seen,
    phases: form.phases,
    causes: form.links,
  }),
  cause: () => ({ text: form.name, test: form.test, remedies: form.remedies, faults: form.links }),
  remedy: () => ({
    kind: form.remedyKind,
    text: form.name,
    aim: form.remedyKind === 'cue' ? form.aim : null,
    purpose: form.remedyKind === 'cue' ? form.purpose : null,
    level: form.level,
    causes: form.links,
  }),
}
const whole = computed(
  () =>
    form.name.trim() &&
    form.links.length &&
    (props.kind !== 'fault' || (form.phases.length && form.seen)) &&
    (props.kind !== 'cause' || form.test),
)
const keep = () =>
  emit('keep', {
    kind: props.kind,
    ident: ident.value,
    body: bodies[props.kind](),
    hidden: false,
  } as LibraryEntry)
</script>

<template>
  <form class="note mt-4 own" @submit.prevent="keep">
    <h2>{{ titles[kind] }}</h2>
    <v-text-field
      v-model="form.name"
      :label="kind === 'fault' ? say('library.name') : say('library.in_your_words')"
      maxlength="300"
    />
    <template v-if="kind === 'fault'">
      <v-text-field v-model="form.seen" :label="say('library.what_is_seen')" maxlength="300" />
      <v-select
        v-model="form.phases"
        :items="catalogue.phases[lift] ?? []"
        multiple
        :label="say('library.phases')"
      />
      <v-select v-model="form.links" :items="causes" multiple :label="say('library.likely_causes')" />
    </template>
    <template v-else-if="kind === 'cause'">
      <v-text-field v-model="form.test" :label="say('library.the_test_that_separates_it')" maxlength="300" />
      <v-select
        v-model="form.links"
        :items="faults"
        multiple
        :label="say('library.faults_of_the_that_it_explains', { lift })"
      />
      <v-select v-model="form.remedies" :items="remedies" multiple :label="say('library.what_helps')" />
    </template>
    <template v-else>
      <v-select
        v-model="form.remedyKind"
        :items="['cue', 'ritual', 'drill', 'set-up', 'work', 'load', 'variation']"
        :label="say('library.kind')"
      />
      <template v-if="form.remedyKind === 'cue'">
        <v-select v-model="form.aim" :items="['bar', 'body']" :label="say('library.aimed_at')" />
        <v-select v-model="form.purpose" :items="catalogue.purposes" :label="say('library.for')" />
      </template>
      <v-select v-model="form.links" :items="causes" multiple :label="say('library.causes_that_it_helps')" />
    </template>
    <div class="acts">
      <v-btn variant="flat" type="submit" :disabled="!whole">{{ say('library.keep') }}</v-btn><v-btn
        @click="emit('close')"
        >{{ say('library.not_now') }}</v-btn
      >
    </div>
  </form>
</template>

<style scoped>
.own {
  display: grid;
  gap: 10px;
  max-width: 620px;
}
.acts {
  display: flex;
  gap: 8px;
}
</style>
