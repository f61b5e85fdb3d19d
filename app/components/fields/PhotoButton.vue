<script setup lang="ts">
import { mdiCameraOutline } from '@mdi/js'

/** Takes or chooses a picture. The field is the device's own; the button is its label. */
defineProps<{ label: string; busy?: boolean }>()
const emit = defineEmits<{ chosen: [file: File] }>()
function chosen(event: Event) {
  const field = event.target as HTMLInputElement
  const file = field.files?.[0]
  // the same picture may be chosen again
  field.value = ''
  if (file) emit('chosen', file)
}
</script>

<template>
  <label class="photo" :class="{ busy }"
    ><v-icon :icon="mdiCameraOutline" size="20" /> {{ label
    }}<input type="file" accept="image/*" :disabled="busy" @change="chosen"
  /></label>
</template>

<style scoped>
.photo {
  position: relative;
  display: inline-flex;
  gap: var(--space-4);
  align-items: center;
  min-height: 46px;
  padding: var(--space-3) var(--space-5);
  border: 1.5px solid var(--rule);
  border-radius: 6px;
  background: var(--surface);
  font-size: var(--type-small);
  cursor: pointer;
}
.photo:focus-within {
  outline: 3px solid var(--weed);
  outline-offset: 2px;
}
.busy {
  opacity: 0.6;
}
input {
  position: absolute;
  inset: 0;
  opacity: 0;
  cursor: pointer;
  width: 100%;
}
</style>
