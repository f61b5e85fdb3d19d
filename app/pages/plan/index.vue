<script setup lang="ts">
import { groupOf } from '#core/groups'
import { dayText } from '~/words/when'
import { volumeText } from '~/words/unitPrefs'

/** The beginning of a plan: what somebody has, and which animals fit it. Plans at hand stand beside it. */
useHead({ title: 'Plan · Ulkin' })
const room = useRoomStore()
const settings = useSettingsStore()
const desk = usePlanStart()
const plans = computed(() =>
  room.plans.toReversed().map(p => ({
    plan: p,
    about: [
      p.groupIds.map(g => groupOf(g).name).join(' and '),
      volumeText(p.tank.grossL, settings.units),
      p.glassId
        ? `in ${room.glassById.get(p.glassId)?.name ?? 'its glass'} since ` +
          `${dayText(new Date(p.startsAt).getTime(), Date.now())}`
        : 'not set up yet',
    ].join(' · '),
  })),
)
</script>

<template>
  <div>
    <AppTop title="Plan" about="begin with what you have" />
    <div v-if="room.room" class="page">
      <div class="side">
        <PlanHave v-model="desk.start" :issues="desk.read.issues" />
        <section v-if="plans.length > 0" aria-labelledby="plans-title">
          <h2 id="plans-title">Plans at hand</h2>
          <ul class="plans">
            <li v-for="p in plans" :key="p.plan.id">
              <NuxtLink :to="`/plan/${p.plan.id}`"
                ><b>{{ p.plan.name }}</b></NuxtLink
              ><span class="small muted">{{ p.about }}</span>
            </li>
          </ul>
        </section>
      </div>
      <PlanFits :desk="desk" />
    </div>
    <section v-else-if="room.ready" class="page">
      <p class="statement">A plan needs a room first.</p>
      <v-btn color="primary" to="/">To the Room</v-btn>
    </section>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: 268px minmax(0, 1fr);
  gap: var(--space-7);
  padding: var(--space-5) var(--space-7) var(--space-8);
}
.side,
.side section {
  display: grid;
  gap: var(--space-6);
  align-content: start;
}
.plans li {
  display: grid;
  border-top: 1px solid var(--rule);
  padding: var(--space-4) 0;
}
@media (--narrow) {
  .page {
    grid-template-columns: minmax(0, 1fr);
    padding: var(--space-5) var(--space-6) var(--space-7);
  }
}
</style>
