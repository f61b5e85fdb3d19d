<script setup lang="ts">
import type { ValueKey } from '#core/records'
import type { RoundDesk } from '~/composables/useRoundDesk'
import { readValue } from '~/forms/testReadings'
import { testMethodWord } from '~/words/states'
import { valueName, valueShort, valueText, valueUnit } from '~/words/unitPrefs'
import { agoText } from '~/words/when'

/** Water values with their strips, which move as a value is typed. */
const props = defineProps<{ desk: RoundDesk }>()
const settings = useSettingsStore()
const draft = computed(() => props.desk.draft.value)
const set = (key: ValueKey, text: string) => props.desk.edit({ readings: { ...draft.value.readings, [key]: text } })
function typed(key: ValueKey): number | null {
  const text = draft.value.readings[key] ?? ''
  const read = text.trim() === '' ? null : readValue(key, text, settings.units)
  return read?.ok ? read.value : null
}
function last(key: ValueKey): string {
  const v = props.desk.verdicts.value.get(key)
  return v?.latest ? `${valueText(key, v.latest.value, settings.units)}, ${agoText(v.ageDays ?? 0)}` : 'never tested'
}
const dueKeys = computed(() => new Set(props.desk.dueKeys.value))
</script>

<template>
  <section class="water" aria-label="Water values">
    <div v-for="key in desk.values.value" :key="key" class="row" :class="{ due: dueKeys.has(key) }">
      <label :for="`round-${key}`"
        >{{ valueShort(key)
        }}<span class="hidden-to-eyes"> {{ valueName(key) }}{{ dueKeys.has(key) ? ', due' : '' }}</span
        ><small v-if="valueUnit(key, settings.units) && valueUnit(key, settings.units) !== valueShort(key)">{{
          valueUnit(key, settings.units)
        }}</small></label
      >
      <input
        :id="`round-${key}`"
        class="field"
        :value="draft.readings[key] ?? ''"
        inputmode="decimal"
        autocomplete="off"
        maxlength="9"
        :placeholder="dueKeys.has(key) ? 'test' : '–'"
        @input="set(key, ($event.target as HTMLInputElement).value)"
      />
      <div class="against">
        <TargetStrip v-if="desk.verdicts.value.get(key)" :verdict="desk.verdicts.value.get(key)!" :typed="typed(key)" />
        <span class="small muted">{{ last(key) }} · by {{ testMethodWord[desk.method(key) as 'probe'] }}</span>
      </div>
    </div>
    <button v-if="!desk.moreValues.value" type="button" class="link" @click="desk.showAllValues()">More values</button>
  </section>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 62px 84px minmax(0, 1fr);
  gap: var(--space-4);
  align-items: center;
  border-top: 1px solid var(--rule);
  padding: var(--space-3) 0;
}
label {
  font-size: var(--type-text);
}
label small {
  display: block;
  font-size: var(--type-fine);
  color: var(--muted);
}
input {
  width: 100%;
  font: 600 var(--type-section) var(--v-font-heading);
}
.due input {
  border-color: var(--straw);
}
input::placeholder {
  font-weight: 400;
  font-size: var(--type-text);
}
.against {
  min-width: 0;
}
.small {
  font-size: var(--type-fine);
  display: block;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.link {
  min-height: 44px;
}
</style>
