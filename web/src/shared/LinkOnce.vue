<script setup lang="ts">
// A link that is shown once: to copy, or to be read off the screen by a phone.
import { computed } from 'vue'

const props = defineProps<{ link: { path: string; qr_svg: string } }>()
const address = computed(() => location.origin + props.link.path)
const qr = computed(() => `data:image/svg+xml;utf8,${encodeURIComponent(props.link.qr_svg)}`)
</script>

<template>
  <div class="made note">
    <img :src="qr" alt="QR code of the link" width="132" height="132" />
    <div>
      <p class="small">Shown once; <slot /></p>
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
  grid-template-columns: 132px minmax(0, 1fr);
  gap: 14px;
  align-items: center;
  margin-top: 8px;
}
img {
  background: #fff;
}
input {
  width: 100%;
  font: inherit;
  padding: 6px;
  border: 1px solid var(--line);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
}
</style>
