/** For server tests: what runs in threads, run where the test is. */
import type { Summarise } from '../../server/domain/summaries'
import { summaries } from '../../server/threads/tasks'

export const inline: Summarise = async job => structuredClone(summaries(structuredClone(job)))
