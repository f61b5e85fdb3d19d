/** Where this device keeps what was typed and not saved yet. It belongs to the room that is open. */
export const typedKeys = {
  log: 'ulkin.typed.log',
  bag: 'ulkin.typed.bag',
  vessel: 'ulkin.typed.vessel',
  planStart: 'ulkin.typed.planStart',
  grade: 'ulkin.typed.grade',
  trays: 'ulkin.typed.trays',
} as const
