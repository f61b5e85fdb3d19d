/** What a look at the equipment goes through. */
export const equipmentParts = ['cover', 'intake', 'flow', 'heater', 'light'] as const
export type EquipmentPart = (typeof equipmentParts)[number]
