<script setup lang="ts">
// The log out as CSV or XLSX, and in again with a preview of every row's fate.
import { say } from '@/words'
import FileIn from '@/shared/FileIn.vue'
import { useSession } from '@/shared/session'

defineProps<{ lifterId: string }>()
const { mayWrite } = useSession()
</script>

<template>
  <section>
    <h2>{{ say('review.files') }}</h2>
    <p class="small">
      {{ say('review.out') }}
      <a :href="`/api/log.csv?lifter_id=${lifterId}`" download>{{ say('review.this_log_as_csv') }}</a>,
      <a :href="`/api/log.xlsx?lifter_id=${lifterId}`" download>{{ say('review.as_xlsx') }}</a>,
      <a href="/api/log.csv" download>{{ say('review.the_whole_club_as_csv') }}</a>
    </p>
    <FileIn
      v-if="mayWrite"
      what="log"
      :label="say('review.in_a_csv_or_xlsx_of')"
      :many="say('review.sets')"
    />
  </section>
</template>
