<script setup lang="ts" generic="T extends string | number">
/** One of many: the device's own list, which works with wet fingers and screen readers alike. */
const props = defineProps<{
  label: string
  options: readonly { value: T; title: string; group?: string }[]
  hideLabel?: boolean
}>()
const model = defineModel<T>({ required: true })
const id = useId()
/** Options without a group stand first, by themselves. */
const groups = computed(() =>
  [...new Set(props.options.map(o => o.group ?? ''))].map(name => ({
    name,
    options: props.options.filter(o => (o.group ?? '') === name),
  })),
)
</script>

<template>
  <div class="pick">
    <label :for="id" :class="hideLabel ? 'hidden-to-eyes' : 'label'">{{ label }}</label>
    <select :id="id" v-model="model" class="field">
      <template v-for="g in groups" :key="g.name">
        <optgroup v-if="g.name" :label="g.name">
          <option v-for="o in g.options" :key="o.value" :value="o.value">{{ o.title }}</option>
        </optgroup>
        <template v-else
          ><option v-for="o in g.options" :key="o.value" :value="o.value">{{ o.title }}</option></template
        >
      </template>
    </select>
  </div>
</template>

<style scoped>
.label {
  display: block;
  font-size: var(--type-small);
  color: var(--muted);
  padding-bottom: var(--space-2);
}
select {
  width: 100%;
  padding: 0 var(--space-8) 0 var(--space-5);
  background: var(--surface) no-repeat right 12px center;
  background-image:
    linear-gradient(45deg, transparent 50%, var(--muted) 50%),
    linear-gradient(135deg, var(--muted) 50%, transparent 50%);
  background-position:
    right 17px center,
    right 12px center;
  background-size: 5px 5px;
  appearance: none;
  text-overflow: ellipsis;
}
option,
optgroup {
  background: var(--surface);
  color: var(--ink);
}
</style>
