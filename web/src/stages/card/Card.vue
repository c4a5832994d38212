<script setup lang="ts">
// The pocket card: settings a lifter can check without a computer. Prints on one page.
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import StageHead from '@/shared/StageHead.vue'
import Waiting from '@/shared/Waiting.vue'
import CardSheet from './CardSheet.vue'
import { cardQuery } from '@/shared/queries'

const props = defineProps<{ lifterId: string }>()
const card = useQuery(cardQuery(props.lifterId))
const squat = computed(() => card.data.value?.squat ?? null)
const pull = computed(() => card.data.value?.deadlift ?? null)
const print = () => window.print()
</script>

<template>
  <main>
    <StageHead
      class="no-print"
      :over="card.data.value?.name ?? ''"
      :answer="
        !card.data.value || squat || pull ? 'The card in the pocket' : 'No card yet: nothing is settled'
      "
    >
      <v-btn v-if="squat || pull" variant="flat" @click="print">Print</v-btn>
      <v-btn :to="{ name: 'squat', params: { lifterId } }">To the squat</v-btn>
    </StageHead>
    <Waiting v-if="!card.data.value" :error="card.error.value" what="The card" @again="card.refetch()" />
    <CardSheet v-else-if="squat || pull" :card="card.data.value" />
    <div v-else class="none">
      <p>Settle on a set-up; its settings then stand here in holes, fingers and foot lengths.</p>
    </div>
  </main>
</template>

<style scoped>
.none {
  padding: 40px 26px;
  max-width: 460px;
}
</style>
