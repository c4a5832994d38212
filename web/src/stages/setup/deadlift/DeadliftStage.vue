<script setup lang="ts">
import SetupStage from '../SetupStage.vue'
import { DEADLIFT } from './deadliftPage'

defineProps<{ lifterId: string }>()
</script>

<template><SetupStage :lifter-id="lifterId" :page="DEADLIFT" /></template>
