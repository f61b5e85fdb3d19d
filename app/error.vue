<script setup lang="ts">
import type { NuxtError } from '#app'

// One of our own: Nuxt's built-in page adds an inline script, which the Content-Security-Policy refuses
const props = defineProps<{ error: NuxtError }>()
</script>

<template>
  <v-app>
    <main class="page">
      <h1>{{ props.error.status === 404 ? 'There is no such place' : 'Something went wrong' }}</h1>
      <p>
        {{
          props.error.status === 404
            ? 'The address leads nowhere. Nothing was changed.'
            : `${props.error.message}. What was saved before is kept on this device.`
        }}
      </p>
      <v-btn color="primary" @click="clearError({ redirect: '/' })">Back to the Room</v-btn>
    </main>
  </v-app>
</template>

<style scoped>
.page {
  padding: var(--space-8);
  display: grid;
  gap: var(--space-6);
  justify-items: start;
}
</style>
