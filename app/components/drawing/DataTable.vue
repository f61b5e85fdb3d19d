<script setup lang="ts" generic="Row extends object">
import type { ComponentPublicInstance } from 'vue'
import type { DataColumn } from './dataColumn'

/**
 * Every table: rows with a heading each, under hairlines. Only the rows in view exist where a height is given, so that
 * years of readings scroll as lightly as ten.
 */
const {
  label,
  height = undefined,
  marked = undefined,
} = defineProps<{
  columns: readonly DataColumn[]
  rows: readonly Row[]
  /** what it is, for those who hear it */
  label: string
  /** CSS height of the part that scrolls; without it the table is as long as its rows */
  height?: string
  /** whether a row is the one that is picked */
  marked?: (row: Row) => boolean
}>()
defineSlots<Record<string, (cell: { row: Row; index: number }) => unknown>>()

// what scrolls must be reached by keys; Vuetify leaves its scrolling part out of their way
const frame = useTemplateRef<ComponentPublicInstance>('frame')
const rowsDrawn = shallowRef<HTMLElement | null>(null)
onMounted(() => (rowsDrawn.value = (frame.value?.$el as HTMLElement).querySelector('table')))
useResizeObserver([() => frame.value, rowsDrawn], () => {
  const part = rowsDrawn.value?.parentElement
  if (!part) return
  const scrolls = part.scrollHeight > part.clientHeight + 1 || part.scrollWidth > part.clientWidth + 1
  const asRegion = { tabindex: '0', role: 'region', 'aria-label': label }
  for (const [name, value] of Object.entries(asRegion))
    if (scrolls) part.setAttribute(name, value)
    else part.removeAttribute(name)
})
const cellOf = (row: Row, key: string) => (row as Record<string, unknown>)[key]
</script>

<template>
  <v-data-table-virtual
    ref="frame"
    class="data"
    :headers="[...columns]"
    :items="[...rows]"
    :height="height"
    :fixed-header="!!height"
    density="compact"
    disable-sort
    hide-no-data
    :aria-label="label"
  >
    <template #headers>
      <tr>
        <th v-for="c in columns" :key="c.key" scope="col" :class="c.as" :style="{ width: c.width }">{{ c.title }}</th>
      </tr>
    </template>
    <template #item="{ item, index, itemRef }">
      <tr :ref="itemRef" :class="{ marked: marked?.(item) }">
        <component
          :is="i === 0 ? 'th' : 'td'"
          v-for="(c, i) in columns"
          :key="c.key"
          :scope="i === 0 ? 'row' : undefined"
          :class="[c.as, { numeral: c.as === 'figure' }]"
        >
          <slot :name="c.key" :row="item" :index="index">{{ cellOf(item, c.key) }}</slot>
        </component>
      </tr>
    </template>
  </v-data-table-virtual>
</template>

<style scoped>
.data {
  background: transparent;
  color: var(--ink);
  line-height: 1.3;
}
.data :deep(table) {
  border-collapse: collapse;
}
.data :deep(.v-table__wrapper > table > :is(thead, tbody) > tr > :is(th, td)) {
  height: auto;
  padding: var(--space-3) var(--space-5) var(--space-3) 0;
  border: 0;
  border-bottom: 1px solid var(--rule);
  font-size: var(--type-small);
  font-weight: 400;
  text-align: left;
  white-space: normal;
  vertical-align: middle;
}
.data :deep(.v-table__wrapper > table > thead > tr > th) {
  padding-block: var(--space-2);
  color: var(--muted);
  font-size: var(--type-small);
  background: var(--paper);
}
.data :deep(.v-table__wrapper > table > :is(thead, tbody) > tr > :last-child) {
  padding-right: 0;
}
/* the rows that stand for those out of view */
.data :deep(.v-table__wrapper > table > tbody > tr > td[colspan]) {
  padding: 0;
  border: 0;
}
.data :deep(.v-table__wrapper > table > tbody > tr > .name) {
  font-weight: 600;
}
.data :deep(.v-table__wrapper > table > tbody > tr > .figure) {
  font-weight: 650;
  white-space: nowrap;
}
.data :deep(.v-table__wrapper > table > :is(thead, tbody) > tr > .number) {
  text-align: right;
  white-space: nowrap;
}
.data :deep(.v-table__wrapper > table > tbody > tr > .quiet) {
  color: var(--muted);
}
.data :deep(tr.marked) {
  background: var(--weed-tint);
}
</style>
