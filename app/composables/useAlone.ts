/** A part of the dessert on the bench as a formula of its own on the shelf. */
import type { Component, PartSource } from '#core/formula/document'
import { aloneOf } from '#core/formula/fruit'
import { say } from '~/words/say'

/** @returns puts a part onto the shelf, from where it is then said to come; it can be opened there, or taken back */
export function useAlone() {
  const workspace = useWorkspaceStore()
  const kitchen = useKitchenStore()
  const toast = useToast()
  /** Where a part of the dessert comes from; undefined: from nowhere. */
  function comesFrom(partId: string, from: PartSource | undefined) {
    workspace.change(`alone-${partId}`, (d) => {
      const own = d.components.find(c => c.id === partId)
      if (own && from) own.from = from
      else if (own) delete own.from
    })
    workspace.endGesture()
  }
  return async function putAlone(part: Component): Promise<void> {
    const planned = kitchen.core && aloneOf(part, kitchen.core, () => crypto.randomUUID())
    if (!planned) return
    const [id, cameFrom] = [crypto.randomUUID(), workspace.id]
    const takeBack = async () => {
      await api(`/api/formulas/${id}`, { method: 'DELETE' }).catch(() => {})
      if (workspace.id === cameFrom) comesFrom(part.id, part.from)
    }
    try {
      await api('/api/formulas', {
        method: 'POST', body: { id, mutationId: crypto.randomUUID(), document: toPlain(planned) },
      })
    } catch {
      toast.add({ title: say('layersPanel.couldNotBePut', { name: part.name }), color: 'error' })
      return
    }
    comesFrom(part.id, { formulaId: id, version: 1, componentId: planned.formula.components[0]!.id })
    toast.add({
      title: say('layersPanel.standsOnTheShelf', { name: part.name }),
      actions: [
        { label: say('layersPanel.openIt'), onClick: () => void navigateTo(`/formula/${id}/balance`) },
        { label: say('workspace.takeItBack'), onClick: () => void takeBack() },
      ],
    })
  }
}
