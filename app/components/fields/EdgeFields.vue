<script setup lang="ts">
/** Length, width and height of a glass inside, beside one another. */
interface Edges {
  lengthCm: string
  widthCm: string
  heightCm: string
}
defineProps<{ issues?: Partial<Record<keyof Edges, string | undefined>> }>()
const edges = defineModel<Edges>({ required: true })
const fields = [
  { key: 'lengthCm', title: 'Length' },
  { key: 'widthCm', title: 'Width' },
  { key: 'heightCm', title: 'Height' },
] as const
</script>

<template>
  <FieldGrid :columns="3">
    <TextInput
      v-for="f in fields"
      :key="f.key"
      v-model="edges[f.key]"
      :label="f.title"
      suffix="cm"
      numeric
      :error="issues?.[f.key]"
    />
  </FieldGrid>
</template>
