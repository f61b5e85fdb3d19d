<script setup lang="ts">
import type { KindField } from '~/forms/kindFields'

/** The fields of a kind of entry that needs no more than fields. */
defineProps<{
  fields: readonly KindField[]
  issues: Record<string, string>
  colonies: readonly { value: string; title: string }[]
  clutches: readonly { value: string; title: string }[]
  sources: readonly { value: string; title: string }[]
  litresUnit: string
}>()
const values = defineModel<Record<string, string>>({ required: true })
const set = (name: string, text: string) => {
  values.value = { ...values.value, [name]: text }
}
/** Fields that are typed, and those of them that are no number. */
const textual: ReadonlySet<KindField['type']> = new Set(['whole', 'decimal', 'litres', 'text', 'grades', 'sizes'])
const worded: ReadonlySet<KindField['type']> = new Set(['text', 'grades', 'sizes'])
const flagged = (name: string) => (values.value[name] ?? '').split(' ').filter(Boolean)
const flag = (name: string, value: string, on: boolean) =>
  set(name, [...flagged(name).filter(f => f !== value), ...(on ? [value] : [])].join(' '))
/** Of equipment each part has a state: "cover=fine". */
const stateOf = (name: string, part: string) =>
  flagged(name)
    .find(f => f.startsWith(`${part}=`))
    ?.split('=')[1] ?? ''
const setState = (name: string, part: string, state: string) =>
  set(name, [...flagged(name).filter(f => !f.startsWith(`${part}=`)), ...(state ? [`${part}=${state}`] : [])].join(' '))
/** A clutch that is laid begins; only what follows names one. */
const wanted = (field: KindField) => field.type !== 'clutch' || (values.value.event ?? 'laid') !== 'laid'
</script>

<template>
  <FieldGrid>
    <template v-for="(f, i) in fields" :key="f.name">
      <TextInput
        v-if="textual.has(f.type)"
        :model-value="values[f.name] ?? ''"
        :label="f.label"
        :hint="f.hint"
        :suffix="f.type === 'decimal' ? f.unit : f.type === 'litres' ? litresUnit : undefined"
        :numeric="!worded.has(f.type)"
        :autofocus="i === 0"
        :error="issues[f.name]"
        @update:model-value="set(f.name, $event)"
      />
      <template v-else-if="f.type === 'choice'">
        <ChoiceChips
          :model-value="values[f.name] || f.preset || ''"
          :label="f.label"
          :options="f.options"
          @update:model-value="set(f.name, $event)"
        />
        <FieldIssue :text="issues[f.name]" />
      </template>
      <fieldset v-else-if="f.type === 'flags'" class="flags">
        <legend class="label">{{ f.label }}</legend>
        <label v-for="o in f.options" :key="o.value"
          ><input
            type="checkbox"
            :checked="flagged(f.name).includes(o.value)"
            @change="flag(f.name, o.value, ($event.target as HTMLInputElement).checked)"
          />
          {{ o.title }}</label
        >
      </fieldset>
      <div v-else-if="f.type === 'found'" class="parts">
        <PickOne
          v-for="o in f.options"
          :key="o.value"
          :model-value="stateOf(f.name, o.value)"
          :label="o.title.replace(/^./, c => c.toUpperCase())"
          :options="[{ value: '', title: 'not looked at' }, ...f.states]"
          @update:model-value="setState(f.name, o.value, $event)"
        />
        <FieldIssue :text="issues[f.name]" />
      </div>
      <template v-else-if="f.type === 'toColony'">
        <PickOne
          :model-value="values[f.name] ?? ''"
          :label="f.label"
          :options="[{ value: '', title: 'choose' }, ...colonies]"
          @update:model-value="set(f.name, $event)"
        />
        <FieldIssue :text="issues[f.name]" />
      </template>
      <ZoneFields
        v-else-if="f.type === 'zones'"
        :model-value="values[f.name] ?? ''"
        :label="f.label"
        :size="values[f.size] ?? ''"
        :issue="issues[f.name]"
        @update:model-value="set(f.name, $event)"
      />
      <PickOne
        v-else-if="f.type === 'source'"
        :model-value="values[f.name] ?? ''"
        :label="f.label"
        :options="[{ value: '', title: 'not known' }, ...sources]"
        @update:model-value="set(f.name, $event)"
      />
      <template v-else-if="wanted(f)">
        <PickOne
          :model-value="values[f.name] ?? ''"
          :label="f.label"
          :options="[
            { value: '', title: clutches.length > 0 ? 'choose' : 'no clutch is open: log it as laid first' },
            ...clutches,
          ]"
          @update:model-value="set(f.name, $event)"
        />
        <FieldIssue :text="issues[f.name]" />
      </template>
    </template>
  </FieldGrid>
</template>

<style scoped>
.label {
  font-size: var(--type-small);
  color: var(--muted);
  padding-bottom: var(--space-2);
}
.flags {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-6);
}
.flags label {
  display: flex;
  gap: var(--space-4);
  align-items: center;
  min-height: 44px;
}
.flags input {
  width: 20px;
  height: 20px;
  accent-color: var(--weed);
}
.parts {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-5);
}
</style>
