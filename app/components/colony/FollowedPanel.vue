<script setup lang="ts">
import type { AnimalLife } from '#core/animals'
import type { Colony } from '#core/records'
import { ageText, lifeHeadline, sexWord } from '~/words/animals'

/** The animals of a colony that are followed one by one, and the way to follow another. */
const props = defineProps<{ colony: Colony; lives: readonly AnimalLife[]; nowMs: number }>()
const room = useRoomStore()
const { animal: sheet } = useSheets()
const rows = computed(() =>
  props.lives
    .flatMap(life => {
      const animal = room.animalById.get(life.animalId)
      return animal && !animal.ended ? [{ animal, life }] : []
    })
    .toSorted((a, b) => Number(a.life.left !== null) - Number(b.life.left !== null)),
)
</script>

<template>
  <section class="followed" aria-label="Followed one by one">
    <h2>Followed one by one</h2>
    <p v-if="rows.length === 0" class="muted">
      Nobody here is followed by a name. Crabs, crayfish, large snails and breeding males are worth it: their molts,
      limbs, eggs and sizes make a life of their own.
    </p>
    <ul>
      <li v-for="{ animal, life } in rows" :key="animal.id" :class="{ gone: life.left }">
        <NuxtLink :to="`/animal/${animal.id}`" class="name">{{ animal.name }}</NuxtLink>
        <span class="small muted">
          {{ animal.sex === 'unknown' ? '' : `${sexWord[animal.sex]}, `
          }}{{ ageText(life, life.left?.atMs ?? nowMs).toLowerCase() }}
        </span>
        <span><TheSentence :text="lifeHeadline(animal, life, nowMs)" /></span>
      </li>
    </ul>
    <button v-if="!colony.ended" type="button" class="link" @click="sheet = { animalId: null, colonyId: colony.id }">
      Follow {{ rows.length > 0 ? 'another' : 'one' }}
    </button>
  </section>
</template>

<style scoped>
.followed {
  padding-top: var(--space-6);
}
h2 {
  padding-bottom: var(--space-3);
}
li {
  display: grid;
  grid-template-columns: 140px 220px minmax(0, 1fr);
  gap: var(--space-2) var(--space-5);
  padding: var(--space-3) 0;
  border-top: 1px solid var(--rule);
  align-items: baseline;
}
.name {
  font-weight: 650;
  min-height: 30px;
}
.gone {
  color: var(--muted);
}
.link {
  min-height: 44px;
}
@media (--phone) {
  li {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
