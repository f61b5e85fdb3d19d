<script setup lang="ts">
useHead({ title: 'Colony · Ulkin' })
const sheets = useSheets()
const room = useRoomStore()
watch(
  () => room.colonies[0]?.id,
  id => {
    if (id) void navigateTo(`/colony/${id}`, { replace: true })
  },
  { immediate: true },
)
</script>

<template>
  <div>
    <AppTop title="Colony" />
    <section v-if="room.ready" class="page">
      <p class="statement">There is no colony yet.</p>
      <p class="muted">
        Here you will read how many there are, where they are heading, what can go, and what the water needs.
      </p>
      <v-btn v-if="room.room" color="primary" @click="sheets.colony.value = { glassId: null }">Start a colony</v-btn>
      <v-btn v-else color="primary" to="/">To the Room</v-btn>
    </section>
  </div>
</template>

<style scoped>
.page {
  padding: var(--space-8) var(--space-7);
  display: grid;
  gap: var(--space-5);
  justify-items: start;
}
</style>
