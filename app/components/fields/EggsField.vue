<script setup lang="ts">
import { carriesEggs } from '#core/groups'

/** How many of those that come or go carry eggs; asked of kinds that carry them alone. */
defineProps<{ groupId: string | undefined; error?: string | undefined }>()
const text = defineModel<string>({ default: '' })
</script>

<template>
  <TextInput
    v-if="groupId && carriesEggs(groupId)"
    v-model="text"
    label="Of them carrying eggs (empty: not known)"
    numeric
    :error="error"
  />
</template>
