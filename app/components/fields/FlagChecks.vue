<script setup lang="ts">
/** Several of a few, or none: boxes that are ticked. */
defineProps<{ label: string; options: readonly { value: string; title: string }[] }>()
const model = defineModel<string[]>({ required: true })
const flip = (value: string) => {
  model.value = model.value.includes(value) ? model.value.filter(v => v !== value) : [...model.value, value]
}
</script>

<template>
  <fieldset class="flags">
    <legend class="small muted">{{ label }}</legend>
    <label v-for="o in options" :key="o.value"
      ><input type="checkbox" :checked="model.includes(o.value)" @change="flip(o.value)" /> {{ o.title }}</label
    >
  </fieldset>
</template>

<style scoped>
.flags {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-6);
}
legend {
  padding-bottom: var(--space-2);
}
label {
  display: flex;
  gap: var(--space-4);
  align-items: center;
  min-height: 44px;
}
input {
  width: 20px;
  height: 20px;
  accent-color: var(--weed);
}
</style>
