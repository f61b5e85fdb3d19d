<script setup lang="ts">
import { VueDraggable } from 'vue-draggable-plus'
import type { Standings } from '#core/lines'
import type { Rung, RungCount, TrayKind } from '#core/records'
import { trayWord } from '~/words/lineTrays'

/** A tray: stacks of one rung and sex, as dots. A stack is dragged, or picked and sent on by a letter. */
const props = defineProps<{
  kind: TrayKind
  /** whether whoever stays breeds */
  rolling: boolean
  standings: Standings
  rungs: readonly Rung[]
  picked: string
}>()
const emit = defineEmits<{
  pick: [key: string]
  send: [key: string, to: TrayKind]
  drop: [key: string, from: TrayKind]
}>()
interface Stack {
  key: string
  id: string
  rung: number
  sex: RungCount['sex']
  number: number
  from: TrayKind
}
const stacks = computed<Stack[]>(() =>
  props.rungs
    .flatMap((r, k) =>
      (['female', 'male'] as const).map(sex => {
        const key = `${r.id} ${sex}`
        return { key, id: `${props.kind} ${key}`, rung: k, sex, number: props.standings[key] ?? 0, from: props.kind }
      }),
    )
    .filter(s => s.number > 0)
    .sort((a, b) => b.rung - a.rung),
)
// the list that is dragged about is a copy: what was dropped is read off it, and the trays say what lies where
const dragged = shallowRef<Stack[]>([])
watch(stacks, now => (dragged.value = [...now]), { immediate: true })
function changed(list: Stack[]) {
  const come = list.find(s => s.from !== props.kind)
  dragged.value = [...stacks.value]
  if (come) emit('drop', come.key, come.from)
}
const total = computed(() => stacks.value.reduce((sum, s) => sum + s.number, 0))
const MOST_DOTS = 40
const keys: Readonly<Record<string, TrayKind>> = { b: 'breed', h: 'hold', o: 'offer', p: 'part' }
function pressed(event: KeyboardEvent, stack: Stack) {
  const to = keys[event.key.toLowerCase()]
  if (!to || (props.rolling && to === 'breed') || event.ctrlKey || event.metaKey || event.altKey) return
  event.preventDefault()
  event.stopPropagation()
  emit('send', stack.key, to)
}
</script>

<template>
  <section class="tray" :class="`of-${kind}`" :aria-label="`${trayWord(kind, rolling)}: ${total}`">
    <h3>
      <b class="numeral">{{ total }}</b> {{ trayWord(kind, rolling) }}
    </h3>
    <VueDraggable
      :model-value="dragged"
      class="stacks"
      group="trays"
      :animation="0"
      :sort="false"
      @update:model-value="changed"
    >
      <button
        v-for="s in dragged"
        :key="s.id"
        type="button"
        class="stack"
        :class="{ on: picked === s.id }"
        :aria-pressed="picked === s.id"
        @click="emit('pick', s.id)"
        @keydown="pressed($event, s)"
      >
        <span class="small"
          >{{ s.number }}
          {{ s.sex === 'female' ? (s.number === 1 ? 'female' : 'females') : s.number === 1 ? 'male' : 'males' }} of
          {{ s.rung + 1 }}</span
        >
        <span class="dots" aria-hidden="true">
          <i
            v-for="i in Math.min(MOST_DOTS, s.number)"
            :key="i"
            :style="{
              borderColor: rungStroke(s.rung, rungs.length),
              background: kind === 'breed' ? rungStroke(s.rung, rungs.length) : 'transparent',
              borderRadius: s.sex === 'male' ? '1px' : '50%',
            }"
          />{{ s.number > MOST_DOTS ? ' …' : '' }}
        </span>
      </button>
    </VueDraggable>
  </section>
</template>

<style scoped>
.tray {
  display: grid;
  grid-template-rows: auto 1fr;
  min-height: 150px;
  border: 1px solid var(--rule);
  border-bottom: 4px solid var(--shelf);
  border-radius: 6px;
  background: var(--surface);
  padding: var(--space-4);
}
.tray.of-breed {
  border-bottom-color: var(--weed);
}
.tray.of-offer {
  border-bottom-color: var(--roe);
}
h3 {
  font-weight: 400;
  white-space: nowrap;
}
h3 b {
  font-size: var(--type-title);
}
.stacks {
  display: grid;
  align-content: start;
  gap: var(--space-1);
  min-height: 90px;
}
.stack {
  display: grid;
  gap: var(--space-1);
  min-height: 44px;
  padding: var(--space-2);
  border: 1px solid transparent;
  border-radius: 4px;
  background: none;
  font: inherit;
  color: var(--ink);
  text-align: left;
  cursor: grab;
}
.stack.on {
  border-color: var(--weed);
  background: var(--weed-tint);
}
.dots {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1);
}
i {
  width: 9px;
  height: 9px;
  border: 1.5px solid;
}
</style>
