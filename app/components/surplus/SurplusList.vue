<script setup lang="ts">
import type { Colony } from '#core/records'
import type { PopulationAnswer } from '#core/population'
import { glassNumber, whole } from '~/words/numbers'

/** All colonies with what can go today, what is reserved, and what is left of it. */
defineProps<{
  colonies: readonly { colony: Colony; population: PopulationAnswer; canGo: number; reserved: number }[]
}>()
const picked = defineModel<string>({ required: true })
</script>

<template>
  <table aria-label="Colonies and what can go">
    <thead>
      <tr>
        <th scope="col">Colony</th>
        <th scope="col">There</th>
        <th scope="col">Can go</th>
        <th scope="col">Reserved</th>
        <th scope="col">Free</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="c in colonies" :key="c.colony.id" :class="{ on: picked === c.colony.id }">
        <th scope="row">
          <button type="button" class="pick" :aria-pressed="picked === c.colony.id" @click="picked = c.colony.id">
            {{ c.colony.name }}
          </button>
        </th>
        <td class="numeral">{{ glassNumber(c.population.now.value, c.population.now.low, c.population.now.high) }}</td>
        <td class="numeral" :class="{ none: c.canGo === 0 }">{{ c.canGo === 0 ? 'none' : whole(c.canGo) }}</td>
        <td>{{ c.reserved || '' }}</td>
        <td class="numeral">
          {{
            c.canGo > 0 || c.reserved > 0
              ? c.canGo >= c.reserved
                ? whole(c.canGo - c.reserved)
                : `${whole(c.reserved - c.canGo)} short`
              : ''
          }}
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
}
thead th {
  font-size: 13px;
  font-weight: 400;
  color: var(--muted);
  text-align: left;
  padding: 4px 10px 4px 0;
}
tbody th,
td {
  text-align: left;
  border-top: 1px solid var(--rule);
  padding: 0 10px 0 0;
  height: 44px;
  white-space: nowrap;
}
.pick {
  border: 0;
  border-left: 3px solid transparent;
  background: none;
  font: inherit;
  font-weight: 600;
  color: var(--ink);
  min-height: 44px;
  padding: 0 8px;
  cursor: pointer;
  text-align: left;
}
.on {
  background: var(--weed-tint);
}
.on .pick {
  border-color: var(--weed);
}
.none {
  color: var(--muted);
  font-weight: 400;
}
</style>
