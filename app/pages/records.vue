<script setup lang="ts">
useHead({ title: 'Records · Ulkin' })
</script>

<template>
  <div>
    <AppTop title="Records" about="Your data lies on this device and in the files that you save" />
    <div class="page">
      <div class="column"><BackupPanel /><StoragePanel /></div>
      <div class="column"><RoomsPanel /><EndedPanel /></div>
      <div class="column"><UnitsPanel /></div>
    </div>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 28px 40px;
  padding: 20px 24px 40px;
}
.column {
  display: grid;
  gap: 32px;
  align-content: start;
}
.column > * {
  border-top: 1px solid var(--rule);
  padding-top: 12px;
}
@media (max-width: 700px) {
  .page {
    padding: 12px 16px 24px;
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
