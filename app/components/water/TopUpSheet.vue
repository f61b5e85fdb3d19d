<script setup lang="ts">
import { toMoment } from '#core/records'
import { unitOf, volume } from '#core/units'
import { readVolume } from '~/forms/readVolume'
import { volumeText } from '~/words/unitPrefs'

/** Logs evaporated water that was replaced; from two of them on, evaporation is learnt. */
const open = defineModel<boolean>({ required: true })
useSheets().countOpen(open)
const desk = useWaterDeskStore()
const settings = useSettingsStore()
const log = useLogStore()
const litres = ref('')
const sourceId = ref('')
const issue = ref('')
const unit = computed(() => unitOf(volume, settings.units.volume).symbol)
const options = computed(() => [
  ...desk.usable.map(u => ({ value: u.source.id, title: u.source.name })),
  { value: '', title: 'not known' },
])
watch(open, now => {
  if (!now) return
  litres.value = ''
  issue.value = ''
  const last = desk.standing.findLast(e => e.kind === 'topUp')
  const lastId = last?.kind === 'topUp' ? last.poured?.[0]?.sourceId : undefined
  sourceId.value =
    desk.usable.find(u => u.source.id === lastId)?.source.id ??
    desk.usable.find(u => u.source.kind === 'pure')?.source.id ??
    desk.usable[0]?.source.id ??
    ''
})
async function save() {
  const read = readVolume(litres.value, settings.units, 'How much was poured in?')
  issue.value = !read.ok
    ? read.issue
    : read.value > desk.netL
      ? `At most ${volumeText(desk.netL, settings.units)}: that is all the water in this glass.`
      : ''
  if (!read.ok || issue.value || !desk.glass) return
  const used = desk.usable.find(u => u.source.id === sourceId.value)
  const saved = await log.save(
    {
      ...log.stamp(),
      at: toMoment(Date.now()),
      kind: 'topUp',
      glassId: desk.glass.id,
      litres: read.value,
      ...(used && {
        water: used.water,
        poured: [{ sourceId: used.source.id, name: used.source.name, litres: read.value }],
      }),
    },
    `${desk.glass.name}: ${volumeText(read.value, settings.units)} topped up.`,
  )
  if (saved) open.value = false
}
</script>

<template>
  <SideSheet v-model="open" title="Log a top-up">
    <FieldGrid id="top-up-form" tag="form" novalidate @submit.prevent="save">
      <TextInput
        v-model="litres"
        label="How much evaporated and was replaced?"
        :suffix="unit"
        numeric
        autofocus
        :error="issue"
      />
      <PickOne v-model="sourceId" label="With which water?" :options="options" />
      <p class="small muted">
        What evaporates leaves everything else behind: pure water puts the values back where they were, harder water
        lets them creep up for ever.
      </p>
    </FieldGrid>
    <template #foot
      ><v-btn type="submit" form="top-up-form" color="primary" size="large">Save<kbd>Enter</kbd></v-btn></template
    >
  </SideSheet>
</template>
