<script setup lang="ts">
// The log out as CSV or XLSX, and in again with a preview of every row's fate.
import FileIn from '@/shared/FileIn.vue'
import { useSession } from '@/shared/session'

defineProps<{ lifterId: string }>()
const { mayWrite } = useSession()
</script>

<template>
  <section>
    <h2>Files</h2>
    <p class="small">
      Out: <a :href="`/api/log.csv?lifter_id=${lifterId}`" download>this log as CSV</a>,
      <a :href="`/api/log.xlsx?lifter_id=${lifterId}`" download>as XLSX</a>,
      <a href="/api/log.csv" download>the whole club as CSV</a>
    </p>
    <FileIn v-if="mayWrite" what="log" label="In: a CSV or XLSX of sets" many="sets" />
  </section>
</template>
