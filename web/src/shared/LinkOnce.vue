<script setup lang="ts">
// A link that is shown once: to copy, or to be read off the screen by a phone.
import { computed } from 'vue'

const props = defineProps<{ link: { path: string; qr_svg: string } }>()
const address = computed(() => location.origin + props.link.path)
const qr = computed(
  () => props.link.qr_svg && `data:image/svg+xml;utf8,${encodeURIComponent(props.link.qr_svg)}`,
)
</script>

<template>
  <div class="made note">
    <img v-if="qr" :src="qr" alt="QR code of the link" width="132" height="132" />
    <div>
      <p class="small">Shown once; <slot /></p>
      <p v-if="!qr" class="small soft">
        No QR code: this server was not told under which address others reach it (PAVRIK_PUBLIC_URL).
      </p>
      <input
        class="plain"
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
  grid-template-columns: auto minmax(0, 1fr);
  gap: 14px;
  align-items: center;
  margin-top: 8px;
}
img {
  background: #fff;
}
input {
  width: 100%;
  padding: 6px;
}
</style>
