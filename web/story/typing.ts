/** Fields in which something stands that was not sent yet: until then nothing is said to be saved, and closing the tab is asked about. */
const fields = new Set<object>();
const listeners = new Set<() => void>();

export function typing(field: object, isTyped: boolean): void {
  if (fields.has(field) === isTyped) return;
  if (isTyped) fields.add(field);
  else fields.delete(field);
  for (const changed of listeners) changed();
}

export const isTyping = (): boolean => fields.size > 0;

export function onTyping(changed: () => void): () => void {
  listeners.add(changed);
  return () => listeners.delete(changed);
}
