<script setup lang="ts">
// What is on the server, what waits, what was refused and why.
import { useOutbox } from '@/shared/outbox'
const { waiting, refused, state, drain, discard } = useOutbox()
</script>

<template>
  <div class="sync" role="status">
    <p v-if="waiting" class="wait">
      <b>{{ waiting }} kept on this device</b>, {{ state.sending ? 'sending …' : `not sent yet. ${state.trouble} They go out by themselves.` }}
      <button v-if="!state.sending" class="linkish" @click="drain()">Send now</button>
    </p>
    <p v-else-if="!refused.length" class="holds small">All on the server.</p>
    <div v-for="item in refused" :key="item.key" class="note decide">
      <p><b>One set was not taken:</b> {{ item.refused }}.</p>
      <p v-if="item.body.kind === 'set'" class="small soft">{{ item.body.set.lift }} {{ item.body.set.load_kg }} kg × {{ item.body.set.reps }}</p>
      <button class="linkish small" @click="discard(item.key)">Understood, give it up</button>
    </div>
  </div>
</template>

<style scoped>
.wait { border-left: 3px solid var(--signal); padding-left: 10px; }
</style>
