<script setup lang="ts">
/** First start: what this is, and two ways to begin. */
const { busy, problem, openDemo, openEmpty } = useStart()
const name = ref('')
</script>

<template>
  <section class="welcome">
    <p class="statement">How many there are, where they are heading, what can go, and what the water needs.</p>
    <p class="muted">
      Log a count and a water test, and Ulkin tells you these four things for every colony of shrimp, snails and other
      small water animals, with reasons and doubt. Everything stays on this device.
    </p>
    <div class="ways">
      <form @submit.prevent="openEmpty(name)">
        <h2>Your own room</h2>
        <p class="muted small">One rack with two shelves to begin with. Add glasses and colonies as they stand.</p>
        <TextInput v-model="name" label="Name of the room" placeholder="My room" />
        <v-btn type="submit" color="primary" size="large">Start with an empty room</v-btn>
      </form>
      <div>
        <h2>Look around first</h2>
        <p class="muted small">
          Lantern Quay is an invented room with twenty-two glasses and fourteen months of records. It stands beside your
          own room and never mixes with it.
        </p>
        <v-btn class="quiet" size="large" :loading="busy" @click="openDemo">Open the demo room</v-btn>
        <FieldIssue :text="problem" />
      </div>
    </div>
    <p class="muted small">Have a backup file? <NuxtLink to="/records">Bring it in under Records.</NuxtLink></p>
  </section>
</template>

<style scoped>
.welcome {
  max-width: 860px;
  padding: var(--space-8) var(--space-7);
  display: grid;
  gap: var(--space-6);
}
.statement {
  font-size: var(--type-figure);
}
.ways {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-8);
  padding: var(--space-6) 0;
}
.ways > * {
  display: grid;
  gap: var(--space-5);
  align-content: start;
  justify-items: start;
  border-top: 2px solid var(--ink);
  padding-top: var(--space-5);
}
.ways form > div {
  width: 100%;
}
@media (--phone) {
  .welcome {
    padding: var(--space-7) var(--space-6);
  }
  .ways {
    grid-template-columns: 1fr;
  }
  .statement {
    font-size: var(--type-statement);
  }
}
</style>
