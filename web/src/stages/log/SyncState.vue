<script setup lang="ts">
// What is on the server, what waits, what was refused and why; a refused set is mended or given up.
import { say } from '@/words'
import { ref } from 'vue'
import { useOutbox, type Queued } from '@/shared/outbox'
import { isEntering, keepDraft, mending } from './draft'

const emit = defineEmits<{ mend: [lifterId: string] }>()
const { waiting, refused, state, drain, discard } = useOutbox()
const told = ref('')

async function mend(item: Queued) {
  if (item.body.kind !== 'set') return
  if (isEntering(item.body.lifter_id)) {
    told.value = say('log.keep_the_set_that_you_are')
    return
  }
  told.value = ''
  keepDraft(item.body.lifter_id, mending(item.body.set))
  await discard(item.key)
  emit('mend', item.body.lifter_id)
}
</script>

<template>
  <div class="sync" role="status">
    <p v-if="waiting" class="wait">
      <b>{{ say('log.kept_on_this_device', { waiting }) }}</b>,
      {{
        state.sending ? say('log.sending') : say('log.not_sent_yet_they_go_out', { trouble: state.trouble })
      }}
      <button v-if="!state.sending" class="linkish" @click="drain()">{{ say('log.send_now') }}</button>
    </p>
    <p v-else-if="!refused.length" class="holds small">{{ say('log.all_on_the_server') }}</p>
    <div v-for="item in refused" :key="item.key" class="note decide">
      <p>
        <b>{{
          say('log.one_was_not_taken', {
            set: item.body.kind === 'set' ? say('log.set') : say('log.withdrawal'),
          })
        }}</b>
        {{ item.refused }}.
      </p>
      <p v-if="item.body.kind === 'set'" class="small soft">
        {{ item.body.set.lift }} {{ item.body.set.load_kg }} kg × {{ item.body.set.reps }}
      </p>
      <p class="acts">
        <button v-if="item.body.kind === 'set'" class="linkish small" @click="mend(item)">
          {{ say('log.mend_it') }}
        </button>
        <button class="linkish small" @click="discard(item.key)">{{ say('log.give_it_up') }}</button>
      </p>
    </div>
    <p v-if="told" class="signal small">{{ told }}</p>
  </div>
</template>

<style scoped>
.wait {
  border-left: 3px solid var(--signal);
  padding-left: 10px;
}
.acts {
  display: flex;
  gap: 14px;
}
</style>
