<script setup lang="ts">
import { mdiPencilOutline, mdiPlus } from '@mdi/js'
import { VueDraggable } from 'vue-draggable-plus'
import type { DrawnRack } from '~/stores/room'

/**
 * A rack as it stands: shelves from top to bottom, glasses from left to right. Glasses can be dragged between shelves.
 */
const props = defineProps<{ drawn: DrawnRack; focusedId: string; movingId: string }>()
const emit = defineEmits<{ focused: [glassId: string]; put: [glassId: string, shelf: number, index: number] }>()
const room = useRoomStore()
const sheets = useSheets()

/** The package moves items in the list that it is given: it gets a copy, and the records answer. */
const shelves = ref(props.drawn.shelves.map(s => [...s]))
watch(
  () => props.drawn,
  drawn => {
    shelves.value = drawn.shelves.map(s => [...s])
  },
)

/** A long shelf takes the room of two racks, or of all: glasses stay as wide as their words. */
const longest = computed(() => Math.max(0, ...props.drawn.shelves.map(s => s.length)))

const dragging = useState('room.dragging', () => false)
function dropped(event: { item: HTMLElement; newIndex?: number }, shelf: number) {
  const glassId = event.item.dataset.glass
  if (glassId !== undefined && event.newIndex !== undefined) emit('put', glassId, shelf, event.newIndex)
}
// the pointer goes up over a link: that is the end of a drag, not a click
const endDrag = () =>
  setTimeout(() => {
    dragging.value = false
  }, 50)
</script>

<template>
  <section
    class="rack"
    :class="[drawn.rack.kind, { broad: longest > 3, whole: longest > 6 }]"
    :aria-label="drawn.rack.name"
  >
    <h2>
      <span>{{ drawn.rack.name }}</span>
      <button
        type="button"
        class="edit"
        :aria-label="`Change ${drawn.rack.name}`"
        @click="sheets.rack.value = { rackId: drawn.rack.id }"
      >
        <v-icon :icon="mdiPencilOutline" size="15" />
      </button>
    </h2>
    <VueDraggable
      v-for="(glasses, shelf) in shelves"
      :key="shelf"
      v-model="shelves[shelf]!"
      class="shelf"
      group="glasses"
      :animation="120"
      :force-fallback="true"
      :fallback-tolerance="6"
      :delay="180"
      :delay-on-touch-only="true"
      filter=".add"
      :data-shelf="shelf"
      @start="dragging = true"
      @end="endDrag"
      @add="dropped($event, shelf)"
      @update="dropped($event, shelf)"
    >
      <GlassBox
        v-for="g in glasses"
        :key="g.id"
        :glass="g"
        :colonies="room.coloniesByGlass.get(g.id) ?? []"
        :focusable="g.id === focusedId"
        :moving="g.id === movingId"
        @focused="emit('focused', g.id)"
        @add-colony="sheets.colony.value = { glassId: g.id }"
      />
      <button
        v-if="glasses.length === 0"
        type="button"
        class="add"
        @click="sheets.glass.value = { glassId: null, place: { rackId: drawn.rack.id, shelf } }"
      >
        <v-icon :icon="mdiPlus" size="18" />Add a glass
      </button>
    </VueDraggable>
  </section>
</template>

<style scoped>
.rack {
  min-width: 0;
}
h2 {
  display: flex;
  align-items: center;
  gap: var(--space-1);
  min-height: 30px;
  font-size: var(--type-small);
  color: var(--muted);
  font-weight: 550;
}
h2 span {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.edit {
  width: 30px;
  height: 30px;
  border: 0;
  background: none;
  color: var(--muted);
  cursor: pointer;
}
.shelf {
  display: flex;
  gap: var(--space-4);
  align-items: flex-end;
  border-bottom: 4px solid var(--shelf);
  min-height: 152px;
  padding: var(--space-3) var(--space-1) 0;
}
.windowsill .shelf {
  border-color: var(--water-solid);
}
.floor .shelf {
  border-bottom-style: double;
}
.add {
  display: flex;
  align-items: center;
  gap: var(--space-3);
  align-self: center;
  margin: auto;
  min-height: 44px;
  padding: 0 var(--space-6);
  border: 1px dashed var(--muted);
  border-radius: 6px;
  background: none;
  color: var(--weed);
  font: inherit;
  font-size: var(--type-small);
  cursor: pointer;
}
@media (--not-phone) {
  .broad {
    grid-column: span 2;
  }
  .whole {
    grid-column: 1 / -1;
  }
}
@media (--phone) {
  .shelf {
    min-height: 120px;
    flex-wrap: wrap;
  }
}
</style>
