<script setup lang="ts">
import { plain } from '~/words/numbers'
import type { Why } from '~/words/why'

/**
 * What stands behind a statement: reasons, inputs, method in words, formula, basis of every figure, and what would
 * narrow it.
 */
const props = defineProps<{ why: Why | null }>()
const emit = defineEmits<{ close: [] }>()
const open = computed({
  get: () => props.why !== null,
  set: v => {
    if (!v) emit('close')
  },
})
useSheets().countOpen(open)
</script>

<template>
  <SideSheet v-model="open" :title="why?.title ?? ''">
    <template v-if="why">
      <section>
        <p v-for="r in why.reasons" :key="r" class="reason"><TheSentence :text="r" /></p>
      </section>
      <section>
        <h3>What would narrow it</h3>
        <p v-for="n in why.narrows" :key="n">{{ plain(n) }}</p>
      </section>
      <section>
        <h3>What went in</h3>
        <ul class="inputs">
          <li v-for="(i, k) in why.inputs" :key="k">{{ i.text }}</li>
          <li v-if="why.inputs.length === 0" class="muted">Nothing yet.</li>
        </ul>
      </section>
      <section>
        <h3>How</h3>
        <p v-for="m in why.method" :key="m">{{ m }}</p>
        <p class="formula">{{ why.formula }}</p>
      </section>
      <section>
        <h3>Figures and where they come from</h3>
        <dl>
          <div v-for="f in why.figures" :key="f.name">
            <dt>{{ f.name }}</dt>
            <dd>
              <span class="numeral">{{ f.value }}</span><br /><span class="small muted">{{ f.basis }}</span>
            </dd>
          </div>
        </dl>
        <p class="small muted">Change these for the colony under “Change”, at the top of its page.</p>
      </section>
    </template>
  </SideSheet>
</template>

<style scoped>
section {
  padding-bottom: var(--space-6);
}
h3 {
  padding-bottom: var(--space-2);
}
p {
  padding: var(--space-1) 0;
}
.reason {
  font-size: var(--type-section);
}
.inputs li {
  border-top: 1px solid var(--rule);
  padding: var(--space-2) 0;
  font-size: var(--type-small);
}
.formula {
  border-left: 3px solid var(--rule);
  padding: var(--space-2) 0 var(--space-2) var(--space-4);
  margin-top: var(--space-3);
  font-size: var(--type-small);
  color: var(--muted);
}
dl div {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-5);
  border-top: 1px solid var(--rule);
  padding: var(--space-3) 0;
  font-size: var(--type-small);
}
dd {
  margin: 0;
}
</style>
