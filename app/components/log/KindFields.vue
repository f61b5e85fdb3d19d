<script setup lang="ts">
import { isAsked, type KindField } from '~/forms/kindFields'

/** The fields of a kind of entry that needs no more than fields. */
const props = defineProps<{
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
const textual: ReadonlySet<KindField['type']> = new Set(['whole', 'decimal', 'litres', 'text', 'sizes'])
const worded: ReadonlySet<KindField['type']> = new Set(['text', 'sizes'])
const flagged = (name: string) => (values.value[name] ?? '').split(' ').filter(Boolean)
/** Of equipment each part has a state: "cover=fine". */
const stateOf = (name: string, part: string) =>
  flagged(name)
    .find(f => f.startsWith(`${part}=`))
    ?.split('=')[1] ?? ''
const setState = (name: string, part: string, state: string) =>
  set(name, [...flagged(name).filter(f => !f.startsWith(`${part}=`)), ...(state ? [`${part}=${state}`] : [])].join(' '))
const asked = computed(() => props.fields.filter(f => isAsked(f, props.fields, values.value)))
</script>

<template>
  <FieldGrid>
    <template v-for="(f, i) in asked" :key="f.name">
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
      <FlagChecks
        v-else-if="f.type === 'flags'"
        :model-value="flagged(f.name)"
        :label="f.label"
        :options="f.options"
        @update:model-value="set(f.name, $event.join(' '))"
      />
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
      <TallyFields
        v-else-if="f.type === 'tally'"
        :model-value="values[f.name] ?? ''"
        :label="f.label"
        :options="f.options"
        :issue="issues[f.name]"
        @update:model-value="set(f.name, $event)"
      />
      <GreenScale
        v-else-if="f.type === 'scale'"
        :model-value="values[f.name] ?? ''"
        :label="f.label"
        :steps="f.steps"
        @update:model-value="set(f.name, $event)"
      />
      <PickOne
        v-else-if="f.type === 'source'"
        :model-value="values[f.name] ?? ''"
        :label="f.label"
        :options="[{ value: '', title: 'not known' }, ...sources]"
        @update:model-value="set(f.name, $event)"
      />
      <template v-else>
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
.parts {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-5);
}
</style>
