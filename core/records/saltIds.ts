/** The salts that recipes know; their chemistry is in water/chemistry/salts. */
export const saltIds = [
  'calciumCarbonate',
  'calciumSulfateDihydrate',
  'calciumChlorideDihydrate',
  'magnesiumSulfateHeptahydrate',
  'magnesiumChlorideHexahydrate',
  'sodiumBicarbonate',
  'potassiumBicarbonate',
  'sodiumChloride',
  'potassiumSulfate',
  'seaSalt',
] as const
