<script setup lang="ts">
// A fresh link to join or to choose a password: shown once, and where it went by mail.
import LinkOnce from '@/shared/LinkOnce.vue'
import type { Schemas } from '@/shared/api'

defineProps<{ link: Schemas['NewLink'] }>()
</script>

<template>
  <div>
    <LinkOnce :link="link">it works once, within {{ link.days }} days.</LinkOnce>
    <p v-if="link.mailed_to" class="small holds" role="status">Sent to {{ link.mailed_to }} by mail.</p>
    <p v-if="link.not_mailed" class="small signal" role="alert">Not sent by mail: {{ link.not_mailed }}.</p>
  </div>
</template>
