"use client";

import { usePathname, useRouter, useSearchParams } from "next/navigation";
import { type ReactNode, useState } from "react";

import { LineField } from "../fields";

/** A filter by text; it stands in the address. Enter applies it. */
export function SearchBox({ label, value }: { label: string; value: string }): ReactNode {
  const router = useRouter();
  const path = usePathname();
  const search = useSearchParams();
  const [text, setText] = useState(value);
  const apply = (): void => {
    const query = new URLSearchParams(search);
    if (text.trim() === "") query.delete("q");
    else query.set("q", text.trim());
    for (const name of ["page", "open"]) query.delete(name);
    router.replace(`${path}?${query}`);
  };
  return (
    <form
      role="search"
      onSubmit={(event) => {
        event.preventDefault();
        apply();
      }}
    >
      <LineField
        kind="words"
        width="190px"
        type="search"
        aria-label={label}
        placeholder={label}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onBlur={() => {
          if (text !== value) apply();
        }}
      />
    </form>
  );
}
