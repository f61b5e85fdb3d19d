<script setup lang="ts" generic="Id extends string">
/** The parts of a place, one at a time. What stands beside the row goes into the slot. */
defineProps<{ label: string; tabs: readonly { id: Id; title: string }[] }>()
const shown = defineModel<Id>({ required: true })
</script>

<template>
  <div class="row">
    <v-tabs v-model="shown" :aria-label="label" mandatory="force" height="44" color="ink" slider-color="primary">
      <v-tab v-for="t in tabs" :key="t.id" :value="t.id" :ripple="false">{{ t.title }}</v-tab>
    </v-tabs>
    <slot />
  </div>
</template>

<style scoped>
.row {
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 0 var(--space-6);
  min-width: 0;
}
.v-tabs {
  min-width: 0;
  max-width: 100%;
}
.v-tab.v-btn {
  min-width: 0;
  padding: 0;
  margin-right: var(--space-7);
  border-radius: 0;
  font-size: var(--type-text);
  font-weight: 400;
  color: var(--muted);
}
.v-tab.v-tab--selected {
  font-weight: 650;
  color: var(--ink);
}
.v-tab :deep(.v-btn__overlay) {
  display: none;
}
.v-tab :deep(.v-tab__slider) {
  height: 3px;
}
</style>
