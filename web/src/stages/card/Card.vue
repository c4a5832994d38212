<script setup lang="ts">
// The pocket card: settings a lifter can check without a computer. Prints on one page.
import { say } from '@/words'
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
        !card.data.value || squat || pull
          ? say('card.the_card_in_the_pocket')
          : say('card.no_card_yet_nothing_is_settled')
      "
    >
      <v-btn v-if="squat || pull" variant="flat" @click="print">{{ say('card.print') }}</v-btn>
      <v-btn :to="{ name: 'squat', params: { lifterId } }">{{ say('card.to_the_squat') }}</v-btn>
    </StageHead>
    <Waiting
      v-if="!card.data.value"
      :error="card.error.value"
      :what="say('card.the_card')"
      @again="card.refetch()"
    />
    <CardSheet v-else-if="squat || pull" :card="card.data.value" />
    <div v-else class="none">
      <p>{{ say('card.settle_on_a_set_up_its') }}</p>
    </div>
  </main>
</template>

<style scoped>
.none {
  padding: 40px 26px;
  max-width: 460px;
}
</style>
