import { begun, type Rack, type Room, type Source, usualBench } from '#core/records'
import { newId } from '~/data/newId'
import type { Write } from '~/data/saveRecord'

/** What a keeper begins with: a room, one rack for the first glass, and the two waters that nearly everyone has. */
export function emptyRoom(name: string, nowMs: number): { room: Room; records: Write[] } {
  const room: Room = { ...begun(newId(), nowMs), name, keepers: [], bench: usualBench }
  const rack: Rack = { ...begun(newId(), nowMs), roomId: room.id, name: 'Rack 1', kind: 'rack', shelves: 2, order: 0 }
  const source = (of: Pick<Source, 'name' | 'kind' | 'disinfectant'>): Source => ({
    ...begun(newId(), nowMs),
    roomId: room.id,
    ...of,
    analyses: [],
  })
  return {
    room,
    records: [
      { table: 'rooms', record: room },
      { table: 'racks', record: rack },
      { table: 'sources', record: source({ name: 'Pure water', kind: 'pure', disinfectant: 'none' }) },
      // the tap says nothing until it is tested
      { table: 'sources', record: source({ name: 'Tap', kind: 'tap', disinfectant: 'unknown' }) },
    ],
  }
}
