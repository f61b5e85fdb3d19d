import type { MineralContent, ShelfItem } from './water'

/** Whether a box holds something that recipes are made from. */
export const isMineral = (item: ShelfItem): item is ShelfItem & { content: MineralContent } =>
  item.content.by !== 'food'
