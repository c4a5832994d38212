<script setup lang="ts"></script>

<template>
  <p class="small soft mt-2">
    Stop at sharp, radiating or new pain. Keep the back's shape: growth of a curve is a fault. Holding the
    breath raises blood pressure.
  </p>
</template>
