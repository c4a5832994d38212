<script setup lang="ts">
// A fresh link to join or to choose a password: shown once, and where it went by mail.
import { say } from '@/words'
import LinkOnce from '@/shared/LinkOnce.vue'
import type { Schemas } from '@/shared/api'

defineProps<{ link: Schemas['NewLink'] }>()
</script>

<template>
  <div>
    <LinkOnce :link="link">{{ say('people.it_works_once_within_days', { days: link.days }) }}</LinkOnce>
    <p v-if="link.mailed_to" class="small holds" role="status">
      {{ say('people.sent_to_by_mail', { mailed_to: link.mailed_to }) }}
    </p>
    <p v-if="link.not_mailed" class="small signal" role="alert">
      {{ say('people.not_sent_by_mail', { not_mailed: link.not_mailed }) }}
    </p>
  </div>
</template>
