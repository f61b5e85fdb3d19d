<script setup lang="ts">
useHead({ title: 'Outlook · Ulkin' })
const room = useRoomStore()
const settings = useSettingsStore()
watch(
  () => room.colonyById.get(settings.lastColonyId) ?? room.colonies[0],
  colony => {
    if (colony) void navigateTo(`/outlook/${colony.id}`, { replace: true })
  },
  { immediate: true },
)
</script>

<template>
  <div>
    <AppTop title="Outlook" />
    <section v-if="room.ready" class="page">
      <p class="statement">There is no colony to look ahead for yet.</p>
      <p class="muted">
        Here you will try what happens when it is warmer, when fish move out, or when some are sold every week.
      </p>
      <v-btn color="primary" to="/">To the Room</v-btn>
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
