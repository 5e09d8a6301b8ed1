const FIELDS = 'input, textarea, select, [role="menu"], [role="dialog"] [role="listbox"]'
/** Fields that take no letters: a press or an arrow is all they ask for. */
const CHOICES = 'input[type="radio"], input[type="checkbox"]'

/**
 * Whether a key belongs to the field that has the focus, so that it is no command: any key where one types,
 * an arrow or the space bar on a choice.
 */
export function isOfField({ target, key }: Pick<KeyboardEvent, 'target' | 'key'>): boolean {
  const field = target instanceof Element ? target.closest(FIELDS) : null
  if (!field) return false
  return !field.matches(CHOICES) || key === ' ' || key.startsWith('Arrow')
}
