<script setup lang="ts">
/** A number in a row of its own kind, where the row and the column say what it is: in tables and lists. */
defineProps<{
  /** what it is, for those who hear it */
  label: string
  inputmode?: 'decimal' | 'numeric'
  /** what counts while nothing is typed */
  placeholder?: string
}>()
const [text, modifiers] = defineModel<string, 'lazy'>({ required: true })
const read = (event: Event) => (text.value = (event.target as HTMLInputElement).value)
</script>

<template>
  <input
    :value="text"
    class="field cell"
    :inputmode="inputmode ?? 'decimal'"
    autocomplete="off"
    :aria-label="label"
    :placeholder="placeholder"
    @input="modifiers.lazy || read($event)"
    @change="read"
  />
</template>

<style scoped>
.cell {
  width: var(--cell-width, 86px);
}
@media (--phone) {
  .cell {
    width: var(--cell-width, 64px);
    padding: 0 var(--space-3);
  }
}
</style>
