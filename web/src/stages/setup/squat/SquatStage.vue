<script setup lang="ts">
import SetupStage from '../SetupStage.vue'
import { SQUAT } from './squatPage'

defineProps<{ lifterId: string }>()
</script>

<template><SetupStage :lifter-id="lifterId" :page="SQUAT" /></template>
