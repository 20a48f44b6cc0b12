/** What a cook may choose from: the table's ingredients and the kitchen's own, by name; how one of its own is kept. */
import { findIngredient } from '#core/base/ingredients/ingredients'
import { INGREDIENTS } from '#core/base/ingredients/table'

export function useIngredients() {
  const kitchen = useKitchenStore()
  const door = useDoorStore()
  const fmt = useFormat()
  const own = computed(() => kitchen.record?.settings.ingredients ?? [])
  const options = computed(() =>
    [...own.value, ...INGREDIENTS.map(i => i.id)].map(id => ({ id, name: fmt.name(id) })))
  /** By its name, another word for it, or how its name begins. */
  function named(words: string): string | undefined {
    const wanted = words.trim().toLowerCase()
    return (
      options.value.find(o => o.name.toLowerCase() === wanted) ??
      options.value.find(o => findIngredient(o.id)?.aliases.includes(wanted)) ??
      options.value.find(o => o.name.toLowerCase().startsWith(wanted))
    )?.id
  }
  /** Keeps one of its own, in place of another where it was changed; a price goes with it. */
  function keep(id: string, pricePerKg: number | null, instead: string | null = null) {
    const record = kitchen.record
    if (!record) return
    const { [instead ?? '']: _, ...others } = record.settings.prices
    const ingredients = instead && own.value.includes(instead)
      ? own.value.map(x => (x === instead ? id : x)) : [...own.value, id]
    kitchen.change({
      ...record,
      settings: {
        ...record.settings,
        ingredients: [...new Set(ingredients)],
        prices: pricePerKg === null ? others : { ...others, [id]: pricePerKg },
      },
    })
  }
  /** Takes one out of the kitchen; formulas that have it keep it. */
  function drop(id: string) {
    const record = kitchen.record
    if (!record) return
    const { [id]: _, ...prices } = record.settings.prices
    const ingredients = own.value.filter(x => x !== id)
    kitchen.change({ ...record, settings: { ...record.settings, ingredients, prices } })
  }
  return { own, options, named, keep, drop, mayKeep: computed(() => door.mayWrite('kitchen')) }
}
