/** People and doors, as both sides know them: roles, what a person may do, what the door says. */

export const ROLES = ['owner', 'chef', 'cook', 'inspector'] as const
export type Role = (typeof ROLES)[number]

/** What may be done: read and print batches; make them and the day; write formulas, the kitchen; see to people. */
export const RIGHTS = ['read', 'make', 'write', 'own'] as const
export type Right = (typeof RIGHTS)[number]
const OF_ROLE: Readonly<Record<Role, readonly Right[]>> = {
  owner: ['read', 'make', 'write', 'own'],
  chef: ['read', 'make', 'write'],
  cook: ['read', 'make'],
  inspector: ['read'],
}
/** @example mayDo('cook', 'write') // false */
export const mayDo = (role: Role, right: Right): boolean => OF_ROLE[role].includes(right)

/** The shortest password and PIN; the longest of either. */
export const PASSWORD_LEAST = 10
export const PASSWORD_MOST = 200
export const PIN = /^\d{4,8}$/
/** A tablet locks itself after so many minutes without a touch. */
export const TABLET_LOCKS_MIN = 10

export interface Me {
  membershipId: string
  personId: string
  name: string
  role: Role
}
/** What the door says to whoever asks. */
export interface DoorState {
  /** Nobody is known here yet; nobody signed in; somebody is. */
  state: 'first' | 'out' | 'in'
  /** The demonstration signed its cook in. */
  isDemo: boolean
  me: Me | null
  kitchen: { id: string, name: string } | null
  /** Others that this person belongs to, and this one. */
  kitchens: { id: string, name: string }[]
  /** The device is the kitchen's, with the cooks who may use it. */
  tablet: { name: string, cooks: { membershipId: string, name: string, hasPin: boolean }[] } | null
}
export interface PersonShown {
  membershipId: string
  name: string
  login: string
  role: Role
  hasPin: boolean
  isMe: boolean
}
export interface InvitationShown { id: string, name: string, role: Role, until: string }
/** A key that somebody's own device keeps. */
export interface PasskeyShown { id: string, label: string, since: string, usedAt: string | null }
export interface TabletShown { id: string, name: string, enrolledAt: string | null, codeUntil: string | null }
export interface SessionShown {
  id: string
  name: string | null
  tablet: string | null
  label: string
  seenAt: string
  isThis: boolean
}
export interface AuditShown { at: string, name: string | null, what: string, about: string | null }
export interface LinkShown { id: string, kind: 'formula' | 'day', target: string, until: string }
export interface PeopleList {
  people: PersonShown[]
  invitations: InvitationShown[]
  tablets: TabletShown[]
  sessions: SessionShown[]
  links: LinkShown[]
}
