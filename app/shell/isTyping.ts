/** Whether a key goes into a field, where a shortcut must not take it. */
export function isTyping(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement | null
  return (
    event.isComposing ||
    target?.isContentEditable === true ||
    /^(input|textarea|select)$/i.test(target?.tagName ?? '')
  )
}
