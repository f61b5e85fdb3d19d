<script setup lang="ts">
import { byTime, type Colony, type Entry, readLog, watersOf } from '#core/records'
import { openDb } from '~/data/database'
import { entriesOf } from '~/data/log'
import { photosOf } from '~/data/photos'
import { canCorrect, draftOf } from '~/forms/logDraft'
import { entryText } from '~/words/entries'
import { stampText } from '~/words/when'

/**
 * The log of a colony and its water, newest first, with correct and take back. Nothing is erased: old values can be
 * shown.
 */
const props = defineProps<{ colony: Colony; nowMs: number }>()
const emit = defineEmits<{ counted: [n: number] }>()
const settings = useSettingsStore()
const log = useLogStore()
const logSheet = useLogSheetStore()
const showOld = ref(false)
const PAGE = 60
const limit = ref(PAGE)

const room = useRoomStore()
const { nameOf } = useAnimalsStore()
/** the waters in which the colony lived, each with its time: only that part of their logs is its own */
const waters = computed(() => watersOf(props.colony, room.glassById))
const { value: all } = useLiveQuery<Entry[]>(
  async () => {
    const logs = await Promise.all([
      entriesOf(openDb(), props.colony.id),
      ...waters.value.map((w, i) => entriesOf(openDb(), w.water.id, i === 0 ? '' : w.from, w.to)),
    ])
    return [...new Map(logs.flat().map(e => [e.id, e])).values()]
  },
  [],
  () => [props.colony.id, ...waters.value.map(w => `${w.water.id} ${w.from} ${w.to}`)].join(' '),
)
const read = computed(() => readLog(all.value))
const standing = computed(() => read.value.standing)
const standingIds = computed(() => new Set(standing.value.map(e => e.id)))
watch(standing, list => emit('counted', list.length), { immediate: true })

interface Line {
  entry: Entry
  stands: boolean
  /** the withdrawal that took it back, if one did */ withdrawal: Entry | null
}
const lines = computed<Line[]>(() =>
  all.value
    .filter(e => e.kind !== 'withdrawal' && (showOld.value || standingIds.value.has(e.id)))
    .sort((a, b) => byTime(b, a))
    .map(entry => ({
      entry,
      stands: standingIds.value.has(entry.id),
      withdrawal: read.value.withdrawnBy.get(entry.id) ?? null,
    })),
)
const shownPhotos = computed(() =>
  lines.value.slice(0, limit.value).flatMap(l => (l.entry.kind === 'photo' ? [l.entry.photoId] : [])),
)
const { value: pictures } = useLiveQuery(
  () => photosOf(openDb(), shownPhotos.value),
  [],
  () => shownPhotos.value.join(' '),
)
const photos = usePictures(pictures)
const oldOnes = computed(() => all.value.filter(e => e.kind !== 'withdrawal').length - standing.value.length)

/** Poured water and medicines are taken back and logged anew in the Water place; the rest is corrected here. */
function correct(entry: Entry) {
  const draft = draftOf(entry, props.colony.id, settings.units)
  if (draft) logSheet.correct(draft)
}
</script>

<template>
  <section aria-label="Log">
    <p v-if="lines.length === 0" class="muted empty">
      Nothing is logged yet. A count and a water test are the best beginning: press <kbd>L</kbd> or
      <button type="button" class="link" @click="logSheet.show(colony.id, 'count')">log a count</button>.
    </p>
    <ul>
      <li v-for="{ entry, stands, withdrawal } in lines.slice(0, limit)" :key="entry.id" :class="{ old: !stands }">
        <span class="when small muted"
          >{{ stampText(new Date(entry.at).getTime(), nowMs)
          }}<template v-if="entry.keeper"> · {{ entry.keeper }}</template></span
        >
        <span class="what"
          ><b>{{ entryText(entry, settings.units, nameOf).title }}</b
          >{{ ' ' }}<span class="muted">{{ entryText(entry, settings.units, nameOf).detail }}</span
          ><img
            v-if="entry.kind === 'photo' && photos.has(entry.photoId)"
            class="photo"
            :src="photos.get(entry.photoId)"
            :alt="`Photo of ${stampText(new Date(entry.at).getTime(), nowMs)}`"
          /><span v-if="entry.supersedes && stands" class="muted small"> · corrected</span
          ><span v-if="!stands" class="small"> · {{ withdrawal ? 'taken back' : 'replaced' }}</span></span
        >
        <span class="acts">
          <template v-if="stands">
            <button
              v-if="canCorrect(entry)"
              type="button"
              class="link"
              :aria-label="`Correct: ${entryText(entry, settings.units, nameOf).title}`"
              @click="correct(entry)"
            >
              Correct
            </button>
            <button
              type="button"
              class="link"
              :aria-label="`Take back: ${entryText(entry, settings.units, nameOf).title}`"
              @click="log.takeBack(entry, 'Taken back.')"
            >
              Take back
            </button>
          </template>
          <button
            v-else-if="withdrawal"
            type="button"
            class="link"
            :aria-label="`Bring back: ${entryText(entry, settings.units, nameOf).title}`"
            @click="log.takeBack(withdrawal, 'Brought back.')"
          >
            Bring back
          </button>
        </span>
      </li>
    </ul>
    <p class="more">
      <button v-if="lines.length > limit" type="button" class="link" @click="limit += PAGE">
        Show {{ Math.min(PAGE, lines.length - limit) }} more
      </button>
      <button v-if="oldOnes > 0 || showOld" type="button" class="link" @click="showOld = !showOld">
        {{ showOld ? 'Hide replaced values' : `Show ${oldOnes} replaced or taken back` }}
      </button>
    </p>
  </section>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 180px minmax(0, 1fr) auto;
  gap: var(--space-5);
  padding: var(--space-4) 0;
  border-bottom: 1px solid var(--rule);
  align-items: baseline;
}
.what {
  overflow-wrap: anywhere;
}
.old .what b {
  text-decoration: line-through;
  font-weight: 400;
}
.old {
  color: var(--muted);
}
.acts {
  display: flex;
  gap: var(--space-6);
  font-size: var(--type-small);
}
.acts .link {
  min-height: 30px;
}

.photo {
  display: block;
  max-width: min(320px, 100%);
  max-height: 220px;
  margin-top: var(--space-3);
  border-radius: 6px;
}
.more {
  display: flex;
  gap: var(--space-6);
  padding: var(--space-5) 0;
}
.empty {
  padding: var(--space-6) 0;
}
kbd {
  margin: 0 var(--space-1);
}
@media (--phone) {
  li {
    grid-template-columns: 1fr;
    gap: var(--space-1);
  }
  .acts .link {
    min-height: 40px;
  }
}
</style>
