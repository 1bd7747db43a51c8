/** What is wrong, by the name of the field it is wrong with. */
export type Errors = Record<string, string>;

/**
 * What a field of one thing is given, by its name: its value, what is wrong with
 * it, and where a new value goes. `at` is the thing's own place among the fields.
 */
export function fieldsOf<T extends object>(
  of: T,
  errors: Errors,
  onChange: (patch: Partial<T>) => void,
  at = "",
) {
  return <K extends keyof T & string>(name: K) => ({
    value: of[name],
    error: errors[at + name],
    onChange: (value: T[K]) => onChange({ [name]: value } as object as Partial<T>),
  });
}
