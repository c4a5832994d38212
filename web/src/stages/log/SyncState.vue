<script setup lang="ts">
// What is on the server, what waits, what was refused and why; a refused set is mended or given up.
import { ref } from 'vue'
import { useOutbox, type Queued } from '@/shared/outbox'
import { isEntering, keepDraft, mending } from './draft'

const emit = defineEmits<{ mend: [lifterId: string] }>()
const { waiting, refused, state, drain, discard } = useOutbox()
const told = ref('')

async function mend(item: Queued) {
  if (item.body.kind !== 'set') return
  if (isEntering(item.body.lifter_id)) {
    told.value = 'Keep the set that you are entering first, then mend this one.'
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
      <b>{{ waiting }} kept on this device</b>,
      {{ state.sending ? 'sending …' : `not sent yet. ${state.trouble} They go out by themselves.` }}
      <button v-if="!state.sending" class="linkish" @click="drain()">Send now</button>
    </p>
    <p v-else-if="!refused.length" class="holds small">All on the server.</p>
    <div v-for="item in refused" :key="item.key" class="note decide">
      <p>
        <b>One {{ item.body.kind === 'set' ? 'set' : 'withdrawal' }} was not taken:</b> {{ item.refused }}.
      </p>
      <p v-if="item.body.kind === 'set'" class="small soft">
        {{ item.body.set.lift }} {{ item.body.set.load_kg }} kg × {{ item.body.set.reps }}
      </p>
      <p class="acts">
        <button v-if="item.body.kind === 'set'" class="linkish small" @click="mend(item)">Mend it</button>
        <button class="linkish small" @click="discard(item.key)">Give it up</button>
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
