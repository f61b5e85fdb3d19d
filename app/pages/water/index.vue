<script setup lang="ts">
/** Where the water place begins when no glass was opened yet. */
useHead({ title: 'Water · Ulkin' })
const room = useRoomStore()
watchEffect(() => {
  const first = room.glassOf(room.colonies[0])?.id ?? room.glasses[0]?.id
  if (first) void navigateTo(`/water/${first}`, { replace: true })
})
</script>

<template>
  <div>
    <AppTop title="Water" about="What to weigh and pour" />
    <section class="page">
      <p class="statement">The water of your glasses will be made here.</p>
      <p class="muted">
        It takes a glass in the Room, and what comes out of your tap: then Ulkin says what to weigh and pour, and in how
        many steps.
      </p>
      <v-btn color="primary" to="/">To the Room</v-btn>
    </section>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: var(--space-5);
  justify-items: start;
  padding: var(--space-8) var(--space-7);
  max-width: 640px;
}
</style>
