/** Brings a raw file of one version to the next; the key is the version that it starts from. */
export type Migrations = Readonly<Record<number, (raw: Record<string, unknown>) => Record<string, unknown>>>

/** All migrations so far: version 1 is the first. */
export const migrations: Migrations = {}

/**
 * Applies migrations one version at a time.
 * @param raw a file with a whole-number `version`
 * @param target version wanted
 * @param steps migrations by the version they start from
 * @throws RangeError when a step is missing: a version was raised without a migration
 */
export function migrate(raw: Record<string, unknown>, target: number, steps: Migrations = migrations): Record<string, unknown> {
  let current = raw
  for (let version = Number(raw.version); version < target; version++) {
    const step = steps[version]
    if (!step) throw new RangeError(`there is no migration from version ${version} to ${version + 1}`)
    current = { ...step(current), version: version + 1 }
  }
  return current
}
