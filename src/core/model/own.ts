/** What a record holds under a name from outside: its own entry, never something that every object inherits. */
export const own = <Value>(record: Readonly<Record<string, Value>>, name: string): Value | undefined =>
  Object.hasOwn(record, name) ? record[name] : undefined;
