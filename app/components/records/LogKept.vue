<script setup lang="ts">
import { openDb } from '~/data/database'
import { type KindKept, kindsKept } from '~/data/log'
import { whole } from '~/words/numbers'
import { kindWord } from '~/words/states'
import { dayText } from '~/words/when'

/** What the log on this device holds: how often each kind was written, and when last. */
const { value: kept } = useLiveQuery<KindKept[]>(() => kindsKept(openDb()), [])
const now = Date.now()
const most = computed(() => Math.max(1, ...kept.value.map(k => k.number)))
</script>

<template>
  <section v-if="kept.length > 0" aria-labelledby="kept-title">
    <h2 id="kept-title">What was written</h2>
    <table>
      <thead class="small muted">
        <tr>
          <th scope="col">Kind</th>
          <th scope="col" class="numeral">Lines</th>
          <td></td>
          <th scope="col">Last of</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="k in kept" :key="k.kind">
          <th scope="row">{{ kindWord[k.kind] }}</th>
          <td class="numeral">{{ whole(k.number) }}</td>
          <td aria-hidden="true" class="bar"><span :style="{ width: `${(100 * k.number) / most}%` }" /></td>
          <td class="muted">{{ dayText(k.lastMs, now) }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  font-weight: inherit;
  text-align: left;
}
th,
td {
  padding: var(--space-2) var(--space-4) var(--space-2) 0;
}
.numeral {
  text-align: right;
}
.bar {
  width: 30%;
}
.bar span {
  display: block;
  height: 8px;
  min-width: 1px;
  background: var(--water-solid);
}
</style>
