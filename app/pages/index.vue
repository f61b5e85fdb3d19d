<script setup lang="ts">
import { mdiPlus } from '@mdi/js'
import { format } from 'date-fns'
import { counted } from '~/words/numbers'

useHead({ title: 'Room · Ulkin' })
const room = useRoomStore()
const statements = useStatementsStore()
const sheets = useSheets()
const { focusedId, movingId, put, keydown, announcement } = useRoomWalk()
// a glass is what is opened next most often, with its chart
useFetchAhead(() => [preloadRouteComponents('/colony/next'), import('~/components/colony/LifeLine.vue')])
/** nothing lives here and nothing is planned: the plan comes first */
const isEmpty = computed(() => room.colonies.length === 0 && room.plans.length === 0)
const about = computed(
  () =>
    `${format(statements.now, 'EEE d MMM')} · ${counted(room.glasses.length, 'glass', 'glasses').toLowerCase()} · ` +
    `${counted(room.colonies.length, 'colony', 'colonies').toLowerCase()}`,
)
</script>

<template>
  <div class="place">
    <template v-if="room.ready && !room.room">
      <AppTop title="Ulkin" />
      <WelcomeRoom />
    </template>
    <template v-else-if="room.room">
      <AppTop :title="room.room.name" :about="about">
        <v-btn v-if="isEmpty" class="plan" color="primary" to="/plan">Plan a first colony</v-btn>
        <v-btn
          :color="isEmpty ? undefined : 'primary'"
          :class="{ quiet: isEmpty }"
          :prepend-icon="mdiPlus"
          @click="sheets.colony.value = { glassId: null }"
          >Start a colony</v-btn
        >
      </AppTop>
      <div class="page">
        <LazyNeedsAside class="aside" />
        <section class="racks" aria-label="Racks" @keydown="keydown">
          <LazyRackView
            v-for="d in room.drawn"
            :key="d.rack.id"
            :drawn="d"
            :focused-id="focusedId"
            :moving-id="movingId"
            @focused="focusedId = $event"
            @put="(id, shelf, index) => put(id, d.rack.id, shelf, index)"
          />
          <p v-if="room.glasses.length === 0" class="hint">
            The room is empty. <NuxtLink to="/plan"><strong>Plan a first colony</strong></NuxtLink> begins with your
            tank and your tap, and ends in a first fill that can be made today. Animals that are here already:
            <strong>Start a colony</strong> asks for them, the glass and the starters.
          </p>
          <footer>
            <span v-if="room.colonies.length > 0" class="small muted"
              >Water surface = estimated number, last 26 weeks and 8 ahead · strips under a glass: GH, KH, conductivity,
              temperature against the target</span
            >
            <span class="ways">
              <v-btn class="quiet" :prepend-icon="mdiPlus" @click="sheets.glass.value = { glassId: null }">Glass</v-btn>
              <v-btn class="quiet" :prepend-icon="mdiPlus" @click="sheets.rack.value = { rackId: null }">Rack</v-btn>
            </span>
          </footer>
          <p class="hidden-to-eyes" aria-live="assertive">{{ announcement }}</p>
        </section>
      </div>
    </template>
  </div>
</template>

<style scoped>
.place {
  flex: 1;
  display: flex;
  flex-direction: column;
}
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  flex: 1;
}
.aside {
  grid-column: 2;
  grid-row: 1;
}
.racks {
  grid-column: 1;
  grid-row: 1;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: var(--space-2) var(--space-7);
  padding: var(--space-4) var(--space-7) var(--space-6) var(--space-7);
  align-content: start;
}
footer {
  grid-column: 1 / -1;
  display: flex;
  align-items: center;
  gap: var(--space-6);
  padding-top: var(--space-5);
}
footer .small {
  flex: 1;
}
.ways {
  display: flex;
  gap: var(--space-4);
  margin-left: auto;
}
.hint {
  grid-column: 1 / -1;
  padding-top: var(--space-6);
  max-width: 560px;
}
@media (--small-desk) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
  .aside {
    grid-column: 1;
  }
  .racks {
    grid-row: 2;
    padding: var(--space-4) var(--space-6) var(--space-6);
  }
  footer {
    flex-direction: column;
    align-items: flex-start;
  }
  .ways {
    margin-left: 0;
  }
}
@media (--phone) {
  /* beside the name there is room for one; the words below lead to the plan too */
  .plan {
    display: none;
  }
}
</style>
