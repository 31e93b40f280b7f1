import type { FieldPath, FieldValues, UseFormRegisterReturn, UseFormReturn } from "react-hook-form";

/** What a field of a form is told: where what is typed goes, and what was wrong with it. */
type Told<Name extends string> = UseFormRegisterReturn<Name> & { error: string | undefined };

/** Ties the fields of a checked form by name: `<TextField label="By" {...field("by")} />`. */
export function fieldsOf<T extends FieldValues>(
  form: UseFormReturn<T>,
): <Name extends FieldPath<T>>(name: Name) => Told<Name> {
  const { register, getFieldState, formState } = form;
  return (name) => ({ ...register(name), error: getFieldState(name, formState).error?.message });
}
