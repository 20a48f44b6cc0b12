/** Variants of the formula on the bench. */
import { named } from '~/stores/workspace'
import { say } from '~/words/say'

/** @returns makes a variant: a formula of its own that knows what it came from, and goes there */
export function useVariant() {
  const workspace = useWorkspaceStore()
  const toast = useToast()

  async function takeBack(variantId: string, cameFrom: string) {
    await api(`/api/formulas/${variantId}`, { method: 'DELETE' }).catch(() => {})
    await navigateTo(`/formula/${cameFrom}/balance`)
  }
  return async function makeVariant() {
    if (!workspace.planned) return
    await workspace.send()
    const newId = crypto.randomUUID()
    const cameFrom = workspace.id
    const name = `${workspace.planned.formula.name}, variant`.slice(0, 120)
    try {
      await api('/api/formulas', {
        method: 'POST',
        body: {
          id: newId,
          mutationId: crypto.randomUUID(),
          document: named(workspace.planned, name),
          label: 'variant',
          parentFormulaId: cameFrom,
        },
      })
      toast.add({
        title: say('workspace.youAreInTheVariantNow', { name }),
        description: say('workspace.theOtherStaysAsItWas'),
        actions: [{ label: say('workspace.takeItBack'), onClick: () => void takeBack(newId, cameFrom) }],
      })
      await navigateTo(`/formula/${newId}/balance`)
    } catch {
      toast.add({ title: say('workspace.theVariantCouldNotBeMade'), color: 'error' })
    }
  }
}
