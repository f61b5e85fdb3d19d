<script setup lang="ts">
import type { EggLot } from '#core/records'
import type { BatchDesk } from '~/composables/useBatchDesk'
import { eggsInText, lotRowText, lotWords } from '~/words/batch'

/** The egg bank: what rests dry, and what may be flooded. */
const props = defineProps<{ desk: BatchDesk }>()
const room = useRoomStore()
const sheets = useSheets()
const editing = shallowRef<{ lot: EggLot | null } | null>(null)
const open = computed({
  get: () => editing.value !== null,
  set: v => {
    if (!v) editing.value = null
  },
})
const flood = (lot: EggLot) =>
  (sheets.colony.value = { glassId: null, groupId: lot.groupId, form: 'batch', eggLotId: lot.id })
const told = useEndedTold(() => props.desk.lots.value.flatMap(l => l.lot.fromColonyId ?? []))
/** What its batch laid into it. */
const eggsIn = (lot: EggLot) => {
  const eggs = lot.fromColonyId && told.of(lot.fromColonyId)?.batch?.eggs
  return eggs ? eggsInText(eggs.now) : ''
}
/** What became of a lot so far. */
const pools = (lot: EggLot) => room.all.colonies.filter(c => c.eggLotId === lot.id)
</script>

<template>
  <details class="fold" :open="desk.lots.value.length > 0">
    <summary>Egg bank</summary>
    <ul>
      <li v-for="l in desk.lots.value" :key="l.lot.id">
        <div>
          <b>{{ l.lot.name }}</b>
          <span class="below"
            >{{ lotWords.form[l.lot.form] }}, {{ lotWords.origin[l.lot.origin] }}, {{ lotWords.class[l.lot.class] }},
            {{ lotWords.cation[l.lot.cation] }}<template v-if="l.lot.keptAt">, {{ l.lot.keptAt }}</template></span
          >
          <span v-if="eggsIn(l.lot)" class="below">{{ eggsIn(l.lot) }}</span>
          <span class="below">
            {{ lotRowText(l, desk.nowMs.value)
            }}<template v-for="(c, i) in pools(l.lot)" :key="c.id"
              >{{ i ? ', ' : '; flooded as ' }}<NuxtLink :to="`/colony/${c.id}`">{{ c.name }}</NuxtLink></template
            >
          </span>
        </div>
        <div class="acts">
          <v-btn class="quiet" :aria-label="`Change ${l.lot.name}`" @click="editing = { lot: l.lot }">Change</v-btn>
          <v-btn color="primary" variant="outlined" :aria-label="`Flood ${l.lot.name}`" @click="flood(l.lot)"
            >Flood it</v-btn
          >
        </div>
      </li>
    </ul>
    <v-btn class="quiet" @click="editing = { lot: null }">Add dry eggs</v-btn>
    <LazyEggLotSheet v-if="editing" v-model="open" :lot="editing.lot" />
  </details>
</template>

<style scoped>
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  flex-wrap: wrap;
  gap: var(--space-4);
  padding: var(--space-4) 0;
  border-top: 1px solid var(--rule);
}
.acts {
  display: flex;
  gap: var(--space-3);
}
</style>
