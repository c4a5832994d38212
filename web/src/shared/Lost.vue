<template>
  <main class="pa-8">
    <h1>There is nothing at this address</h1>
    <p class="mt-2">
      The lifter or stage may have been renamed. <RouterLink to="/">Back to the floor</RouterLink>
    </p>
  </main>
</template>
