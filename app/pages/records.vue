<script setup lang="ts">
useHead({ title: 'Records · Ulkin' })
</script>

<template>
  <div>
    <AppTop title="Records" about="Your data lies on this device and in the files that you save" />
    <div class="page">
      <div class="column"><BackupPanel /><StoragePanel /></div>
      <div class="column"><RoomsPanel /><EndedPanel /><LogKept /></div>
      <div class="column"><UnitsPanel /></div>
    </div>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: var(--space-7) var(--space-8);
  padding: var(--space-6) var(--space-7) var(--space-8);
}
.column {
  display: grid;
  gap: var(--space-7);
  align-content: start;
}
.column > * {
  border-top: 1px solid var(--rule);
  padding-top: var(--space-5);
  display: grid;
  gap: var(--space-5);
  align-content: start;
}
@media (--phone) {
  .page {
    padding: var(--space-5) var(--space-6) var(--space-7);
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
