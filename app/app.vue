<script setup lang="ts">
import { useTheme } from 'vuetify'

const settings = useSettingsStore()
const theme = useTheme()
watch(
  () => settings.theme,
  mode => theme.change(mode),
  { immediate: true },
)
const { leader } = useKeyboard()
const start = useStart()
/** What is opened now and then is fetched when it is opened first. */
const sheets = useSheets()
function onceOpen(open: () => boolean) {
  const was = ref(false)
  whenever(open, () => (was.value = true), { immediate: true })
  return was
}
const helped = onceOpen(() => sheets.help.value)
const glassed = onceOpen(() => sheets.glass.value !== null)
const begun = onceOpen(() => sheets.colony.value !== null)
const racked = onceOpen(() => sheets.rack.value !== null)
const log = useLogStore()
const told = onceOpen(() => log.last !== null)
const { $pwa } = useNuxtApp()
const renewed = onceOpen(() => $pwa?.needRefresh === true)
const tip = useTip()
const pointed = onceOpen(() => tip.value !== null)
onMounted(start.begin)
</script>

<template>
  <v-app>
    <a class="skip" href="#place">To the content</a>
    <div class="frame">
      <AppRail />
      <main id="place" tabindex="-1"><NuxtPage /></main>
    </div>
    <LogSheet />
    <FinderSheet />
    <LazyHelpSheet v-if="helped" />
    <LazyRackSheet v-if="racked" />
    <LazyGlassSheet v-if="glassed" />
    <LazyColonySheet v-if="begun" />
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
