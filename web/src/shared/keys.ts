// Keys of the screens are not taken while somebody types, nor with a modifier.
const FIELDS = new Set(['INPUT', 'TEXTAREA', 'SELECT'])

export function isTyping(event: KeyboardEvent): boolean {
  const { target } = event
  const writes = target instanceof HTMLElement && (FIELDS.has(target.tagName) || target.isContentEditable)
  return writes || event.ctrlKey || event.metaKey || event.altKey
}
