<script setup lang="ts">
defineProps<{ over: string; answer: string }>()
</script>

<template>
  <header class="head">
    <div class="words">
      <p class="soft over">{{ over }}</p>
      <h1>{{ answer }}</h1>
    </div>
    <div class="acts no-print"><slot /></div>
  </header>
</template>

<style scoped>
.head {
  display: flex;
  gap: 16px;
  align-items: center;
  justify-content: space-between;
  padding: 8px 26px;
  min-height: 64px;
  border-bottom: 1px solid var(--line);
}
.words {
  min-width: 0;
}
.over {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
  justify-content: flex-end;
  flex: none;
  max-width: 60%;
}
@media (max-width: 760px) {
  .head {
    flex-wrap: wrap;
    padding: 10px 14px;
  }
  .acts {
    max-width: 100%;
    justify-content: flex-start;
  }
}
</style>
