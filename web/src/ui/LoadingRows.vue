<template>
  <div class="waiting" role="status">
    <span class="sr-only">Loading</span>
    <v-progress-linear indeterminate color="primary" height="3" rounded />
  </div>
</template>

<style scoped>
.waiting {
  padding: 60px 20%;
}
</style>
