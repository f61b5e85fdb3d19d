<script setup lang="ts">
/** The sheet in which breeders are set: where they breed, and what else is asked. */
defineProps<{
  homes: readonly { value: string; title: string }[]
  /** whether whoever stays breeds, where they are */
  rolling?: boolean
  issue: string
  saving: boolean
}>()
const emit = defineEmits<{ set: [] }>()
const open = defineModel<boolean>({ required: true })
const home = defineModel<string>('home', { required: true })
</script>

<template>
  <SideSheet v-model="open" :title="rolling ? 'Take them out' : 'Set the breeders'">
    <div class="set">
      <slot name="before" />
      <template v-if="!rolling">
        <PickOne v-model="home" label="Where they breed" :options="homes" />
        <p class="small muted">
          A box in the same water keeps them apart from the rest. Let the females back when they are berried.
        </p>
      </template>
      <slot />
      <FieldIssue :text="issue" />
    </div>
    <template #foot>
      <v-btn color="primary" :loading="saving" @click="emit('set')">{{ rolling ? 'Take them out' : 'Set them' }}</v-btn>
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
