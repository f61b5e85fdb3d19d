<script setup lang="ts">
import { mdiCheck } from '@mdi/js'
import { toMoment } from '#core/records'
import { volumeText } from '~/words/unitPrefs'

/** One plan: its fields, what they come to, the first fill, company, and the calendar. */
const route = useRoute()
const room = useRoomStore()
const settings = useSettingsStore()
const desk = usePlanDesk(() => String(route.params.id))
const setting = ref(false)
const glass = computed(() => room.glassById.get(desk.stored.value?.glassId ?? '') ?? null)
useHead({ title: computed(() => `${desk.stored.value?.name ?? 'Plan'} · Ulkin`) })
const about = computed(() =>
  desk.plan.value
    ? [
        desk.groups.value.map(g => g.group.name).join(' and '),
        `${volumeText(desk.plan.value.tank.grossL, settings.units)}, ` +
          `${volumeText(desk.netL.value, settings.units)} of water`,
        glass.value ? `in ${glass.value.name}` : 'not set up yet',
      ].join(' · ')
    : '',
)
async function putAway() {
  await desk.change({ ended: { at: toMoment(Date.now()), why: 'putAway' } }, 'Plan put away.')
  await navigateTo('/plan')
}
</script>

<template>
  <div>
    <template v-if="desk.plan.value && desk.draft.value">
      <AppTop :title="desk.stored.value?.name ?? ''" :about="about">
        <template #before
          ><BackLink to="/plan" label="Back to the plans" /><GroupFigure
            :group-id="desk.plan.value.groupIds[0]!"
            :size="54"
        /></template>
        <v-btn v-if="glass" color="primary" :to="`/water/${glass.id}`">To its water</v-btn>
        <v-btn v-else color="primary" :prepend-icon="mdiCheck" @click="setting = true">Make it a glass</v-btn>
      </AppTop>
      <div class="page" :class="{ running: glass }">
        <PlanForm
          v-model="desk.draft.value"
          class="form"
          :issues="desk.issues.value"
          :fixed="glass !== null"
          :plan="desk.plan.value"
        />
        <div class="answers">
          <PlanAnswers :plan="desk.plan.value" :groups="desk.groups.value" />
          <PlanCompany v-if="desk.groups.value.length === 2" :groups="desk.groups.value" />
        </div>
        <div class="side">
          <PlanFill
            :plan="desk.plan.value"
            :groups="desk.groups.value"
            :net-l="desk.netL.value"
            :glass-id="glass?.id ?? ''"
            :filled="desk.log.value.filledMs !== null ? 'logged' : desk.plan.value.done.fill ? 'ticked' : null"
          />
          <PlanShopping v-if="!glass" :plan="desk.plan.value" :groups="desk.groups.value" />
          <PlanCalendar :desk="desk" @arrived="setting = true" />
          <p><button type="button" class="link" @click="putAway">Put this plan away</button></p>
        </div>
      </div>
      <PlanGlassSheet v-model="setting" :desk="desk" />
    </template>
    <NotHere v-else-if="room.ready" place="Plan" what="This plan" to="/plan" back="To the plans" />
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: 300px minmax(0, 1fr) 330px;
  gap: var(--space-7);
  padding: var(--space-5) var(--space-7) var(--space-8);
}
.answers,
.side {
  display: grid;
  gap: var(--space-7);
  align-content: start;
  min-width: 0;
}
@media (--small-desk) {
  .page {
    grid-template-columns: 300px minmax(0, 1fr);
  }
  .side {
    grid-column: 2;
  }
}
@media (--narrow) {
  .page {
    grid-template-columns: minmax(0, 1fr);
    padding: var(--space-5) var(--space-6) var(--space-7);
  }
  .side {
    grid-column: 1;
  }
  .running .side {
    order: -1;
  }
}
</style>
