<script setup lang="ts">
import { say } from '@/words'
import { onKeyStroke, useOnline } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useTheme } from 'vuetify'
import AppRail from './shared/AppRail.vue'
import { askTheTime } from './shared/api'
import { clockTrouble } from './shared/clock'
import GoTo from './shared/GoTo.vue'
import KeySheet from './shared/KeySheet.vue'
import { isTyping } from './shared/keys'
import { STAGES } from './shared/places'
import { useSession } from './shared/session'

const route = useRoute()
const router = useRouter()
const theme = useTheme()
const { session } = useSession()
const keysShown = ref(false)
const finding = ref(false)
const online = useOnline()
const lifterId = computed(() => (typeof route.params.lifterId === 'string' ? route.params.lifterId : null))

watch(online, (back) => back && void askTheTime(), { immediate: true })

const isPlatform = (name: unknown) => name === 'log' || name === 'platform'

onKeyStroke((event) => {
  if (isTyping(event)) return
  if (event.key === '?') keysShown.value = true
  if (event.key === '/' && session.value) {
    event.preventDefault()
    finding.value = true
  }
  if (isPlatform(route.name)) return
  if (event.key === '0') router.push({ name: 'floor' })
  const stage = STAGES[Number(event.key) - 1]?.[0]
  if (stage && lifterId.value) router.push({ name: stage, params: { lifterId: lifterId.value } })
})
watch(
  () => route.name,
  (name) => theme.change(isPlatform(name) ? 'platform' : 'paper'),
  { immediate: true },
)
</script>

<template>
  <v-app>
    <div :class="['frame', { bare: !session }]">
      <AppRail
        v-if="session"
        :lifter-id="lifterId"
        class="no-print"
        @keys="keysShown = true"
        @find="finding = true"
      />
      <div class="stage">
        <p v-if="!online" class="offline" role="status">{{ say('shared.no_network_you_see_what_was') }}</p>
        <p v-if="clockTrouble" class="offline" role="status">{{ clockTrouble }}</p>
        <RouterView :key="lifterId ?? 'club'" />
      </div>
    </div>
    <GoTo v-if="session" v-model="finding" :lifter-id="lifterId" />
    <KeySheet v-model="keysShown" :platform="isPlatform(route.name)" />
  </v-app>
</template>

<style scoped>
.frame {
  display: grid;
  grid-template-columns: 188px minmax(0, 1fr);
  min-height: 100vh;
}
.frame.bare {
  grid-template-columns: minmax(0, 1fr);
}
.stage {
  min-width: 0;
}
.offline {
  background: var(--signal);
  color: #fff;
  padding: 6px 16px;
  font-weight: 600;
}
@media (max-width: 760px) {
  .frame {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto 1fr;
  }
}
@media print {
  .frame {
    display: block;
  }
}
</style>
