<script setup lang="ts">
import type { BucketBlend } from '~/composables/useBucketBlend'
import { percent } from '~/words/numbers'
import { volumeText } from '~/words/unitPrefs'

/** What goes into the bucket: the drawn bucket, how much is changed, what leads, and litres of each source. */
const { blend } = defineProps<{ blend: BucketBlend }>()
const emit = defineEmits<{ sources: []; topUp: [] }>()
const desk = useWaterDeskStore()
const settings = useSettingsStore()
const modes = [
  { value: 'minerals', title: 'GH and KH' },
  { value: 'conductivity', title: 'Conductivity' },
] as const
</script>

<template>
  <section class="bucket-side beside-card" aria-label="Into the bucket">
    <h2>Into the bucket</h2>
    <BucketCylinder
      v-if="blend.parts.length > 0"
      :parts="blend.parts"
      :total-l="blend.totalL"
      :step-l="blend.stepL"
      @blend="blend.blendTo"
    />
    <form v-if="!desk.filling" class="change" @submit.prevent="blend.setChange()">
      <TextInput
        :model-value="blend.changeText"
        label="Change of"
        :suffix="blend.unit"
        numeric
        :error="blend.changeIssue"
        @update:model-value="blend.typeChange"
        @change="blend.setChange()"
      />
      <span class="small muted"
        >{{ percent(desk.bucketL / Math.max(desk.netL, 0.1)) }} of {{ volumeText(desk.netL, settings.units) }}</span
      >
    </form>
    <ChoiceChips
      v-if="desk.canLead"
      :model-value="desk.leading"
      label="Led by"
      :options="modes"
      hide-label
      @update:model-value="desk.mode = $event || null"
    />
    <ul class="sources">
      <li v-for="r in blend.rows" :key="r.id">
        <span class="source"
          ><b>{{ r.name }}</b
          ><span class="small muted">{{ r.facts }}</span></span
        >
        <span class="litres"
          ><CellInput
            :model-value="r.shown"
            :label="`${r.name}, ${blend.unit}`"
            :model-modifiers="{ lazy: true }"
            @update:model-value="blend.pourOf(r.id, $event)"
          /><span class="small muted">{{ blend.unit }}</span></span
        >
      </li>
    </ul>
    <p class="small muted">
      <template v-if="desk.chosen"
        >Your own blend.
        <button type="button" class="link" @click="desk.chosen = null">Let it be solved</button></template
      ><template v-else>The blend is solved: drag a line, or type litres, to choose your own.</template>
    </p>
    <p class="ways">
      <button type="button" class="link" @click="emit('sources')">Sources and shelf</button
      ><button type="button" class="link" @click="emit('topUp')">Log a top-up</button
      ><button v-if="!desk.empty" type="button" class="link" @click="blend.refill()">
        {{ desk.refilling ? 'Back to a change' : 'Fill anew' }}
      </button>
    </p>
  </section>
</template>

<style scoped>
.bucket-side {
  display: grid;
  gap: var(--space-4);
  align-content: start;
}
.change {
  display: grid;
  grid-template-columns: 120px 1fr;
  gap: var(--space-4);
  align-items: end;
}
.change .small {
  padding-bottom: var(--space-5);
}
.sources li {
  display: flex;
  align-items: center;
  gap: var(--space-4);
  border-top: 1px solid var(--rule);
  padding: var(--space-2) 0;
}
.source {
  flex: 1;
  display: grid;
  line-height: 1.25;
  min-width: 0;
}
.litres {
  --cell-width: 62px;
  display: flex;
  align-items: center;
  gap: var(--space-2);
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-6);
}
.ways .link {
  min-height: 32px;
}
</style>
