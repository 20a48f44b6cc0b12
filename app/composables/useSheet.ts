/**
 * A formula opened for a sheet of its own (bench card, label): the document and its assessment, as the workspace has
 * them.
 */
export async function useSheet(id: string) {
  const workspace = useWorkspaceStore()
  const kitchen = useKitchenStore()
  const assessor = useAssessor()
  // What is on the bench in this tab is what the sheet shows.
  if (workspace.id !== id || !workspace.doc) await workspace.open(id)
  const doc = computed(() => workspace.doc)
  watch(
    [doc, () => kitchen.core],
    ([d, k]) => {
      if (d && k) assessor.ask(d, k)
    },
    { immediate: true },
  )
  return { doc, assessment: assessor.assessment, missing: computed(() => workspace.missing) }
}
