<script setup lang="ts">
import { groupOf } from '#core/groups'

/** Finds colonies, places and actions by a few letters. */
const sheets = useSheets()
const room = useRoomStore()
const places = usePlaces()
const settings = useSettingsStore()
const logSheet = useLogSheetStore()
const text = ref('')
const chosen = ref(0)
const list = useId()

interface Found {
  id: string
  title: string
  about: string
  run: () => void
}
/** What has ended is found when it is asked for by that word. */
const ended = computed<Found[]>(() =>
  room.all.colonies
    .filter(c => c.ended)
    .map(c => ({
      id: c.id,
      title: c.name,
      about: `ended colony · ${groupOf(c.groupId).name}`,
      run: () => void navigateTo(`/colony/${c.id}`),
    })),
)
const all = computed<Found[]>(() => [
  ...room.colonies.map(c => ({
    id: c.id,
    title: c.name,
    about: `colony · ${groupOf(c.groupId).name} · ${room.glassOf(c)?.name ?? ''}`,
    run: () => void navigateTo(`/colony/${c.id}`),
  })),
  ...room.glasses.map(g => ({
    id: `water ${g.id}`,
    title: `Water for ${g.name}`,
    about: 'bucket, history, drip, medicine',
    run: () => void navigateTo(`/water/${g.id}`),
  })),
  ...room.plans.map(p => ({
    id: p.id,
    title: p.name,
    about: `plan · ${p.groupIds.map(id => groupOf(id).name).join(' and ')}`,
    run: () => void navigateTo(`/plan/${p.id}`),
  })),
  ...places.value.map(p => ({ id: p.id, title: p.title, about: p.what, run: () => void navigateTo(p.to) })),
  {
    id: 'holiday',
    title: 'Holiday',
    about: 'what can wait, and a sheet for your stand-in',
    run: () => void navigateTo('/round/holiday'),
  },
  {
    id: 'log',
    title: 'Log something',
    about: 'counts, water, molts, broods, food, equipment, photos, notes',
    run: () => logSheet.show(settings.lastColonyId),
  },
  {
    id: 'newColony',
    title: 'Start a colony',
    about: 'group, glass, starters',
    run: () => {
      sheets.colony.value = { glassId: null }
    },
  },
  {
    id: 'newGlass',
    title: 'Add a glass',
    about: 'a tank, jar, tub or paludarium',
    run: () => {
      sheets.glass.value = { glassId: null }
    },
  },
  {
    id: 'newRack',
    title: 'Add a rack',
    about: 'a rack, a windowsill or a piece of floor',
    run: () => {
      sheets.rack.value = { rackId: null }
    },
  },
  {
    id: 'night',
    title: settings.theme === 'day' ? 'Night theme' : 'Day theme',
    about: 'dim for rounds with the lights off',
    run: () => {
      settings.theme = settings.theme === 'day' ? 'night' : 'day'
    },
  },
  {
    id: 'help',
    title: 'Help and keys',
    about: '',
    run: () => {
      sheets.help.value = true
    },
  },
])
const found = computed(() => {
  const words = text.value.toLowerCase().split(/\s+/).filter(Boolean)
  const asked = words.some(w => w.length > 2 && 'ended'.startsWith(w)) ? ended.value : []
  return [...all.value, ...asked]
    .filter(f => words.every(w => `${f.title} ${f.about}`.toLowerCase().includes(w)))
    .sort(
      (a, b) =>
        Number(b.title.toLowerCase().startsWith(words[0] ?? '')) -
        Number(a.title.toLowerCase().startsWith(words[0] ?? '')),
    )
    .slice(0, 12)
})
watch(text, () => {
  chosen.value = 0
})
watch(sheets.finder, open => {
  if (open) text.value = ''
})
function step(by: number) {
  chosen.value = Math.min(found.value.length - 1, Math.max(0, chosen.value + by))
}
async function run(f: Found | undefined) {
  if (!f) return
  sheets.finder.value = false
  await nextTick()
  f.run()
}
</script>

<template>
  <SideSheet v-model="sheets.finder.value" title="Find">
    <input
      v-model="text"
      class="box"
      type="search"
      aria-label="Find a colony, a place or an action"
      role="combobox"
      aria-expanded="true"
      :aria-controls="list"
      :aria-activedescendant="found[chosen] ? `${list}-${chosen}` : undefined"
      autofocus
      placeholder="A few letters"
      @keydown.down.prevent="step(1)"
      @keydown.up.prevent="step(-1)"
      @keydown.enter.prevent="run(found[chosen])"
    />
    <ul :id="list" role="listbox" aria-label="Found">
      <li
        v-for="(f, i) in found"
        :id="`${list}-${i}`"
        :key="f.id"
        role="option"
        :aria-selected="i === chosen"
        @click="run(f)"
      >
        <strong>{{ f.title }}</strong> <span class="muted small">{{ f.about }}</span>
      </li>
    </ul>
    <p v-if="found.length === 0" class="muted none">Nothing goes by that name.</p>
  </SideSheet>
</template>

<style scoped>
.box {
  width: 100%;
  height: 48px;
  padding: 0 var(--space-5);
  border: 1px solid var(--muted);
  border-radius: 6px;
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  font-size: var(--type-section);
}
ul {
  padding-top: var(--space-4);
}
li {
  padding: var(--space-5) var(--space-5);
  border-bottom: 1px solid var(--rule);
  cursor: pointer;
  border-radius: 4px;
}
li[aria-selected='true'] {
  background: var(--weed-tint);
}
li[aria-selected='true'] .muted {
  color: inherit;
}
.none {
  padding-top: var(--space-5);
}
</style>
