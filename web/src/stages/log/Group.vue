<script setup lang="ts">
// Who trains together today; the platform then puts them in turn.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import StageHead from '@/shared/StageHead.vue'
import Waiting from '@/shared/Waiting.vue'
import Log from './Log.vue'
import { floorQuery } from '@/shared/queries'

const MOST = 8
const route = useRoute()
const router = useRouter()
const chosen = computed(() => {
  const found = route.query.lifters
  return typeof found === 'string' && found ? found.split(',') : []
})
const floor = useQuery(floorQuery)
const picked = ref<string[]>([])
watch(chosen, (ids) => (picked.value = [...ids]), { immediate: true })
const begin = () => router.push({ name: 'platform', query: { lifters: picked.value.join(',') } })
</script>

<template>
  <Log v-if="chosen.length" :key="chosen.join()" :lifter-ids="chosen" />
  <main v-else>
    <StageHead :over="say('log.the_platform')" :answer="say('log.who_lifts_together')">
      <v-btn variant="flat" :disabled="!picked.length || picked.length > MOST" @click="begin">{{
        picked.length ? say('log.start_with', { picked: picked.length }) : say('log.start')
      }}</v-btn>
    </StageHead>
    <Waiting
      v-if="!floor.data.value"
      :error="floor.error.value"
      :what="say('log.the_lifters')"
      @again="floor.refetch()"
    />
    <p v-else-if="!floor.data.value.length" class="pad soft">{{ say('log.no_lifters_yet_add_the_first') }}</p>
    <ul v-else class="pad">
      <li v-for="row in floor.data.value" :key="row.lifter_id">
        <label
          ><input v-model="picked" type="checkbox" :value="row.lifter_id" /> <b>{{ row.name }}</b>
          <span v-if="row.needs[0]" class="small soft">{{ row.needs[0].text }}</span></label
        >
      </li>
    </ul>
    <p v-if="picked.length > MOST" class="pad signal" role="alert">
      {{ say('log.a_platform_takes_up_to_take', { MOST }) }}
    </p>
  </main>
</template>

<style scoped>
.pad {
  padding: 14px 26px;
}
ul {
  list-style: none;
  margin: 0;
  max-width: 760px;
}
label {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 46px;
  border-bottom: 1px solid var(--hair);
  flex-wrap: wrap;
  cursor: pointer;
}
input {
  width: 20px;
  height: 20px;
  accent-color: var(--holds);
}
</style>
