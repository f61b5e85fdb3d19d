<script setup lang="ts">
import { groupOf } from '#core/groups'
import { schoolsOf } from '~/forms/colonyDraft'
import { basisText, schoolKindWord } from '~/words/states'

/** Where keepers disagree, the colony chooses; targets, schedule and models follow. */
const props = defineProps<{ groupId: string }>()
const schools = defineModel<Record<string, string>>({ required: true })
const kinds = computed(() =>
  schoolsOf(props.groupId).map(kind => {
    const options = groupOf(props.groupId).schools[kind]!
    return {
      kind,
      options: options.map((o, i) => ({ value: o.id, title: i === 0 ? `${o.name} (default)` : o.name })),
      chosen: schools.value[kind] ?? options[0]!.id,
      basis: basisText(options[0]!.basis),
    }
  }),
)
</script>

<template>
  <FieldGrid>
    <div v-for="k in kinds" :key="k.kind">
      <PickOne
        :model-value="k.chosen"
        :label="schoolKindWord[k.kind]"
        :options="k.options"
        @update:model-value="schools = { ...schools, [k.kind]: $event }"
      />
    </div>
    <p class="small muted">
      Where keepers disagree these are schools, not rules. Basis:
      {{ kinds[0]?.basis ?? 'common practice, no published source' }}.
    </p>
  </FieldGrid>
</template>
