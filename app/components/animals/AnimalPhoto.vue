<script setup lang="ts">
import type { Animal } from '#core/records'
import { openDb } from '~/data/database'
import { photosOf } from '~/data/photos'

/** The picture by which an animal is known; a new one takes its place, and the old one stays in the log. */
const props = defineProps<{ animal: Animal; colonyId: string }>()
const { value: rows } = useLiveQuery(
  () => photosOf(openDb(), props.animal.photoId ? [props.animal.photoId] : []),
  [],
  () => props.animal.photoId ?? '',
)
const pictures = usePictures(rows)
const { keep } = usePhotos()
const { save } = useSave()
const issue = ref('')
async function take(file: File) {
  const about = { colonyId: props.colonyId, animalIds: [props.animal.id] }
  const kept = (photoId: string) => save('animals', { ...props.animal, photoId })
  issue.value = (await keep(file, about, `${props.animal.name}: photo kept.`, { then: kept })) ?? ''
}
</script>

<template>
  <figure class="known">
    <img
      v-if="animal.photoId && pictures.has(animal.photoId)"
      :src="pictures.get(animal.photoId)"
      :alt="`Photo of ${animal.name}`"
    />
    <PhotoButton :label="animal.photoId ? 'Another photo' : 'Add a photo'" @chosen="take" />
    <FieldIssue :text="issue" />
  </figure>
</template>

<style scoped>
.known {
  margin: 0;
  padding-top: var(--space-4);
}
img {
  display: block;
  max-width: min(320px, 100%);
  max-height: 220px;
  border-radius: 6px;
  padding-bottom: var(--space-3);
}
</style>
