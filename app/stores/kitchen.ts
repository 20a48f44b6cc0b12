/** The kitchen: settings, places, vessels, lots. */
import type { Kitchen, Lot } from '#core/formula/document'
import { coreKitchen, type KitchenRecord } from '../../shared/schemas/kitchen'

const CACHE = 'lumbik:kitchen'

export const useKitchenStore = defineStore('kitchen', () => {
  const record = shallowRef<KitchenRecord | null>(null)
  const error = ref(false)
  const saving = ref(false)
  /** Why the last save was not taken. */
  const refused = ref<{ path: string, code: string } | null>(null)

  async function load() {
    try {
      record.value = await $fetch<KitchenRecord>('/api/kitchen')
      localStorage.setItem(CACHE, JSON.stringify(record.value))
      error.value = false
    } catch {
      error.value = true
      const cached = localStorage.getItem(CACHE)
      if (!record.value && cached) record.value = JSON.parse(cached) as KitchenRecord
    }
  }

  /** Saves; a change made elsewhere meanwhile is fetched and the field named. */
  async function save(next: KitchenRecord): Promise<boolean> {
    saving.value = true
    refused.value = null
    const shown = record.value
    try {
      const answer = await $fetch<KitchenRecord>('/api/kitchen', { method: 'PUT', body: { version: next.version, name: next.name, settings: next.settings, places: next.places, vessels: next.vessels, ovens: next.ovens, burners: next.burners, pans: next.pans } })
      // What was changed meanwhile stays, on the version just written.
      record.value = record.value === shown || !record.value ? answer : { ...record.value, version: answer.version }
      return true
    } catch (e) {
      const { status, data } = e as { status?: number, data?: { data?: { path: string, code: string } } }
      refused.value = data?.data ?? { path: '', code: status === undefined ? 'offline' : 'error' }
      if (status === 409) await load()
      return false
    } finally {
      saving.value = false
    }
  }

  /** Writes a lot. @returns why it was not taken, or null */
  async function saveLot(lot: Lot): Promise<{ path: string, code: string } | null> {
    try {
      record.value = await $fetch<KitchenRecord>(`/api/lots/${lot.id}`, { method: 'PUT', body: lot, retry: 0 })
      return null
    } catch (e) {
      const { status, data } = e as { status?: number, data?: { data?: { path: string, code: string } } }
      return data?.data ?? { path: '', code: status === undefined ? 'offline' : 'error' }
    }
  }
  /** Puts a lot away. @returns whether it went */
  async function removeLot(id: string): Promise<boolean> {
    try {
      record.value = await $fetch<KitchenRecord>(`/api/lots/${id}`, { method: 'DELETE', retry: 0 })
      return true
    } catch {
      return false
    }
  }

  const core = computed<Kitchen | null>(() => record.value ? coreKitchen(record.value) : null)
  return { record, error, saving, refused, core, load, save, saveLot, removeLot }
})
