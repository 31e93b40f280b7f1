import { type ChangeEvent, useState } from "react";

type Change = Pick<ChangeEvent<HTMLInputElement>, "target"> | { target: { value: string } };

/** What is typed into a form of texts, over what is kept; nothing is changed until a key is pressed. */
export function useTyped<Name extends string>(kept: Record<Name, string>) {
  const [form, setForm] = useState<Record<Name, string> | null>(null);
  const typed = form ?? kept;
  const set = (name: Name) => ({
    value: typed[name],
    onChange: ({ target }: Change): void => setForm({ ...typed, [name]: target.value }),
  });
  return { typed, isChanged: form !== null, set, forget: (): void => setForm(null) };
}
