<script setup lang="ts">
/** On a phone: the places that the bar has no room for, and the rest. */
const open = defineModel<boolean>({ required: true })
useSheets().countOpen(open)
const places = usePlaces()
const settings = useSettingsStore()
const sheets = useSheets()
async function go(to: string) {
  open.value = false
  await navigateTo(to)
}
async function help() {
  open.value = false
  await nextTick()
  sheets.help.value = true
}
/** Day to night, or back. */
function changeTheme() {
  settings.theme = settings.theme === 'day' ? 'night' : 'day'
  open.value = false
}
</script>

<template>
  <SideSheet v-model="open" title="More">
    <ul>
      <li v-for="p in places" :key="p.id">
        <button type="button" @click="go(p.to)">
          <v-icon :icon="p.icon" size="22" /><span
            ><b>{{ p.title }}</b
            ><span class="small muted">{{ p.what }}</span></span
          >
        </button>
      </li>
      <li>
        <button type="button" @click="changeTheme">
          <span class="gap" /><b>{{ settings.theme === 'day' ? 'Night theme' : 'Day theme' }}</b>
        </button>
      </li>
      <li>
        <button type="button" @click="help"><span class="gap" /><b>Help</b></button>
      </li>
    </ul>
  </SideSheet>
</template>

<style scoped>
button {
  display: flex;
  gap: var(--space-5);
  align-items: center;
  width: 100%;
  min-height: 56px;
  border: 0;
  border-bottom: 1px solid var(--rule);
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}
button > span:last-child {
  display: grid;
}
.gap {
  width: 22px;
}
</style>
