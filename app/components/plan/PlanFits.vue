<script setup lang="ts">
import type { PlanStartDesk } from '~/composables/usePlanStart'
import { glossary } from '~/words/glossary'

/** The groups, the best fitting first: what each is like, its strips with the tap on them, how its water is made. */
const { desk } = defineProps<{ desk: PlanStartDesk }>()
const { rows, headline } = usePlanFits(desk)
</script>

<template>
  <section aria-labelledby="fits-title">
    <h2 id="fits-title" class="statement">{{ headline || 'Which animals shall it be?' }}</h2>
    <p class="small muted">
      {{
        desk.fits.length > 0
          ? 'Strips: what they like, and where your tap and room lie. Words with dots explain themselves.'
          : 'Type your litres and your tap, and the animals that fit them come first. Or choose one now.'
      }}
    </p>
    <WorkerFailed :worker="desk.worker" />
    <ul aria-label="Animals">
      <li v-for="{ group, about, words, strips, text, but } in rows" :key="group.id">
        <GroupFigure :group-id="group.id" class="figure" />
        <div class="who">
          <button type="button" class="name" @click="desk.begin(group.id)">{{ group.glance.plainName }}</button>
          <em class="small muted">{{ group.animals }}</em>
          <p class="small">
            {{ about }} {{ group.glance.says
            }}<template v-for="w in words" :key="w"
              >{{ ' '
              }}<GlossWord :of="w" class="muted">What is “{{ glossary[w].word.toLowerCase() }}”?</GlossWord></template
            >
          </p>
        </div>
        <div class="strips">
          <div v-for="s in strips" :key="s.key" class="strip">
            <span class="small muted">{{ s.name }}</span><TargetStrip :verdict="s.verdict" :span="s.span" />
          </div>
        </div>
        <div class="fit small">
          <template v-if="text"
            ><b>{{ text.title }}</b
            >{{ text.more }}<span v-for="b in but" :key="b" class="muted">{{ b }}</span></template
          >
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: var(--space-3);
  align-content: start;
  min-width: 0;
}
.statement {
  font-size: var(--type-statement);
}
li {
  display: grid;
  grid-template-columns: 86px minmax(0, 1fr) minmax(140px, 210px) 168px;
  gap: var(--space-5);
  align-items: center;
  border-top: 1px solid var(--rule);
  padding: var(--space-4) 0;
}
.name {
  display: block;
  padding: 0;
  border: 0;
  background: none;
  color: var(--ink);
  font: 650 var(--type-section) var(--v-font-heading);
  text-align: left;
  cursor: pointer;
  min-height: 30px;
}
.name:hover {
  text-decoration: underline;
}
.strip {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr);
  align-items: center;
}
.fit b,
.fit span {
  display: block;
}
.fit b {
  font-size: var(--type-text);
}
@media (--small-desk) {
  li {
    grid-template-columns: 86px minmax(0, 1fr) 168px;
  }
  .strips {
    display: none;
  }
}
@media (--phone) {
  li {
    grid-template-columns: 64px minmax(0, 1fr);
    gap: var(--space-3) var(--space-4);
    align-items: start;
  }
  .figure {
    width: 64px;
    height: auto;
  }
  .fit {
    grid-column: 2;
  }
}
</style>
