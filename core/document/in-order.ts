/** Entries of a record in the order the person put them. */
export function inOrder<T extends { readonly order: number }>(
  record: Readonly<Record<string, T>>,
): (T & { readonly id: string })[] {
  return Object.entries(record)
    .map(([id, entry]) => ({ ...entry, id }))
    .sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));
}
