<script setup lang="ts">
import { useTheme } from 'vuetify'
import { writeDoor } from '~/data/writeDoor'

const settings = useSettingsStore()
const theme = useTheme()
watch(
  () => settings.theme,
  mode => theme.change(mode),
  { immediate: true },
)
const { leader } = useKeyboard()
useCleanSlate()
const start = useStart()
/** What is opened now and then is fetched when it is opened first. */
const sheets = useSheets()
const helped = useOnce(() => sheets.help.value)
const signed = useOnce(() => sheets.signs.value !== null)
const logSheet = useLogSheetStore()
const logged = useOnce(() => logSheet.open)
const sought = useOnce(() => sheets.finder.value)
const glassed = useOnce(() => sheets.glass.value !== null)
const begun = useOnce(() => sheets.colony.value !== null)
const named = useOnce(() => sheets.animal.value !== null)
const racked = useOnce(() => sheets.rack.value !== null)
const log = useLogStore()
const told = useOnce(() => log.last !== null)
const { $pwa } = useNuxtApp()
const renewed = useOnce(() => $pwa?.needRefresh === true)
const tip = useTip()
const pointed = useOnce(() => tip.value !== null)
const room = useRoomStore()
// a first save that fails to fetch it would be told and can be tried again
whenever(
  () => room.room !== null,
  () => void writeDoor().catch(() => undefined),
  { immediate: true },
)
onMounted(start.begin)
</script>

<template>
  <v-app>
    <a class="skip" href="#place">To the content</a>
    <div class="frame">
      <AppRail />
      <main id="place" tabindex="-1"><NuxtPage /></main>
    </div>
    <LazyLogSheet v-if="logged" />
    <LazyFinderSheet v-if="sought" />
    <LazyHelpSheet v-if="helped" />
    <LazySignsSheet v-if="signed" />
    <LazyRackSheet v-if="racked" />
    <LazyGlassSheet v-if="glassed" />
    <LazyColonySheet v-if="begun" />
    <LazyAnimalSheet v-if="named" />
    <LeaderOverlay :open="leader" />
    <TroubleBar />
    <LazyNewVersion v-if="renewed" />
    <LazyDoneNotice v-if="told" />
    <LazyTipLayer v-if="pointed" :tip="tip" />
  </v-app>
</template>

<style>
.frame {
  display: grid;
  grid-template-columns: 128px minmax(0, 1fr);
  min-height: 100dvh;
}
#place {
  min-width: 0;
  outline: none;
  display: flex;
  flex-direction: column;
}
.skip {
  position: absolute;
  left: -999px;
}
.skip:focus {
  left: 8px;
  top: 8px;
  z-index: 30;
  background: var(--surface);
  padding: var(--space-4) var(--space-5);
}
@media (--phone) {
  .frame {
    grid-template-columns: minmax(0, 1fr);
  }
  #place {
    padding-bottom: 76px;
  }
}
</style>
