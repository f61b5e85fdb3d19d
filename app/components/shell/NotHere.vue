<script setup lang="ts">
/** A page about a record that this device does not have: says so, and leads back. */
defineProps<{ place: string; what: string; to: string; back: string }>()
</script>

<template>
  <div>
    <AppTop :title="place" />
    <section>
      <p class="statement">{{ what }} is not on this device.</p>
      <p class="muted">
        It may be in a backup that was not brought in, in another of your rooms, or put away. Nothing was changed.
      </p>
      <v-btn color="primary" :to="to">{{ back }}</v-btn>
    </section>
  </div>
</template>

<style scoped>
section {
  display: grid;
  gap: 14px;
  justify-items: start;
  padding: 40px 24px;
}
@media (max-width: 700px) {
  section {
    padding: 32px 16px;
  }
}
</style>
