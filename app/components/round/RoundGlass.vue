<script setup lang="ts">
import type { RoundDesk } from '~/composables/useRoundDesk'
import { deathSignWord } from '~/words/states'
import { entryText } from '~/words/entries'
import { SKINS_STAY } from '~/words/molts'
import { topicOf } from '~/words/signs'

/** Everything at one glass: what is asked, counters, touches, values, the rest. */
const props = defineProps<{ desk: RoundDesk }>()
const followed = useAnimalsStore()
const settings = useSettingsStore()
const logSheet = useLogSheetStore()
const photos = usePhotos()
const rounds = useRoundStore()
const { desk } = props
const draft = computed(() => desk.draft.value)
const counters = useTemplateRef('counters')
/** The fields as they stand on screen. */
const fields = () => [...(counters.value?.querySelectorAll<HTMLElement>('[data-round-counter]') ?? [])]
const setCounter = (key: string, text: string) => desk.edit({ counters: { ...draft.value.counters, [key]: text } })
function step(index: number, by: 1 | -1) {
  const all = fields()
  all[(index + by + all.length) % all.length]?.focus()
}
const emit = defineEmits<{ before: [] }>()
const back = (index: number) => (index > 0 ? fields()[index - 1]?.focus() : emit('before'))
/** On a device with keys the first counter takes the digits at once; on a phone a keyboard would cover it. */
const focusFirst = () => {
  if (matchMedia('(hover: hover)').matches) fields()[0]?.focus()
}
defineExpose({ focusFirst })

const dead = computed(() => desk.colonies.value.filter(c => Number(draft.value.counters[`${c.id}:dead`]) > 0))
/** The drawings that help with the counters here. */
const topics = computed(() => [...new Set(desk.counters.value.flatMap(c => topicOf[c.counter] ?? []))])
/** Skins are counted for the first time: then, once, it is said that they stay in. */
const firstSkins = computed(
  () =>
    !settings.skinsTold &&
    desk.counters.value.some(c => c.counter === 'molts' && Number(draft.value.counters[c.key]) > 0),
)
const signs = (Object.keys(deathSignWord) as (keyof typeof deathSignWord)[]).map(value => ({
  value,
  title: deathSignWord[value],
}))
const noting = ref(false)
watch(
  desk.glassId,
  () => {
    noting.value = draft.value.note !== ''
  },
  { immediate: true },
)
const saved = computed(() => desk.savedHere.value.filter(e => e.kind !== 'visit'))
const photoProblem = ref('')
const photoBusy = ref(false)
async function keepPhoto(file: File) {
  photoBusy.value = true
  const problem = await photos.keep(file, { glassId: desk.glassId.value }, `${desk.glass.value?.name}: photo kept.`)
  photoProblem.value = problem ?? ''
  photoBusy.value = false
}
</script>

<template>
  <div class="glass">
    <p v-if="desk.savedHere.value.length > 0" class="saved small" role="status">
      Saved on this round:
      {{
        saved.length === 0
          ? 'nothing odd'
          : saved.map(e => entryText(e, settings.units, followed.nameOf).title).join(', ')
      }}.
      <button type="button" class="link" @click="desk.undo()">Take it back</button>
    </p>
    <p v-if="rounds.isOld(desk.glassId.value)" class="saved small" role="status">
      What stands here was typed on an earlier round and never saved.
      <button type="button" class="link" @click="rounds.keepDraft(desk.glassId.value, null)">Forget it</button>
    </p>
    <RoundAsk :desk="desk" />
    <p v-for="q in desk.questions.value" :key="q.key" class="question" role="alert">{{ q.text }}</p>
    <section v-if="desk.counters.value.length > 0" ref="counters" class="counters" aria-label="Counters">
      <template v-for="(c, i) in desk.counters.value" :key="c.key">
        <h2 v-if="desk.colonies.value.length > 1 && (i === 0 || desk.counters.value[i - 1]!.colony.id !== c.colony.id)">
          {{ c.colony.name }}
        </h2>
        <RoundCounter
          :counter="c.counter"
          :hint="c.hint"
          :of="c.colony.name"
          :model-value="draft.counters[c.key] ?? ''"
          @update:model-value="setCounter(c.key, $event)"
          @step="step(i, $event)"
          @back="back(i)"
        />
      </template>
    </section>
    <p v-if="firstSkins" class="small">{{ SKINS_STAY }}</p>
    <div v-if="topics.length > 0" class="signs">
      <SignsLink v-for="t in topics" :key="t" :topic="t" />
    </div>
    <p v-if="desk.counters.value.length === 0" class="muted">No colony lives here yet: it is being cured.</p>
    <ChoiceChips
      v-for="c in dead"
      :key="c.id"
      :model-value="(draft.signs[c.id] ?? 'unknown') as 'unknown'"
      :label="desk.colonies.value.length > 1 ? `What was seen of the dead of ${c.name}?` : 'What was seen of the dead?'"
      :options="signs"
      @update:model-value="desk.edit({ signs: { ...draft.signs, [c.id]: $event } })"
    />
    <RoundTouches :desk="desk" />
    <RoundWater :desk="desk" />
    <div class="rest">
      <button v-if="!noting" type="button" class="chip" data-round-note @click="noting = true">Note<kbd>N</kbd></button>
      <PhotoButton label="Photo" :busy="photoBusy" @chosen="keepPhoto" />
      <button
        v-if="desk.colonies.value[0]"
        type="button"
        class="chip"
        @click="logSheet.show(desk.colonies.value[0]!.id, 'shell')"
      >
        Anything else<kbd>L</kbd>
      </button>
      <NuxtLink v-if="desk.glass.value" class="chip" :to="`/water/${desk.glass.value.id}`">The bucket</NuxtLink>
    </div>
    <p v-if="photoProblem" class="question" role="alert">{{ photoProblem }}</p>
    <div v-if="noting">
      <label class="small muted" for="round-note">Note</label
      ><v-textarea
        id="round-note"
        :model-value="draft.note"
        rows="2"
        auto-grow
        maxlength="1500"
        autofocus
        @update:model-value="desk.edit({ note: String($event) })"
      />
    </div>
  </div>
</template>

<style scoped>
.signs {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1) var(--space-6);
}
.glass {
  display: grid;
  gap: var(--space-5);
  align-content: start;
}
.counters {
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  gap: var(--space-4);
}
.counters h2 {
  grid-column: 1 / -1;
  font-size: var(--type-text);
}
.question {
  padding: var(--space-4) var(--space-5);
  border: 1.5px solid var(--rust);
  border-radius: 6px;
  color: var(--rust);
  font-weight: 600;
}
.saved {
  padding: var(--space-4) var(--space-5);
  background: var(--weed-tint);
  border-radius: 6px;
}
.rest {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4);
}
.chip {
  display: inline-flex;
  align-items: center;
  min-height: 46px;
  padding: var(--space-3) var(--space-5);
  border: 1.5px solid var(--rule);
  border-radius: 6px;
  background: var(--surface);
  color: var(--ink) !important;
  font: inherit;
  font-size: var(--type-small);
  cursor: pointer;
  text-decoration: none;
}
@media (--narrow) {
  .counters {
    grid-template-columns: 1fr 1fr;
  }
}
@media (--phone) {
  kbd {
    display: none;
  }
}
</style>
