<script setup lang="ts">
import { format } from 'date-fns'
import { outlookRows } from '#core/outlook'
import { deviceZone } from '~/data/deviceZone'
import type { BandPoint } from '#core/population'
import { csvOf } from '~/files/csv'
import { saveFile } from '~/files/saveFile'

/** The Outlook as files: the chart as PNG and SVG, the fans as CSV. */
const props = defineProps<{
  colonyName: string
  what: string
  fans: readonly { name: string; colour: string; fan: readonly BandPoint[] }[]
  png: () => Promise<Blob | null>
}>()
/** The day theme's colours: files are made for paper. */
const ink: Readonly<Record<string, string>> = { weed: '#1E6B57', roe: '#C2541B', water: '#2C5F8C', straw: '#8A6A10' }
const fileName = computed(() => `outlook-${props.colonyName.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-')}`)
async function savePng() {
  const blob = await props.png()
  if (blob) saveFile(`${fileName.value}.png`, blob, 'image/png')
}
async function saveSvg() {
  const { outlookSvg } = await import('~/files/outlookSvg')
  saveFile(
    `${fileName.value}.svg`,
    outlookSvg(
      `${props.colonyName}: ${props.what} ahead`,
      props.fans.map(f => ({ name: f.name, colour: ink[f.colour]!, fan: f.fan })),
      ms => format(ms, 'd MMM yy'),
    ),
    'image/svg+xml',
  )
}
function saveCsv() {
  const { head, rows } = outlookRows(props.fans, deviceZone())
  saveFile(`${fileName.value}.csv`, csvOf(head, rows), 'text/csv')
}
</script>

<template>
  <span class="files"
    ><button type="button" class="link" @click="savePng">PNG</button
    ><button type="button" class="link" @click="saveSvg">SVG</button
    ><button type="button" class="link" @click="saveCsv">CSV</button></span
  >
</template>

<style scoped>
.files {
  display: flex;
  gap: var(--space-5);
}
.link {
  min-height: 28px;
  min-width: 32px;
}
</style>
