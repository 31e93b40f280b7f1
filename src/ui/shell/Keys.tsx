"use client";

import { type ReactNode, useState } from "react";

import { Subheading } from "../kit/headings";
import { FactList } from "../kit/layout";
import { useActing } from "./Notices";
import { PaperDialog } from "./PaperDialog";

const EVERYWHERE: readonly (readonly [string, string])[] = [
  ["↑ ↓", "the row before, the row after"],
  ["Enter", "open the row; then the main thing on it, as its button says"],
  ["Escape", "close the row, leave a field"],
  ["/", "find anything"],
  ["H", "what the words on this page mean"],
];

/** Keys that are no button of the page, by the address that they belong to. */
const BESIDE: readonly { at: string; keys: readonly (readonly [string, string])[] }[] = [
  {
    at: "/match",
    keys: [
      ["1 to 6", "take another reading"],
      ["E", "change the sums"],
      ["F", "filter the open items by a sum or words"],
    ],
  },
];

/** The acts that a key does on the page as it stands, by the buttons that bear one. */
function actsNow(): [string, string][] {
  if (document.querySelector("main tr[data-workings][data-looked]"))
    return [["Enter", "take up the open row: then its own keys act"]];
  const hints = [...document.querySelectorAll<HTMLElement>("main button kbd, main a kbd")];
  return hints.flatMap((hint): [string, string][] => {
    const button = hint.closest<HTMLButtonElement>("button, a");
    if (!button || button.matches(":disabled") || !hint.checkVisibility()) return [];
    const words = [...button.childNodes].filter((part) => part !== hint);
    return [
      [
        hint.innerText.trim(),
        words
          .map(({ textContent }) => textContent)
          .join("")
          .trim(),
      ],
    ];
  });
}

/** What each key does in the present state of the page; single ones act only outside fields. */
export function Keys({ close }: { close: () => void }): ReactNode {
  const { undoes } = useActing();
  const [now] = useState(actsNow);
  const path = window.location.pathname;
  const beside = BESIDE.filter(({ at }) => path.endsWith(at)).flatMap(({ keys }) => keys);
  return (
    <PaperDialog title="Keys" close={close}>
      <Subheading>Here, now</Subheading>
      <KeyList keys={[...now, ...beside, ["U", undoes]]} />
      <Subheading>Everywhere</Subheading>
      <KeyList keys={EVERYWHERE} />
    </PaperDialog>
  );
}

function KeyList({ keys }: { keys: readonly (readonly [string, string])[] }): ReactNode {
  return (
    <FactList>
      {keys.map(([key, does]) => [
        <dt key={`${key} ${does}`}>
          <kbd>{key}</kbd>
        </dt>,
        <dd key={`${key} ${does} words`}>{does}</dd>,
      ])}
    </FactList>
  );
}
