<script setup lang="ts">
import { type DueItem, planHoliday, type StandInTask } from '#core/care'
import { DAY_MS, toMoment } from '#core/records'
import { deviceDay, deviceDayFrom, hourOn } from '~/forms/deviceDays'
import { saveFile } from '~/files/saveFile'
import { cautionText } from '~/words/cautions'
import { dueKindWord, dueTitle, effortText } from '~/words/due'
import { counted } from '~/words/numbers'
import { weekdayText } from '~/words/when'

/** Away for a while: what to do before, what cannot wait, and a sheet for whoever comes by. */
useHead({ title: 'Holiday · Ulkin' })
const room = useRoomStore()
const care = useCareStore()
const settings = useSettingsStore()
const log = useLogStore()

const from = ref('')
const to = ref('')
const standIn = ref('')
/** What the fields held when they were filled: looking alone writes nothing. */
let asFilled = ''
const now = () => [from.value, to.value, standIn.value].join('|')
// filled once log and room are there, and before the fields are shown: what is typed is never overwritten
watch(
  () => care.ready && room.room?.id,
  there => {
    if (!there) return
    const kept = care.settings.holiday
    const over = !kept || new Date(kept.to).getTime() < Date.now()
    from.value = over ? deviceDayFrom(Date.now(), 2) : deviceDay(Date.parse(kept.from))
    to.value = over ? deviceDayFrom(Date.now(), 16) : deviceDay(Date.parse(kept.to))
    standIn.value = kept?.standIn ?? ''
    asFilled = now()
  },
  { immediate: true },
)
/** Longer than this, somebody else has to be the keeper. */
const MOST_DAYS = 120
const days = computed(() => {
  const a = hourOn(from.value, 0)
  const b = hourOn(to.value, 0)
  return a === null || b === null ? null : { from: a, to: b }
})
const issue = computed(() =>
  !days.value
    ? 'Choose both days.'
    : days.value.to <= days.value.from
      ? 'The day you are back comes after the day you leave.'
      : days.value.to - days.value.from > MOST_DAYS * DAY_MS
        ? 'That is more than four months: somebody else has to be the keeper then.'
        : '',
)
const plan = computed(() =>
  days.value && !issue.value
    ? planHoliday(
        care.items.filter(i => i.kind !== 'leftovers'),
        days.value.from,
        days.value.to,
      )
    : null,
)
const keep = () => {
  if (days.value && !issue.value && now() !== asFilled)
    void care.change({
      holiday: { from: toMoment(days.value.from), to: toMoment(days.value.to), standIn: standIn.value.slice(0, 30) },
    })
}
watchDebounced([from, to, standIn], keep, { debounce: 800 })

/** By kind of work, with the glasses that it is for. */
function byKind(items: readonly DueItem[]) {
  const by = new Map<string, string[]>()
  for (const i of items) {
    const kind = dueKindWord(i.key).replace(/^./, c => c.toUpperCase())
    by.set(kind, [...(by.get(kind) ?? []), care.subjectName(i)])
  }
  return [...by].map(([kind, names]) => ({ kind, names }))
}
/** By glass, as one walks: all that is done there on one visit. */
function byGlass(tasks: readonly StandInTask[]) {
  const by = new Map<string, string[]>()
  for (const { item } of inOrder(tasks))
    by.set(care.subjectName(item), [
      ...(by.get(care.subjectName(item)) ?? []),
      dueTitle(item, settings.units).replace(/^[A-Z](?![A-Z])/, c => c.toLowerCase()),
    ])
  return [...by].map(([name, list]) => ({ name, tasks: list }))
}
/** By glass, as one walks. */
const walkAt = computed(() => new Map(care.walk.map((g, i) => [g.id, i])))
const inOrder = <T extends { item: { glassId?: string } }>(tasks: readonly T[]) =>
  tasks.toSorted(
    (a, b) => (walkAt.value.get(a.item.glassId ?? '') ?? 999) - (walkAt.value.get(b.item.glassId ?? '') ?? 999),
  )
const rules = computed(() => [
  'Feed less rather than more: the amounts here are all they need. Take out what lies there the next day.',
  'If many are dead, or the water is cloudy or smells: do not feed, change nothing else, and call.',
  'Leave shed skins in: they look like dead ones, but are hollow and clear.',
  'Change no water and add nothing that is not on this sheet.',
  cautionText('electricity')!,
  cautionText('washHands')!,
])
async function savePdf() {
  if (!plan.value || !days.value) return
  const { standInPdf } = await import('~/files/standInPdf')
  const bytes = await standInPdf({
    title: `${room.room?.name ?? 'Room'}: while we are away`,
    about:
      `${weekdayText(days.value.from)} to ` +
      `${weekdayText(days.value.to)}${standIn.value ? ` · for ${standIn.value}` : ''} · ` +
      `${counted(plan.value.visits.length, 'visit', 'visits').toLowerCase()}`,
    visits: plan.value.visits.map(v => ({
      day: weekdayText(v.dayMs),
      tasks: byGlass(v.tasks).map(g => `${g.name}: ${g.tasks.join(', ')}`),
    })),
    rules: rules.value,
  })
  saveFile(`ulkin-stand-in-${from.value}.pdf`, bytes, 'application/pdf')
  log.tell('The sheet is saved.')
}
const print = () => window.print()
</script>

