<script setup lang="ts">
// Who left the club: out of the way, and one press from being back.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { awayQuery } from '@/shared/queries'
import { dayOf } from '@/shared/words'

const away = useQuery(awayQuery)
</script>

<template>
  <details v-if="away.data.value?.length" class="small">
    <summary class="soft">{{ say('floor.left_the_club', { data: away.data.value.length }) }}</summary>
    <ul>
      <li v-for="one in away.data.value" :key="one.lifter_id">
        <RouterLink :to="{ name: 'lifter', params: { lifterId: one.lifter_id } }">{{ one.name }}</RouterLink>
        <span class="soft">{{ ' ' }}{{ say('floor.since', { since: dayOf(one.since) }) }}</span>
      </li>
    </ul>
  </details>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 6px 0 0;
}
</style>
