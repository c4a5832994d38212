<script setup lang="ts">
// A link that is shown once: to copy, or to be read off the screen by a phone.
import { computed } from 'vue'
import type { Schemas } from '@/shared/api'

const props = defineProps<{ link: Schemas['NewLink'] }>()
const address = computed(() => location.origin + props.link.path)
const qr = computed(() => `data:image/svg+xml;utf8,${encodeURIComponent(props.link.qr_svg)}`)
</script>

<template>
  <div class="made note">
    <img :src="qr" alt="QR code of the link" width="120" height="120" />
    <div>
      <p class="small">Shown once. It works once, within {{ link.days }} days.</p>
      <input
        :value="address"
        readonly
        aria-label="Address of the link"
        @focus="($event.target as HTMLInputElement).select()"
      />
    </div>
  </div>
</template>

<style scoped>
.made {
  display: grid;
  grid-template-columns: 120px minmax(0, 1fr);
  gap: 14px;
  margin-top: 8px;
}
input {
  width: 100%;
  font: inherit;
  padding: 6px;
  border: 1px solid var(--line);
  background: var(--sheet);
  color: var(--ink);
}
</style>
