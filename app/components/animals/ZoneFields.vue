<script setup lang="ts">
import { type ZoneKind, zoneKinds } from '#core/records'
import { zoneWord } from '~/words/animals'

/** The zones of a shell as they are typed: "white=6 even=18", each up to the diameter at which it ends. */
const props = defineProps<{ label: string; size: string; issue?: string | undefined }>()
const text = defineModel<string>({ required: true })
interface Typed {
  kind: ZoneKind
  end: string
}
const zones = computed<Typed[]>(() =>
  text.value
    .split(' ')
    .filter(Boolean)
    .map(part => {
      const [kind, end = ''] = part.split('=')
      return { kind: kind as ZoneKind, end }
    }),
)
const write = (list: readonly Typed[]) => (text.value = list.map(z => `${z.kind}=${z.end}`).join(' '))
const options = zoneKinds.map(value => ({ value, title: zoneWord[value] }))
const mostMm = computed(() => Number(props.size.replace(',', '.')) || 0)
const drawn = computed(() => {
  const known = zones.value.map(z => ({ kind: z.kind, endMm: Number(z.end.replace(',', '.')) }))
  return known.filter((z, i) => z.endMm > (known[i - 1]?.endMm ?? 0) && z.endMm <= mostMm.value)
})
const change = (i: number, part: Partial<Typed>) => write(zones.value.map((z, k) => (k === i ? { ...z, ...part } : z)))
const drop = (i: number) => write(zones.value.filter((_, k) => k !== i))
/** A touch on the drawing ends a zone there; the last one ends at the edge. */
const mark = (mm: number) => {
  const list = [...zones.value, { kind: 'even' as const, end: String(mm) }]
  write(list.toSorted((a, b) => Number(a.end || 1e9) - Number(b.end || 1e9)))
}
</script>

<template>
  <fieldset class="zones">
    <legend class="small muted">{{ label }}</legend>
    <p v-if="mostMm <= 0" class="small muted">Type the size first: zones end at diameters up to it.</p>
    <template v-else>
      <ShellWhorl :zones="drawn" :most-mm="mostMm" marks @mark="mark" />
      <div class="list">
        <p class="small muted">
          Touch the shell where its look changes, from the middle outwards, or type it here. The last zone ends at the
          edge, {{ size }} mm.
        </p>
        <div v-for="(z, i) in zones" :key="i" class="zone">
          <PickOne
            :model-value="z.kind"
            :label="`Zone ${i + 1}`"
            hide-label
            :options="options"
            @update:model-value="change(i, { kind: $event as ZoneKind })"
          />
          <TextInput
            :model-value="z.end"
            :label="`Ends at`"
            suffix="mm"
            numeric
            @update:model-value="change(i, { end: $event.trim().replace(/\s+/g, '') })"
          />
          <button type="button" class="link" :aria-label="`Drop zone ${i + 1}`" @click="drop(i)">Drop</button>
        </div>
        <button type="button" class="link" @click="mark(mostMm)">Add a zone</button>
        <FieldIssue :text="issue" />
      </div>
    </template>
  </fieldset>
</template>

<style scoped>
.zones {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: var(--space-4) var(--space-6);
}
.list {
  display: grid;
  gap: var(--space-3);
  align-content: start;
  justify-items: start;
}
.zone {
  display: grid;
  grid-template-columns: 1fr 110px auto;
  gap: var(--space-4);
  align-items: end;
  width: 100%;
}
@media (--phone) {
  .zones {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
