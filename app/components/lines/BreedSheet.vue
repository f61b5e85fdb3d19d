<script setup lang="ts">
/** The sheet in which breeders are set: where they breed, and what else is asked. */
defineProps<{ homes: readonly { value: string; title: string }[]; issue: string; saving: boolean }>()
const emit = defineEmits<{ set: [] }>()
const open = defineModel<boolean>({ required: true })
const home = defineModel<string>('home', { required: true })
</script>

<template>
  <SideSheet v-model="open" title="Set the breeders">
    <div class="set">
      <slot name="before" />
      <PickOne v-model="home" label="Where they breed" :options="homes" />
      <p class="small muted">
        A box in the same water keeps them apart from the rest. Let the females back when they are berried.
      </p>
      <slot />
      <FieldIssue :text="issue" />
    </div>
    <template #foot>
      <v-btn color="primary" :loading="saving" @click="emit('set')">Set them</v-btn>
      <v-btn variant="text" @click="open = false">Not now</v-btn>
    </template>
  </SideSheet>
</template>

<style scoped>
.set {
  display: grid;
  gap: var(--space-5);
}
</style>
