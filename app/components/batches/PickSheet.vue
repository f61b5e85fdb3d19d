<script setup lang="ts">
import { mdiMinus } from '@mdi/js'
import { wayBack } from '#core/batches'
import { resolveGroup } from '#core/groups'
import { type Colony, Entry, toMoment } from '#core/records'
import { cautionText } from '~/words/cautions'

/** Picking those that have settled, one by one: a tally for wet hands, then where they went. */
const props = defineProps<{ colony: Colony; saltGKg: number; nowMs: number }>()
const open = defineModel<boolean>({ required: true })
const room = useRoomStore()
const log = useLogStore()
const sheets = useSheets()
const saving = ref(false)
const n = useSessionStorage(`ulkin.pick.${props.colony.id}`, 0)
const toId = ref('')
const issue = ref('')
const homes = computed(() =>
  room.colonies
    .filter(c => c.groupId === props.colony.groupId && c.form === 'colony')
    .map(c => ({ value: c.id, title: `${c.name} · ${room.glassOf(c)?.name ?? ''}` })),
)
watch(homes, list => (toId.value ||= list[0]?.value ?? ''), { immediate: true })
/** The way back, were they taken out now. */
const down = computed(() => wayBack(resolveGroup(props.colony), props.nowMs, props.saltGKg))
async function save() {
  if (n.value < 1) return void (issue.value = 'Touch the counter once for each that you took out.')
  if (!toId.value) return void (issue.value = 'Say into which colony they go, or begin one for them.')
  issue.value = ''
  const entry = Entry.parse({
    ...log.stamp(),
    at: toMoment(Date.now()),
    kind: 'move',
    colonyId: props.colony.id,
    toColonyId: toId.value,
    number: n.value,
    parts: { young: n.value },
  })
  const name = room.colonyById.get(toId.value)?.name ?? ''
  saving.value = true
  const saved = await log.save(entry, `${n.value} picked into ${name}.`)
  saving.value = false
  if (!saved) return
  n.value = 0
  open.value = false
}
</script>

<template>
  <SideSheet v-model="open" title="Pick the settled">
    <div class="pick">
      <button type="button" class="tally" @click="n++">
        <span class="numeral">{{ n }}</span>
        <span class="small">touch for each one</span>
      </button>
      <v-btn variant="outlined" :prepend-icon="mdiMinus" :disabled="n === 0" @click="n--">One back</v-btn>
      <template v-if="homes.length > 0">
        <PickOne v-model="toId" label="Into which colony" :options="homes" />
      </template>
      <p v-else>
        There is no colony for them yet.
        <button type="button" class="link" @click="sheets.colony.value = { glassId: null, groupId: colony.groupId }">
          Begin one
        </button>
        and come back: the tally stays.
      </p>
      <FieldIssue :text="issue" />
      <SaltStair
        v-if="down.length > 0"
        :steps="down"
        :from-g-kg="saltGKg"
        :now-ms="nowMs"
        label="Back to fresh water"
      />
      <p class="small muted">
        They settle unevenly, so somebody is left each time. Take them over in water of the tub, and lower its salt step
        by step; those that still hang head down stay.
      </p>
      <CautionNote class="small">{{ cautionText('larvaeNeedSea') }}</CautionNote>
    </div>
    <template #foot>
      <v-btn color="primary" size="large" :loading="saving" @click="save">Save</v-btn>
    </template>
  </SideSheet>
</template>

<style scoped>
.pick {
  display: grid;
  gap: var(--space-5);
  justify-items: start;
}
.pick > * {
  width: 100%;
}
.tally {
  display: grid;
  justify-items: center;
  gap: var(--space-2);
  padding: var(--space-6);
  border: 2px solid var(--roe);
  border-radius: 8px;
  background: var(--surface);
  color: inherit;
  font: inherit;
  cursor: pointer;
  touch-action: manipulation;
}
.tally .numeral {
  font-size: var(--type-figure);
  line-height: 1;
}
</style>
