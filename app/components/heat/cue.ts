import type { WhyTopic } from '~/words/why'

/** What happens to the egg on the way: its name, what explains it, when, s, and how hot it is then, °C; null: never. */
export interface Cue {
  key: 'coats' | 'done' | 'grainy'
  why: WhyTopic
  name: string
  at: number | null
  tempC: number | null
}
