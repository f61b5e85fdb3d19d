import type { Salt } from '#core/water'

/** Salts by their plain chemical names; buy them pure, as food or laboratory grade. */
export const saltWord: Readonly<Record<Salt, string>> = {
  calciumChlorideDihydrate: 'calcium chloride dihydrate',
  magnesiumSulfateHeptahydrate: 'magnesium sulfate heptahydrate',
  sodiumBicarbonate: 'sodium bicarbonate',
}
