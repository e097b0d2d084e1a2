/** What is worked out once, when it is first asked for. */
export function lazy<T>(work: () => T): () => T {
  let known: { readonly value: T } | undefined;
  return () => (known ??= { value: work() }).value;
}
