<script setup lang="ts">
import { type Colony, presentGlassId } from '#core/records'
import type { ColonyStatements } from '#core/statements'
import { say } from '~/words/say'

/** The four statements: how many, heading where, how many can go, is the water right. Each opens its evidence. */
export type WhyTopic = 'number' | 'heading' | 'surplus' | 'water'
const props = defineProps<{ colony: Colony; statements: ColonyStatements }>()
defineEmits<{ why: [topic: WhyTopic] }>()
const saying = useSaying()

const told = computed(() => {
  const s = saying(props.colony)
  const { number, heading, surplus, water } = props.statements
  const speaking = water.conclusion ?? water.worst?.conclusion
  return [
    {
      topic: 'number' as const,
      title: 'How many',
      state: number.state === 'unknown' || number.state === 'off' ? number.state : undefined,
      text: say(number.conclusion, s),
      reasons: [...number.reasons, ...number.actions].slice(0, 2).map(m => say(m, s)),
    },
    {
      topic: 'heading' as const,
      title: 'Heading',
      state: heading.state === 'onTarget' ? undefined : heading.state,
      text: say(heading.conclusion, s),
      // what to do comes before what else is thought
      reasons: [...heading.actions, ...heading.reasons].slice(0, 2).map(m => say(m, s)),
    },
    {
      topic: 'surplus' as const,
      title: 'Can go',
      state: undefined,
      text: say(surplus.conclusion, s),
      reasons: surplus.reasons.slice(0, 2).map(m => say(m, s)),
    },
    {
      topic: 'water' as const,
      title: 'Water',
      state: water.state,
      text: speaking ? say(speaking, s) : '',
      reasons:
        water.worst && !water.conclusion
          ? [
              ...[...water.worst.reasons.slice(0, 1), ...water.worst.actions.slice(0, 1)].map(m => say(m, s)),
              ...(water.second ? [`${say(water.second.conclusion, s)}.`] : []),
            ]
          : [],
    },
  ]
})
</script>

<template>
  <section class="four" aria-label="The four statements">
    <article v-for="t in told" :key="t.topic" :class="t.state" :aria-label="t.title" :data-statement="t.topic">
      <h2 class="statement"><StateMark v-if="t.state" :state="t.state" :size="14" /><TheSentence :text="t.text" /></h2>
      <p class="reasons">
        <template v-for="r in t.reasons" :key="r"><TheSentence :text="r" />{{ ' ' }}</template
        ><button type="button" class="link" :aria-label="`Why? ${t.title}`" @click="$emit('why', t.topic)">Why?</button>
      </p>
      <NuxtLink v-if="t.topic === 'water'" :to="`/water/${presentGlassId(colony)}`" class="fix">{{
        statements.water.correctable ? 'Make the water for it' : 'To its water'
      }}</NuxtLink>
    </article>
  </section>
</template>

<style scoped>
.four {
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  border-bottom: 1px solid var(--rule);
}
article {
  padding: var(--space-5) var(--space-6) var(--space-5);
  border-left: 1px solid var(--rule);
}
article:first-child {
  border-left: 0;
  padding-left: 0;
}
article:last-child {
  padding-right: 0;
}
.reasons .link {
  display: inline-block;
  min-height: 24px;
}
.off .statement {
  color: var(--rust);
}
.reasons {
  padding-top: var(--space-3);
  font-size: var(--type-small);
  line-height: 1.35;
  color: var(--muted);
}
.fix {
  display: inline-block;
  font-weight: 650;
  font-size: var(--type-small);
  padding-top: var(--space-3);
  min-height: 32px;
}
@media (--small-desk) {
  .four {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
  article:nth-child(odd) {
    border-left: 0;
    padding-left: 0;
  }
  article:nth-child(n + 3) {
    border-top: 1px solid var(--rule);
  }
}
@media (--phone) {
  .four {
    grid-template-columns: 1fr;
  }
  article {
    border-left: 0;
    padding: var(--space-5) 0;
  }
  article:nth-child(n + 2) {
    border-top: 1px solid var(--rule);
  }
  .statement {
    font-size: var(--type-statement);
  }
  .reasons .link {
    display: inline-block;
    min-height: 30px;
  }
}
</style>
