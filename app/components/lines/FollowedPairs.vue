<script setup lang="ts">
import type { LineOf } from '~/composables/useLines'
import { basisText, leastText } from '~/words/followedPairs'
import { percent } from '~/words/numbers'

/** Who of the followed animals of a line may breed with whom: what their young would be inbred by. */
const props = defineProps<{ of: LineOf; limit: number; line: number; nowMs: number }>()
const followed = useAnimalsStore()
const living = computed(() => props.of.colonies.flatMap(c => followed.livingIn(c.id, props.nowMs)))
const pairings = usePairings(() => living.value)
const shown = computed(() => {
  const { told } = pairings.value
  return told && told.females.length > 0 && told.males.length > 0 ? told : null
})
</script>

<template>
  <section v-if="living.length > 0 && (shown || pairings.wrong)" aria-labelledby="pairs-title">
    <h2 id="pairs-title">Those you follow: who with whom</h2>
    <FieldIssue :text="pairings.wrong" />
    <template v-if="shown">
      <p>{{ leastText(shown, { inbreeding: line, limit }, followed.nameOf) }}</p>
      <div class="pairs">
        <table aria-label="Inbreeding of the young of each pair">
          <thead>
            <tr>
              <th scope="col" class="small muted">Young inbred by</th>
              <th v-for="m in shown.males" :key="m.id" scope="col">
                <NuxtLink :to="`/animal/${m.id}`">{{ followed.nameOf(m.id) }}</NuxtLink>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(f, i) in shown.females" :key="f.id">
              <th scope="row">
                <NuxtLink :to="`/animal/${f.id}`">{{ followed.nameOf(f.id) }}</NuxtLink>
              </th>
              <td
                v-for="(m, j) in shown.males"
                :key="m.id"
                class="numeral"
                :style="{ '--tint': limitTint(shown.inbreeding[i]![j]!, limit) }"
              >
                {{ f.id === m.id ? '–' : percent(shown.inbreeding[i]![j]!) }}
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p class="small muted">{{ basisText(shown, followed.nameOf) }}</p>
    </template>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: var(--space-4);
}
.pairs {
  overflow-x: auto;
}
table {
  width: auto;
  border-collapse: collapse;
}
th {
  text-align: left;
  font-weight: 400;
  padding: var(--space-3) var(--space-5) var(--space-3) 0;
  white-space: nowrap;
}
td {
  min-width: 84px;
  padding: var(--space-3) var(--space-5);
  text-align: right;
  background: color-mix(in srgb, var(--rust) var(--tint), transparent);
  border: 1px solid var(--surface);
}
</style>
