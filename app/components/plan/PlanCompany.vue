<script setup lang="ts">
import { compatibility, type ResolvedGroup, toleratedOf } from '#core/groups'
import { companyText } from '~/words/company'
import { limitText, valueName, valueUnit } from '~/words/unitPrefs'

/** Whether two groups can share a glass: their ranges over each other, and what else stands between them. */
const props = defineProps<{ groups: ResolvedGroup[] }>()
const settings = useSettingsStore()
const result = computed(() => compatibility(props.groups[0]!, props.groups[1]!))
const rows = computed(() =>
  result.value.overlaps.map(o => {
    const tolerated = o.of.map(t => toleratedOf(o.key, t))
    const low = Math.min(...tolerated.map(t => t[0]))
    const high = Math.max(...tolerated.map(t => t[1]))
    const at = (v: number) => ((v - low) / (high - low || 1)) * 100
    const band = (from: number, to: number) => ({ left: `${at(from)}%`, width: `${Math.max(1.5, at(to) - at(from))}%` })
    const text = (range: readonly [number, number]) => {
      const [from, to] = range.map(v => limitText(o.key, v, settings.units))
      return from === to ? `only ${from}` : `${from} to ${to}`
    }
    const each = props.groups.map((g, i) => `${g.group.name} ${text(o.of[i]!.preferred)}`)
    const shared = o.common ? `in common ${text(o.common)}` : 'nothing in common'
    return {
      ...o,
      title: valueName(o.key),
      unit: valueUnit(o.key, settings.units),
      bands: o.of.map((t, i) => ({
        pale: band(...(tolerated[i]! as [number, number])),
        solid: band(...(t.preferred as [number, number])),
      })),
      shared: o.common ? band(o.common[0], o.common[1]) : null,
      label: `${valueName(o.key)}: ${each.join(', ')}, ${shared}`,
      common: o.common ? text(o.common) : 'nothing',
    }
  }),
)
const verdict = computed(
  () =>
    ({
      off: 'They should not live together.',
      drifting: 'They can live together, with care.',
      unknown: 'Nothing speaks against it.',
      onTarget: 'They suit each other.',
    })[result.value.state],
)
</script>

<template>
  <section aria-labelledby="company-title">
    <h2 id="company-title" class="statement"><StateMark :state="result.state" :size="14" /> {{ verdict }}</h2>
    <p v-for="i in result.issues" :key="i.key + String(i.values.who)" class="issue">
      <StateMark :state="i.state" /> {{ companyText(i) }}
    </p>
    <div v-for="r in rows" :key="r.key" class="row">
      <span class="name"
        >{{ r.title }} <span class="small muted">{{ r.unit }}</span></span
      >
      <span class="pair" role="img" :aria-label="r.label">
        <i v-if="r.shared" class="shared" :style="r.shared" />
        <template v-for="(b, i) in r.bands" :key="i"
          ><i class="pale" :class="`line${i}`" :style="b.pale" /><i class="solid" :class="`line${i}`" :style="b.solid"
        /></template>
      </span>
      <span class="small"><StateMark :state="r.state" /> {{ r.common }}</span>
    </div>
    <p class="small muted">
      Upper strip {{ groups[0]!.group.name }}, lower {{ groups[1]!.group.name }}: solid preferred, pale tolerated;
      framed what suits both.
    </p>
  </section>
</template>

<style scoped>
section {
  border-top: 1px solid var(--rule);
  padding-top: var(--space-5);
  display: grid;
  gap: var(--space-3);
}
.statement {
  font-size: var(--type-title);
}
.issue {
  display: flex;
  gap: var(--space-3);
  align-items: baseline;
}
.row {
  display: grid;
  grid-template-columns: 150px minmax(0, 1fr) 116px;
  gap: var(--space-5);
  align-items: center;
  border-top: 1px solid var(--rule);
  padding: var(--space-3) 0;
}
.pair {
  position: relative;
  height: 26px;
  display: block;
}
.pair i {
  position: absolute;
  display: block;
  border-radius: 2px;
  height: 8px;
}
.line0 {
  top: 3px;
}
.line1 {
  top: 15px;
}
.pale {
  background: var(--water-tint);
}
.solid {
  background: var(--water-solid);
}
.pair .shared {
  top: 0;
  height: 26px;
  border: 1.5px solid var(--weed);
  background: var(--weed-tint);
}
@media (--phone) {
  .row {
    grid-template-columns: 110px minmax(0, 1fr);
  }
  .row .small:last-child {
    grid-column: 2;
  }
}
</style>
