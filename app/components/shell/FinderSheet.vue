<script setup lang="ts">
import type { Findable } from '~/composables/useFindables'

/** Finds colonies, places and actions by a few letters. */
const sheets = useSheets()
const { all, ended } = useFindables()
const text = ref('')
const chosen = ref(0)
const list = useId()

const found = computed(() => {
  const words = text.value.toLowerCase().split(/\s+/).filter(Boolean)
  const asked = words.some(w => w.length > 2 && 'ended'.startsWith(w)) ? ended.value : []
  return [...all.value, ...asked]
    .filter(f => words.every(w => `${f.title} ${f.about}`.toLowerCase().includes(w)))
    .sort(
      (a, b) =>
        Number(b.title.toLowerCase().startsWith(words[0] ?? '')) -
        Number(a.title.toLowerCase().startsWith(words[0] ?? '')),
    )
    .slice(0, 12)
})
watch(text, () => {
  chosen.value = 0
})
watch(sheets.finder, open => {
  if (open) text.value = ''
})
function step(by: number) {
  chosen.value = Math.min(found.value.length - 1, Math.max(0, chosen.value + by))
}
async function run(f: Findable | undefined) {
  if (!f) return
  sheets.finder.value = false
  await nextTick()
  f.run()
}
</script>

<template>
  <SideSheet v-model="sheets.finder.value" title="Find">
    <input
      v-model="text"
      class="field asked"
      type="search"
      aria-label="Find a colony, a place or an action"
      role="combobox"
      aria-expanded="true"
      :aria-controls="list"
      :aria-activedescendant="found[chosen] ? `${list}-${chosen}` : undefined"
      autofocus
      placeholder="A few letters"
      @keydown.down.prevent="step(1)"
      @keydown.up.prevent="step(-1)"
      @keydown.enter.prevent="run(found[chosen])"
    />
    <ul :id="list" role="listbox" aria-label="Found">
      <li
        v-for="(f, i) in found"
        :id="`${list}-${i}`"
        :key="f.id"
        role="option"
        :aria-selected="i === chosen"
        @click="run(f)"
      >
        <strong>{{ f.title }}</strong> <span class="muted small">{{ f.about }}</span>
      </li>
    </ul>
    <p v-if="found.length === 0" class="muted none">Nothing goes by that name.</p>
  </SideSheet>
</template>

<style scoped>
.asked {
  width: 100%;
  min-height: 48px;
  padding: 0 var(--space-5);
  border-color: var(--muted);
  font-size: var(--type-section);
}
ul {
  padding-top: var(--space-4);
}
li {
  padding: var(--space-5) var(--space-5);
  border-bottom: 1px solid var(--rule);
  cursor: pointer;
  border-radius: 4px;
}
li[aria-selected='true'] {
  background: var(--weed-tint);
}
li[aria-selected='true'] .muted {
  color: inherit;
}
.none {
  padding-top: var(--space-5);
}
</style>
