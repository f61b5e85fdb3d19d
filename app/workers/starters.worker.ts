import { expose } from 'comlink'
import { resolveGroup } from '#core/groups'
import { type StarterQuestion, weeksFromStarters, type WeeksToReach } from '#core/population'

/** A starting number of a group with its schools. */
export interface StartersAsked extends StarterQuestion {
  groupId: string
  schools: Record<string, string>
}

const weeks = ({ groupId, schools, ...question }: StartersAsked): WeeksToReach =>
  weeksFromStarters(resolveGroup({ groupId, schools, targets: {}, life: {} }), question)
const api = { weeks }
export type StartersApi = typeof api
expose(api)