<template>
  <div class="holiday">
    <AppTop title="Holiday" about="What can wait, what cannot, and a sheet for your stand-in">
      <v-btn class="quiet noprint" to="/round">Back to the Round</v-btn>
    </AppTop>
    <div v-if="care.ready && room.room" class="page">
      <section class="noprint form" aria-label="When">
        <TextInput v-model="from" label="You leave" type="date" />
        <TextInput v-model="to" label="You are back" type="date" :error="issue" />
        <TextInput v-model="standIn" label="Who comes by" placeholder="a name" />
      </section>
      <template v-if="plan">
        <section class="noprint" aria-label="Before you leave">
          <h2>
            Before you leave:
            {{ plan.before.length === 0 ? 'nothing' : counted(plan.before.length, 'thing', 'things').toLowerCase()
            }}<template v-if="plan.before.length > 0"
              >, {{ effortText(plan.before.reduce((s, i) => s + i.minutes, 0)) }}</template
            >
          </h2>
          <ul class="kinds">
            <li v-for="k in byKind(plan.before)" :key="k.kind">
              <b>{{ k.kind }}</b> <span class="numeral">{{ k.names.length }}</span>{{ ' '
              }}<span class="muted">{{ k.names.join(', ') }}</span>
            </li>
          </ul>
        </section>
        <section class="sheet" aria-label="Sheet for the stand-in">
          <h2>
            {{
              plan.visits.length === 0
                ? 'Nobody has to come by.'
                : `${counted(plan.visits.length, 'visit', 'visits')} of ${standIn || 'your stand-in'}`
            }}
          </h2>
          <p v-if="plan.visits.length === 0" class="muted">All that comes due meanwhile can wait until you are back.</p>
          <p class="small muted onlyprint">
            {{ room.room?.name }}, {{ weekdayText(days!.from) }} to {{ weekdayText(days!.to) }}
          </p>
          <div v-for="v in plan.visits" :key="v.dayMs" class="visit">
            <h3>
              {{ weekdayText(v.dayMs) }} <span class="small muted">{{ effortText(v.minutes) }}</span>
            </h3>
            <ul>
              <li v-for="g in byGlass(v.tasks)" :key="g.name">
                <span class="box" aria-hidden="true" />
                <span
                  ><b>{{ g.name }}:</b> {{ g.tasks.join(', ') }}</span
                >
              </li>
            </ul>
          </div>
          <ul v-if="plan.visits.length > 0" class="rules">
            <li v-for="r in rules" :key="r">{{ r }}</li>
          </ul>
          <div v-if="plan.visits.length > 0" class="acts noprint">
            <v-btn color="primary" @click="savePdf">Save as PDF</v-btn><v-btn class="quiet" @click="print">Print</v-btn>
          </div>
        </section>
        <section class="noprint" aria-label="What can wait">
          <h2>What can wait</h2>
          <ul class="kinds">
            <li v-for="k in byKind(plan.after)" :key="k.kind">
              <b>{{ k.kind }}</b> <span class="numeral">{{ k.names.length }}</span>{{ ' '
              }}<span class="muted">{{ k.names.join(', ') }}</span>
            </li>
          </ul>
          <p v-if="plan.after.length === 0" class="muted">Nothing: all of it is done before or by your stand-in.</p>
        </section>
        <p class="small muted noprint">
          How long they do without food and care is from memory: a stand-in who knows animals is worth more than any
          sheet.
        </p>
      </template>
    </div>
  </div>
</template>

<style scoped>
.page {
  padding: var(--space-5) var(--space-7) var(--space-7);
  display: grid;
  gap: var(--space-6);
  max-width: 1100px;
}
.form {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 220px));
  gap: var(--space-5);
  align-items: start;
}
h2 {
  padding-bottom: var(--space-2);
}
.kinds li {
  padding: var(--space-2) 0;
  border-top: 1px solid var(--rule);
  font-size: var(--type-small);
}
.visit {
  padding: var(--space-4) 0;
  border-top: 1px solid var(--rule);
}
.visit ul {
  columns: 2;
  column-gap: var(--space-8);
}
.visit li {
  break-inside: avoid;
  padding: var(--space-2) 0;
  font-size: var(--type-small);
  display: flex;
  gap: var(--space-4);
}
.box {
  flex: none;
  width: 16px;
  height: 16px;
  margin-top: var(--space-1);
  border: 1.5px solid var(--muted);
  border-radius: 3px;
}
.rules {
  border-top: 1px solid var(--rule);
  padding-top: var(--space-4);
}
.rules li {
  padding: var(--space-1) 0;
  font-size: var(--type-small);
  color: var(--muted);
}
.acts {
  display: flex;
  gap: var(--space-4);
  padding-top: var(--space-5);
}
.onlyprint {
  display: none;
}
@media (--narrow) {
  .page {
    padding: var(--space-5) var(--space-6) var(--space-6);
  }
  .form {
    grid-template-columns: 1fr 1fr;
  }
  .visit ul {
    columns: 1;
  }
}
@media print {
  .noprint {
    display: none !important;
  }
  .onlyprint {
    display: block;
  }
  .page {
    max-width: none;
    padding: 0;
  }
}
</style>
