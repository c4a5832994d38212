<script setup lang="ts">
// A fault, cause, cue or drill of the coach's own, hung where it belongs.
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
  fault: 'A fault of your own',
  cause: 'A cause of your own',
  remedy: 'A cue or drill of your own',
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
    <v-text-field v-model="form.name" :label="kind === 'fault' ? 'Name' : 'In your words'" maxlength="300" />
    <template v-if="kind === 'fault'">
      <v-text-field v-model="form.seen" label="What is seen" maxlength="300" />
      <v-select v-model="form.phases" :items="catalogue.phases[lift] ?? []" multiple label="Phases" />
      <v-select v-model="form.links" :items="causes" multiple label="Likely causes" />
    </template>
    <template v-else-if="kind === 'cause'">
      <v-text-field v-model="form.test" label="The test that separates it" maxlength="300" />
      <v-select
        v-model="form.links"
        :items="faults"
        multiple
        :label="`Faults of the ${lift} that it explains`"
      />
      <v-select v-model="form.remedies" :items="remedies" multiple label="What helps" />
    </template>
    <template v-else>
      <v-select
        v-model="form.remedyKind"
        :items="['cue', 'ritual', 'drill', 'set-up', 'work', 'load', 'variation']"
        label="Kind"
      />
      <template v-if="form.remedyKind === 'cue'">
        <v-select v-model="form.aim" :items="['bar', 'body']" label="Aimed at" />
        <v-select v-model="form.purpose" :items="catalogue.purposes" label="For" />
      </template>
      <v-select v-model="form.links" :items="causes" multiple label="Causes that it helps" />
    </template>
    <div class="acts">
      <v-btn variant="flat" type="submit" :disabled="!whole">Keep</v-btn
      ><v-btn @click="emit('close')">Not now</v-btn>
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
