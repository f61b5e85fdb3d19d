<script setup lang="ts">
import type { RoundCounter } from '#core/groups'
import { counterDown, counterUp } from '~/forms/roundDraft'
import { counterWord } from '~/words/round'

/** A big counter: digits type into it, the round button adds one. Empty means that nobody looked. */
const props = defineProps<{ counter: RoundCounter; hint: string; of: string }>()
const text = defineModel<string>({ required: true })
const emit = defineEmits<{ step: [by: 1 | -1]; back: [] }>()
const id = useId()

function keydown(event: KeyboardEvent) {
  const steps: Record<string, 1 | -1> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }
  if (event.ctrlKey || event.metaKey || event.altKey) return
  if (steps[event.key]) {
    event.preventDefault()
    emit('step', steps[event.key]!)
  } else if (event.key === '+' || event.key === '-') {
    event.preventDefault()
    text.value = event.key === '+' ? counterUp(props.counter, text.value) : counterDown(text.value)
  } else if (event.key === 'Backspace' && text.value === '') {
    event.preventDefault()
    emit('back')
  }
  // "few" and "many" are one word: one Backspace clears it, and a digit takes its place
  else if (/^\D+$/.test(text.value) && (event.key === 'Backspace' || /^\d$/.test(event.key))) {
    event.preventDefault()
    text.value = event.key === 'Backspace' ? '' : event.key
  }
  // letters mean nothing in a number: they are the commands of the round
  else if (event.key.length === 1 && !/\d/.test(event.key)) event.preventDefault()
}
</script>

<template>
  <div class="counter" :class="{ set: text !== '' }">
    <label :for="id"
      >{{ counterWord[counter] }}<span class="hidden-to-eyes"> of {{ of }}</span></label
    >
    <input
      :id="id"
      v-model="text"
      class="number"
      inputmode="numeric"
      autocomplete="off"
      placeholder="–"
      maxlength="6"
      data-round-counter
      @keydown="keydown"
      @focus="($event.target as HTMLInputElement).select()"
    />
    <span class="hint">{{ hint }}</span>
    <span class="acts">
      <!-- Tab goes from counter to counter; + and - do the same as these for keys -->
      <button
        type="button"
        tabindex="-1"
        class="less"
        :class="{ none: text === '' }"
        :disabled="text === ''"
        :aria-label="`${counterWord[counter]} of ${of}: one less`"
        @click="text = counterDown(text)"
      >
        −
      </button>
      <button
        type="button"
        tabindex="-1"
        class="more"
        :aria-label="`${counterWord[counter]} of ${of}: one more`"
        @click="text = counterUp(counter, text)"
      >
        +
      </button>
    </span>
  </div>
</template>

<style scoped>
.counter {
  position: relative;
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: center;
  border: 1.5px solid var(--rule);
  border-radius: 6px;
  background: var(--surface);
  padding: var(--space-4) var(--space-4) var(--space-4) var(--space-5);
  min-height: 92px;
  gap: var(--space-1) var(--space-2);
}
.counter:focus-within {
  border-color: var(--weed);
  outline: 2px solid var(--weed);
}
.counter label {
  grid-column: 1 / -1;
  font-size: var(--type-small);
}
/* its place is kept, so that nothing moves under the finger */
.none {
  visibility: hidden;
}
.number {
  width: 100%;
  min-width: 0;
  min-height: 38px;
  border: 0;
  padding: 0;
  background: none;
  color: var(--ink);
  font: 650 var(--type-figure)/1.15 var(--v-font-heading);
  outline: none;
}
.number::placeholder {
  color: var(--muted);
}
.hint {
  grid-column: 1 / -1;
  font-size: var(--type-fine);
  line-height: 1.2;
  color: var(--muted);
  min-width: 0;
}
.acts {
  grid-column: 2;
  grid-row: 2;
  display: flex;
  gap: var(--space-2);
  align-items: center;
}
.acts button {
  width: 46px;
  height: 46px;
  border-radius: 50%;
  border: 1.5px solid var(--weed);
  background: none;
  color: var(--weed);
  font: 600 var(--type-statement)/1 var(--v-font-heading);
  cursor: pointer;
  touch-action: manipulation;
}
.acts .less {
  border-color: var(--rule);
  color: var(--muted);
}
</style>
