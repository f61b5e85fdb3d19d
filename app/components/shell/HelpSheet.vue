<script setup lang="ts">
import { glossary, glossaryIds } from '~/words/glossary'

/** The few ideas behind the screens, all keys, and the words. */
const sheets = useSheets()
const places = usePlaces()
const keys = computed(() => [
  {
    title: 'Everywhere',
    rows: [
      ...places.value.map(p => [
        `Space ${p.letter.toUpperCase()}`,
        `${p.title}: ${p.what[0]!.toLowerCase()}${p.what.slice(1)}`,
      ]),
      ['L', 'Log a count, a water test or anything else'],
      ['/', 'Find a colony, a place or an action'],
      ['U', 'Undo what was saved last'],
      ['?', 'This sheet'],
      ['Esc', 'Close a sheet; what was typed stays'],
    ],
  },
  {
    title: 'In the Room',
    rows: [
      ['← →', 'Walk along a shelf'],
      ['↑ ↓', 'To the shelf above or below'],
      ['Enter', 'Open the colony'],
      ['E', 'Change or move the glass'],
      ['M', 'Move the glass: arrows carry it, Enter puts it down, Esc takes it back'],
    ],
  },
  {
    title: 'On the Round',
    rows: [
      ['0–9', 'Type into the counter'],
      ['← → Tab', 'To the next counter or value'],
      ['⌫', 'On an empty counter: back'],
      ['+ −', 'One more, one less'],
      ['M H O', 'The last food: gone in minutes, in an hour, left over'],
      ['F W T E', 'Fed, water changed, topped up, equipment looked at; G greens, V leaves, C calcium'],
      ['A', 'All that is due here and done with a touch'],
      ['N', 'Note'],
      ['Enter', 'Save, and to the next glass'],
      ['S', 'Pass the glass over'],
      ['U', 'Take this glass, or the one before, back'],
    ],
  },
  {
    title: 'In the Water place',
    rows: [
      ['↑ ↓', 'Move the line between two sources in the bucket (Page Up and Down: five steps)'],
      ['T', 'Take the probe’s readings into the log'],
    ],
  },
  {
    title: 'In the log sheet',
    rows: [
      ['Tab', 'To the next field'],
      ['Enter', 'Save'],
    ],
  },
])
</script>

<template>
  <SideSheet v-model="sheets.help.value" title="Help">
    <div class="parts">
      <section class="part">
        <h3>How to read it</h3>
        <p><StateMark state="onTarget" />on target</p>
        <p><StateMark state="drifting" />drifting, or outside the preferred range: keep an eye on it</p>
        <p><StateMark state="off" />off: needs you today</p>
        <p><StateMark state="unknown" />no recent reading</p>
        <p class="space">
          A likely range holds the truth four times out of five. Every number has a <em>Why?</em> with its inputs, its
          method and what would narrow it.
        </p>
        <p class="space muted small">Ulkin gives reasons, not orders. Local rules, labels and vets come first.</p>
      </section>
      <section v-for="part in keys" :key="part.title" class="part keys">
        <h3>{{ part.title }}</h3>
        <dl>
          <div v-for="row in part.rows" :key="row[0]">
            <dt>
              <kbd>{{ row[0] }}</kbd>
            </dt>
            <dd>{{ row[1] }}</dd>
          </div>
        </dl>
      </section>
      <section class="part">
        <h3>Words</h3>
        <p class="small">
          <button type="button" class="link" @click="sheets.signs.value = 'skin'">Signs, drawn</button>: shed skin or
          dead animal, eggs, sexes, shells, clutches, limbs.
        </p>
        <dl class="words">
          <div v-for="id in glossaryIds" :key="id">
            <dt>{{ glossary[id].word }}</dt>
            <dd class="small">{{ glossary[id].says }}</dd>
          </div>
        </dl>
      </section>
    </div>
  </SideSheet>
</template>

<style scoped>
.parts {
  display: flex;
  flex-direction: column;
}
/* a phone has no keys to press: the words come first there */
@media (--phone) {
  .keys {
    order: 1;
  }
}
.part {
  padding-bottom: var(--space-6);
}
h3 {
  padding-bottom: var(--space-3);
}
dl div {
  display: grid;
  grid-template-columns: 96px 1fr;
  padding: var(--space-2) 0;
  border-top: 1px solid var(--rule);
}
dd {
  margin: 0;
}
kbd {
  margin: 0;
  font-size: var(--type-fine);
}
.space {
  padding-top: var(--space-4);
}
</style>
