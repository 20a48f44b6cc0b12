/** Nuxt UI, until nobody would guess the default. */
export default defineAppConfig({
  ui: {
    colors: {
      primary: 'leaf',
      neutral: 'paper',
      error: 'blood',
      warning: 'blood',
      success: 'leaf',
      info: 'leaf',
      secondary: 'leaf',
    },
    button: {
      slots: { base: 'rounded-[3px] font-medium min-h-11 cursor-pointer', label: 'truncate' },
      variants: {
        size: { md: { base: 'px-4 py-2 text-base gap-2' }, sm: { base: 'px-3 py-2 text-[0.95rem] gap-1.5' } },
      },
      compoundVariants: [
        { color: 'primary', variant: 'solid', class: 'bg-[var(--ink)] text-[var(--paper)] hover:bg-leaf-700' },
        {
          color: 'neutral',
          variant: 'outline',
          class: 'ring-[var(--ink)] bg-transparent text-[var(--ink)] hover:bg-paper-100',
        },
      ],
    },
    modal: {
      slots: {
        content: 'rounded-[3px] ring-1 ring-[var(--ink)] bg-[var(--ui-bg-elevated)]',
        title: 'font-[family-name:var(--font-display)] text-xl font-medium',
      },
    },
    input: { slots: { base: 'rounded-[2px] min-h-11 text-base bg-transparent' } },
    textarea: { slots: { base: 'rounded-[2px] text-base bg-transparent' } },
    popover: { slots: { content: 'rounded-[3px] ring-1 ring-[var(--ink)] bg-[var(--ui-bg-elevated)]' } },
    toast: {
      slots: {
        root: 'rounded-[3px] ring-1 ring-[var(--ink)] bg-[var(--ui-bg-elevated)]',
        title: 'text-base font-medium',
        description: 'text-[0.95rem]',
      },
    },
    dropdownMenu: {
      slots: {
        content: 'rounded-[3px] ring-1 ring-[var(--ink)] bg-[var(--ui-bg-elevated)]',
        item: 'min-h-11 text-base',
      },
    },
    commandPalette: { slots: { item: 'min-h-11 text-base' } },
  },
})
