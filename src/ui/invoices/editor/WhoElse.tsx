"use client";

import { memo, type ReactNode, useEffect, useState } from "react";

import { useActing } from "../../shell/Notices";
import { post } from "../../shell/send";

/** Milliseconds between two times that a window says it is there. */
const SAID_EVERY = 8000;

type Heard = { name: string; others: string[] };

/** Who else has this draft open; the second to come sees it before typing a word. */
export const WhoElse = memo(function WhoElse({ draft }: { draft: number | null }): ReactNode {
  const { book } = useActing();
  const [heard, setHeard] = useState<Heard | null>(null);
  useEffect(() => {
    if (draft === null) return;
    const window = crypto.randomUUID();
    const url = `/api/v1/b/${book}/documents/${draft}/open`;
    const say = (): void => {
      void post<Heard>(url, JSON.stringify({ window }), JSON_BODY).then((sent) => {
        if (sent.ok) setHeard(sent.value);
      });
    };
    say();
    const timer = setInterval(say, SAID_EVERY);
    return () => {
      clearInterval(timer);
      void fetch(url, {
        method: "POST",
        keepalive: true,
        headers: JSON_BODY,
        body: JSON.stringify({ window, left: true }),
      }).catch(() => undefined);
    };
  }, [book, draft]);
  if (!heard || heard.others.length === 0) return null;
  return (
    <span data-tone="waits" role="status">
      {wordsFor(heard)}
    </span>
  );
});

const JSON_BODY = { "content-type": "application/json" };

function wordsFor({ name, others }: Heard): string {
  const names = others.filter((other) => other !== name);
  if (names.length === 0) return "You have this draft open in another window too.";
  const has = names.length === 1 ? "has" : "have";
  return `${names.join(" and ")} ${has} this draft open too.`;
}
