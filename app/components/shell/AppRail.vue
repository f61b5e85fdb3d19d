<script setup lang="ts">
import {
  mdiDotsHorizontal,
  mdiHelpCircleOutline,
  mdiPlusCircleOutline,
  mdiWeatherNight,
  mdiWhiteBalanceSunny,
} from '@mdi/js'

/** The places: a slim rail on a desk, a bar at the bottom of a phone. */
const places = usePlaces()
const route = useRoute()
const settings = useSettingsStore()
const sheets = useSheets()
const logSheet = useLogSheetStore()
const atHand = useAtHand()
const more = ref(false)
const opened = useOnce(() => more.value)
/** What the bar of a phone has room for; the rest is under More. */
const onPhone = new Set(['room', 'round', 'colony'])
const here = (id: string) => (id === 'room' ? route.path === '/' : route.path.startsWith(`/${id}`))
</script>

<template>
  <nav class="rail" aria-label="Places">
    <NuxtLink to="/" class="name" aria-label="Ulkin, to the Room">Ulkin</NuxtLink>
    <NuxtLink
      v-for="p in places"
      :key="p.id"
      :to="p.to"
      class="place"
      :class="{ here: here(p.id), desk: !onPhone.has(p.id) }"
      :aria-current="here(p.id) ? 'page' : undefined"
      :aria-label="p.title"
    >
      <v-icon :icon="p.icon" size="21" /><span>{{ p.title }}</span>
    </NuxtLink>
    <button type="button" class="place log" @click="logSheet.show(atHand)">
      <v-icon :icon="mdiPlusCircleOutline" size="21" /><span>Log</span>
    </button>
    <span class="gap" />
    <button type="button" class="place desk" @click="settings.theme = settings.theme === 'day' ? 'night' : 'day'">
      <v-icon :icon="settings.theme === 'day' ? mdiWeatherNight : mdiWhiteBalanceSunny" size="21" /><span>{{
        settings.theme === 'day' ? 'Night' : 'Day'
      }}</span>
    </button>
    <button type="button" class="place desk" @click="sheets.help.value = true">
      <v-icon :icon="mdiHelpCircleOutline" size="21" /><span>Help</span>
    </button>
    <button type="button" class="place phone" @click="more = true">
      <v-icon :icon="mdiDotsHorizontal" size="21" /><span>More</span>
    </button>
    <LazyMoreSheet v-if="opened" v-model="more" />
  </nav>
</template>

<style scoped>
.rail {
  display: flex;
  flex-direction: column;
  gap: var(--space-1);
  padding: var(--space-5) 0;
  border-right: 1px solid var(--rule);
  position: sticky;
  top: 0;
  height: 100dvh;
}
.name {
  font: 700 var(--type-title) var(--v-font-heading);
  color: var(--ink);
  text-decoration: none;
  padding: var(--space-1) 0 var(--space-5) var(--space-6);
}
.place {
  display: flex;
  align-items: center;
  gap: var(--space-4);
  min-height: 44px;
  padding: 0 var(--space-1) 0 var(--space-5);
  white-space: nowrap;
  border: 0;
  border-left: 3px solid transparent;
  background: none;
  color: var(--muted);
  font: inherit;
  font-size: var(--type-small);
  text-decoration: none;
  cursor: pointer;
  text-align: left;
}
.place.here {
  border-color: var(--weed);
  color: var(--ink);
  font-weight: 650;
}
.place:hover {
  color: var(--ink);
}
.gap {
  flex: 1;
}
@media (--not-phone) {
  .log,
  .phone {
    display: none;
  }
}
@media (--phone) {
  .rail {
    flex-direction: row;
    position: fixed;
    inset: auto 0 0;
    height: auto;
    padding: 0 0 env(safe-area-inset-bottom);
    border: 0;
    border-top: 1px solid var(--rule);
    background: var(--surface);
    z-index: 5;
  }
  .name,
  .gap,
  .desk {
    display: none;
  }
  .place {
    flex: 1;
    flex-direction: column;
    justify-content: center;
    gap: var(--space-1);
    min-height: 58px;
    padding: var(--space-3) var(--space-1);
    border-left: 0;
    border-top: 3px solid transparent;
    font-size: var(--type-fine);
  }
}
</style>
