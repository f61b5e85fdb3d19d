<script setup lang="ts">
import { familyGraph, type FamilyNode } from '#core/lines'
import type { LineOf } from '~/composables/useLines'
import type { FamilyLaid, FamilyLayoutApi } from '~/workers/familyLayout.worker'
import { shortName } from '~/words/lineGenerations'
import { familyNodeText } from '~/words/lines'

/** Who came of whom, generation by generation, as groups. */
const props = defineProps<{ of: LineOf; nowMs: number }>()
const room = useRoomStore()
const worker = useWorker<FamilyLayoutApi>(
  () => new Worker(new URL('../../workers/familyLayout.worker.ts', import.meta.url), { type: 'module' }),
)
const nodes = computed<FamilyNode[]>(() =>
  familyGraph({
    generations: room.generations.filter(g => g.lineId === props.of.line.id),
    breedingGroups: room.breedingGroups.filter(b => b.lineId === props.of.line.id),
    told: props.of.told?.generations ?? [],
  }),
)
const names = computed(() => {
  const { told } = props.of
  return new Map(told?.generations.map(g => [g.id, shortName(g, told, props.nowMs)]))
})
const laid = shallowRef<FamilyLaid | null>(null)
watch(
  nodes,
  async list => {
    const plain = list.map(({ id, parentIds }) => ({ id, parentIds: [...parentIds] }))
    laid.value = (await worker.run(api => api.lay(plain))) ?? null
  },
  { immediate: true },
)
/** The newest stand to the right: they are seen first. */
const frame = useTemplateRef<HTMLElement>('frame')
watch(laid, async () => {
  await nextTick()
  if (frame.value) frame.value.scrollLeft = frame.value.scrollWidth
})
const WIDE = 132
const TALL = 50
const shown = computed(() =>
  nodes.value.flatMap(node => {
    const at = laid.value?.nodes.find(p => p.id === node.id)
    const colony = node.kind === 'breeders' ? (room.colonyById.get(node.colonyId)?.name ?? '') : ''
    const name = names.value.get(node.id)
    return at ? [{ node, ...at, ...familyNodeText(node, colony), ...(name && { title: name }) }] : []
  }),
)
const path = (points: readonly (readonly [number, number])[]) => {
  const [first, ...rest] = points
  return first ? `M${first[0]},${first[1]} ${rest.map(([x, y]) => `L${x},${y}`).join(' ')}` : ''
}
const summary = computed(() => shown.value.map(s => `${s.title}: ${s.below}`).join('; '))
</script>

<template>
  <section v-if="nodes.length > 1" class="family" aria-labelledby="family-title">
    <h2 id="family-title">Who came of whom</h2>
    <WorkerFailed :worker="worker" />
    <!-- eslint-disable-next-line vuejs-accessibility/no-noninteractive-tabindex -->
    <div v-if="laid" ref="frame" class="scroll" tabindex="0" role="region" aria-label="Family graph">
      <svg
        :viewBox="`0 0 ${laid.width} ${laid.height}`"
        :width="laid.width"
        :height="laid.height"
        role="img"
        :aria-label="summary"
      >
        <path v-for="l in laid.links" :key="`${l.from} ${l.to}`" :d="path(l.points)" class="link" />
        <g v-for="s in shown" :key="s.id" :transform="`translate(${s.x - WIDE / 2},${s.y - TALL / 2})`">
          <rect :width="WIDE" :height="TALL" :rx="s.node.kind === 'breeders' ? 25 : 4" :class="s.node.kind" />
          <text :x="WIDE / 2" y="21" class="title">{{ s.title }}</text>
          <text :x="WIDE / 2" y="38" class="below">{{ s.below }}</text>
        </g>
      </svg>
    </div>
    <p class="small muted">
      {{
        of.told?.rolling
          ? 'Boxes are gradings: of each later one some are young of those before, and some are still the same.'
          : 'Boxes are generations, rounds those that bred; the last rounds breed now.'
      }}
    </p>
  </section>
</template>

<style scoped>
.family {
  min-width: 0;
}
.scroll {
  overflow-x: auto;
  padding: var(--space-3) 0;
}
svg {
  display: block;
}
.link {
  fill: none;
  stroke: var(--muted);
  stroke-width: 1.4;
}
rect {
  fill: var(--surface);
  stroke: var(--rule);
  stroke-width: 1.4;
}
rect.breeders {
  stroke: var(--weed);
  stroke-width: 2;
}
text {
  text-anchor: middle;
  fill: var(--ink);
  font-size: var(--type-fine);
}
.title {
  font-weight: 650;
}
.below {
  fill: var(--muted);
}
</style>
