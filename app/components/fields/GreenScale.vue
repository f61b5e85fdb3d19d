<script setup lang="ts">
/** How green water is, by eye: jars of rising green, drawn as they look against white paper. */
const props = defineProps<{ label: string; steps: readonly string[] }>()
/** The step, as text; empty where nobody looked */
const model = defineModel<string>({ required: true })
const name = useId()
/** Green that deepens as algae thicken: less and less light comes through. */
const greens = ['#eef3ef', '#dbe8c9', '#bcd795', '#8fbb5a', '#587f2a']
const pick = (i: number) => {
  model.value = model.value === String(i) ? '' : String(i)
}
const shown = computed(() => props.steps.map((title, i) => ({ title, green: greens[i]!, value: String(i) })))
</script>

<template>
  <fieldset class="scale">
    <legend class="small muted">{{ label }}</legend>
    <label v-for="(s, i) in shown" :key="s.value" class="jar" :class="{ on: model === s.value }">
      <input type="radio" :name="name" :value="s.value" :checked="model === s.value" @click="pick(i)" />
      <svg viewBox="0 0 40 52" aria-hidden="true">
        <path class="glass" d="M9 4h22v6l4 5v30q0 4-4 4H9q-4 0-4-4V15l4-5z" />
        <path :fill="s.green" d="M6.5 18h27v26.500q0 3-3 3h-21q-3 0-3-3z" />
      </svg>
      <span class="small">{{ s.title }}</span>
    </label>
  </fieldset>
</template>

<style scoped>
.scale {
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  grid-template-columns: repeat(5, minmax(0, 1fr));
  gap: var(--space-3);
}
legend {
  padding: 0 0 var(--space-3);
}
.jar {
  display: grid;
  justify-items: center;
  align-content: start;
  gap: var(--space-2);
  padding: var(--space-3) 2px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--surface);
  text-align: center;
  cursor: pointer;
  position: relative;
}
.jar.on {
  border-color: var(--ink);
  box-shadow: inset 0 0 0 1px var(--ink);
}
.jar:focus-within {
  outline: 2px solid var(--focus, var(--ink));
  outline-offset: 2px;
}
input {
  position: absolute;
  opacity: 0;
  inset: 0;
  margin: 0;
  cursor: pointer;
}
svg {
  height: 44px;
}
.glass {
  fill: #fff;
  stroke: var(--muted);
  stroke-width: 1.4;
}
</style>
