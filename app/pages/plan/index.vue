<script setup lang="ts">
import { groupOf, groups } from '#core/groups'
import { newPlan } from '~/forms/planDraft'
import { dayText } from '~/words/when'
import { volumeText } from '~/words/unitPrefs'

/** Plans at hand, and the first question of a new one: which animals? */
useHead({ title: 'Plan · Ulkin' })
const room = useRoomStore()
const settings = useSettingsStore()
const { save } = useSave()
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
async function begin(groupId: string) {
  if (!room.room) return
  const plan = newPlan(groupId, room.room.id, Date.now())
  if (await save('plans', plan)) await navigateTo(`/plan/${plan.id}`)
}
</script>

<template>
  <div>
    <AppTop title="Plan" about="Which animals, which glass, how many starters, when" />
    <div class="page">
      <section v-if="room.room" aria-labelledby="begin-title">
        <h2 id="begin-title" class="statement">Which animals shall it be?</h2>
        <p class="muted">Choose, and a plan that suits them lies before you; change whatever you have otherwise.</p>
        <ul class="groups">
          <li v-for="g in groups" :key="g.id">
            <button type="button" @click="begin(g.id)">
              <b>{{ g.name }}</b><span class="small muted">{{ g.animals }}</span>
            </button>
          </li>
        </ul>
      </section>
      <section v-else-if="room.ready">
        <p class="statement">A plan needs a room first.</p>
        <v-btn color="primary" to="/">To the Room</v-btn>
      </section>
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
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  gap: var(--space-8);
  padding: var(--space-7);
}
section {
  display: grid;
  gap: var(--space-5);
  align-content: start;
  justify-items: start;
}
.groups {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 0 var(--space-7);
  width: 100%;
  padding-top: var(--space-4);
}
.groups button {
  display: grid;
  gap: 1px;
  width: 100%;
  min-height: 58px;
  align-content: center;
  padding: var(--space-3) 0;
  border: 0;
  border-top: 1px solid var(--rule);
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.groups b {
  font: 650 var(--type-section) var(--v-font-heading);
  color: var(--weed);
}
.groups button:hover b {
  text-decoration: underline;
}
.plans {
  width: 100%;
}
.plans li {
  display: grid;
  border-top: 1px solid var(--rule);
  padding: var(--space-4) 0;
}
@media (--narrow) {
  .page {
    grid-template-columns: minmax(0, 1fr);
    padding: var(--space-6);
    gap: var(--space-7);
  }
}
</style>
