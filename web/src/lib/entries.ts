/** A list of numbers by key with one of them changed, or left out where it is null. */
export function withOne(
  of: Record<string, number> | undefined,
  key: string,
  value: number | null,
): Record<string, number> {
  const rest = Object.fromEntries(Object.entries(of ?? {}).filter(([own]) => own !== key));
  return value === null ? rest : { ...rest, [key]: value };
}
