<script setup lang="ts">
// A link that is shown once: to copy, or to be read off the screen by a phone.
import { say } from '@/words'
import { computed } from 'vue'

const props = defineProps<{ link: { path: string; qr_svg: string } }>()
const address = computed(() => location.origin + props.link.path)
const qr = computed(
  () => props.link.qr_svg && `data:image/svg+xml;utf8,${encodeURIComponent(props.link.qr_svg)}`,
)
</script>

<template>
  <div class="made note">
    <img v-if="qr" :src="qr" :alt="say('shared.qr_code_of_the_link')" width="132" height="132" />
    <div>
      <p class="small">{{ say('shared.shown_once') }} <slot /></p>
      <p v-if="!qr" class="small soft">{{ say('shared.no_qr_code_this_server_was') }}</p>
      <input
        class="plain"
        :value="address"
        readonly
        :aria-label="say('shared.address_of_the_link')"
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
