"use client";

import { useTheme } from "next-themes";
import NextLink from "next/link";
import { usePathname, useRouter } from "next/navigation";
import { type ReactNode, useEffect, useRef, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type { CountedFacts, ShellFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";

import { RunButton } from "../kit/buttons";
import { SmallChoice } from "../kit/fields";
import { inDialog } from "../kit/keys";
import { RunBar, RunNote, WordMark } from "../kit/sheets";
import { Find } from "./Find";
import { Keys } from "./Keys";
import { WordsHere } from "./WordsHere";

type Left = CountedFacts["left"];

const some = (count: number, words = ""): string => (count > 0 ? `${count}${words}` : "");

/** The stations in the order of the work, each with what is left to do there. */
const STATIONS: readonly { to: string; name: string; leftOf: (left: Left) => string }[] = [
  { to: "arrivals", name: "Arrivals", leftOf: ({ arrivals }) => some(arrivals) },
  { to: "match", name: "Match", leftOf: ({ match }) => some(match) },
  { to: "payouts", name: "Payouts", leftOf: ({ payoutsOff }) => some(payoutsOff, " off") },
  { to: "overdue", name: "Overdue", leftOf: ({ overdue }) => some(overdue) },
  { to: "books", name: "Books", leftOf: ({ broken }) => some(broken, " broken") },
];

/**
 * The run: the five stations in the order of the work, each with what is left to do there; the
 * records apart at the right.
 */
export function Run({
  shell,
  left,
}: {
  shell: ShellFacts;
  /** Null while it is being counted. */
  left: Left | null;
}): ReactNode {
  const base = `/b/${shell.book}`;
  const [finding, setFinding] = useState(false);
  const [keys, setKeys] = useState(false);
  const [words, setWords] = useState(false);
  // By the letter that is typed, wherever it lies on the keyboard.
  const typed = { preventDefault: true, ignoreEventWhen: inDialog };
  useHotkeys(["/", "shift+/"], () => setFinding(true), { ...typed, useKey: true });
  useHotkeys(["?", "shift+?"], () => setKeys(true), { ...typed, useKey: true });
  useHotkeys("h", () => setWords(true), typed);
  return (
    <RunBar>
      <a data-hidden href="#sheet">
        Skip to the page
      </a>
      <WordMark asChild>
        <NextLink href={`${base}/match`} prefetch={false}>
          <b>Dozo</b>
          <span title={shell.name}>{shell.name}</span>
        </NextLink>
      </WordMark>
      <nav aria-label="The run">
        {STATIONS.map(({ to, name, leftOf }) => (
          <Station key={to} to={`${base}/${to}`} name={name} left={left ? leftOf(left) : ""} />
        ))}
      </nav>
      <nav data-records aria-label="Records">
        <Station to={`${base}/customers`} name="Customers" left="" />
        <Station to={`${base}/invoices`} name="Invoices" left="" />
        <Station to={`${base}/schedules`} name="Schedules" left="" />
        <Station to={`${base}/reports`} name="Reports" left="" />
        <Station to={`${base}/settings`} name="Set-up" left="" />
      </nav>
      <RunButton onClick={() => setFinding(true)}>
        <kbd>/</kbd> find
      </RunButton>
      <RunButton onClick={() => setKeys(true)} aria-label="Keys">
        <kbd>?</kbd>
      </RunButton>
      <Person people={shell.people} person={shell.person} />
      <Lamp />
      <RunNote title={shell.clockFixed ? "This book's clock stands still" : "Today"}>
        {formatDay(shell.today)}
      </RunNote>
      {finding ? <Find book={shell.book} close={() => setFinding(false)} /> : null}
      {words ? <WordsHere book={shell.book} close={() => setWords(false)} /> : null}
      {keys ? <Keys close={() => setKeys(false)} /> : null}
    </RunBar>
  );
}

function Station({ to, name, left }: { to: string; name: string; left: string }): ReactNode {
  const here = usePathname().startsWith(to);
  const link = useRef<HTMLAnchorElement>(null);
  // On a phone the run scrolls: the station one is in is always in view.
  useEffect(() => {
    if (here) link.current?.scrollIntoView({ block: "nearest", inline: "center" });
  }, [here]);
  return (
    <NextLink ref={link} href={to} aria-current={here ? "page" : undefined} prefetch={false}>
      {name}
      {left === "" ? null : (
        <>
          {" "}
          <b>{left}</b>
        </>
      )}
    </NextLink>
  );
}

/** Who is working: what is done from here on bears this name. */
function Person({ people, person }: { people: readonly string[]; person: string }): ReactNode {
  const router = useRouter();
  const choose = (name: string): void => {
    document.cookie = `dozo-person=${encodeURIComponent(name)}; path=/; max-age=31536000; samesite=strict`;
    router.refresh();
  };
  if (people.length < 2)
    return <RunNote title="Who is working; add people under Set-up">{person}</RunNote>;
  return (
    <SmallChoice
      aria-label="Who is working"
      value={person}
      onChange={(event) => {
        choose(event.target.value);
        event.target.blur();
      }}
    >
      {people.map((name) => (
        <option key={name} value={name}>
          {name}
        </option>
      ))}
    </SmallChoice>
  );
}

/** Turns between paper by day and by night; the system's choice holds until then. */
function Lamp(): ReactNode {
  const { resolvedTheme, setTheme } = useTheme();
  return (
    <RunButton
      onClick={() => setTheme(resolvedTheme === "dark" ? "light" : "dark")}
      aria-label="Light or dark paper"
      title="Light or dark paper"
    >
      ◐
    </RunButton>
  );
}
