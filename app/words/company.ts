import type { CompanyKey } from '#core/groups'
import type { Message, ValueKey } from '#core/records'
import { valueName } from './unitPrefs'

type Values = Message<CompanyKey>['values']
const texts: Readonly<Record<CompanyKey, (v: Values) => string>> = {
  'company.cross': v => `Two lines of ${v.name} cross, and their young fall back to dull: never in one glass.`,
  'company.kills': v => `${v.who} kill ${String(v.whom).toLowerCase()}.`,
  'company.eatsYoung': v => `${v.who} eat the young of ${String(v.whom).toLowerCase()}.`,
  'company.nips': v => `${v.who} seize feelers, legs and fins of ${String(v.whom).toLowerCase()}.`,
  'company.takesFood': v =>
    `${v.who} eat the food before ${String(v.whom).toLowerCase()} come to it: feed in two places.`,
  'company.larvae': v =>
    `Larvae of ${String(v.who).toLowerCase()} need the sea: none grow up here, whoever else lives in it.`,
  'company.noWater': v => `No water suits both: ${valueName(v.value as ValueKey)} lies apart.`,
  'company.tightWater': v =>
    Number(v.n) > 1
      ? `Only the edges of ${Number(v.n)} ranges overlap, ${valueName(v.value as ValueKey)} first: little room ` +
        `for drift.`
      : `Only the edge of ${valueName(v.value as ValueKey)} suits both: little room for drift.`,
  'company.soil': v =>
    `The active soil of ${String(v.who).toLowerCase()} makes the water too soft and acid for shells of ` +
    `${String(v.whom).toLowerCase()}.`,
}

/** What stands between two groups, in one sentence. */
export const companyText = (m: Message<CompanyKey>): string => texts[m.key](m.values)
