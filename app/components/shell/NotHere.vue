<script setup lang="ts">
/** A page about a record that this device does not have: says so, and leads back. */
defineProps<{ place: string; what: string; to: string; back: string }>()
</script>

<template>
  <div>
    <AppTop :title="place" />
    <EmptyPlace :statement="`${what} is not on this device.`" :to="to" :leads="back">
      It may be in a backup that was not brought in, in another of your rooms, or put away. Nothing was changed.
    </EmptyPlace>
  </div>
</template>
