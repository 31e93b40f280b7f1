"use client";

import { chakra } from "@chakra-ui/react";
import {
  createContext,
  type KeyboardEvent,
  type ReactNode,
  type RefObject,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
} from "react";
import { useSearchParams } from "next/navigation";
import { type Options, useHotkeys } from "react-hotkeys-hook";

import { NARROW } from "../recipes/marks";
import { marked } from "./columns";
import { inDialog, meantElsewhere } from "../keys";

/** What the workings of a row know of how it was opened. */
type Opened = {
  /** Whether the user opened it: only then do keys act on it. */
  taken: boolean;
  /** How many things within it Escape leaves before it closes the row. */
  inner: RefObject<number>;
};

const Context = createContext<Opened | null>(null);

/**
 * Keys of the open row. They act only where the user opened it, so that a row that the page opened
 * by itself is never acted on by the first key; outside a list they always do.
 */
export function useRowKeys(keys: string, run: (key: string) => void, options: Options = {}): void {
  const taken = useContext(Context)?.taken ?? true;
  const enabled = taken && (options.enabled ?? true) === true;
  useHotkeys(keys, (_event, { keys: pressed }) => run(pressed?.join("") ?? ""), {
    ignoreEventWhen: meantElsewhere,
    preventDefault: true,
    ...options,
    enabled,
  });
}

/** Leaves something within the open row by Escape, and not the row. */
export function useLeave(leave: () => void, enabled = true): void {
  const inner = useContext(Context)?.inner;
  useHotkeys("escape", leave, { enabled, ignoreEventWhen: inDialog });
  useEffect(() => {
    if (!enabled || !inner) return;
    inner.current += 1;
    return () => {
      inner.current -= 1;
    };
  }, [enabled, inner]);
}

type Id = number | string;

export type Opening<RowId extends Id> = {
  /** The row that is seen open: the user's, else the one that wants a look. */
  shownId: RowId | null;
  taken: boolean;
  /** Opens a row, or closes the open one, for the user. */
  open: (id: RowId | null) => void;
  /** What a click on a row does: opens it, closes it, or takes up what the page had opened. */
  turn: (id: RowId) => void;
  /** Makes the row that the page opened the user's own. */
  takeUp: () => void;
  /** Whether the page opened the row by itself, as it wants a look. */
  looked: boolean;
  /** What the workings know of it. */
  opened: Opened;
};

type Props<RowId extends Id> = {
  /** The row that the address opens; null where this list has none such. */
  openId: RowId | null;
  onOpen: ((id: RowId | null) => void) | undefined;
  /** The row that the page opens by itself, as it wants a look; null where none does. */
  wanted: RowId | null;
  /** The row that Enter opens where none is open. */
  first: RowId | null;
  place: RefObject<HTMLDivElement | null>;
};

/**
 * Which row is open, and whether the user opened it. A row that the page or its address opened is
 * looked at until Enter, a click or a move takes it up; Enter does nothing else to it. What opens
 * after an act is the user's. The focus goes into what is taken up, and back to its row on Escape.
 */
export function useOpening<RowId extends Id>(props: Props<RowId>): Opening<RowId> {
  const { openId, onOpen, wanted, first, place } = props;
  const [touched, setTouched] = useState(false);
  const view = useView();
  const [seen, setSeen] = useState(view);
  // Another filter, order or page is another list: its first row is looked at anew.
  if (seen !== view) {
    setSeen(view);
    setTouched(false);
  }
  const inner = useRef(0);
  const shownId = openId ?? (touched ? null : wanted);
  const taken = touched && shownId !== null;
  const open = (id: RowId | null): void => {
    setTouched(true);
    onOpen?.(id);
  };
  const takeUp = (): void => {
    setTouched(true);
    if (openId === null && shownId !== null) onOpen?.(shownId);
  };
  useHotkeys("enter", () => (shownId === null ? open(first) : takeUp()), {
    enabled: onOpen !== undefined && first !== null && !taken,
    ignoreEventWhen: meantElsewhere,
    preventDefault: true,
  });
  useHotkeys(
    "escape",
    () => {
      if (inner.current > 0) return;
      open(null);
      focusIn(place, `[data-row="${CSS.escape(String(shownId))}"] [data-opener]`);
    },
    { enabled: shownId !== null && onOpen !== undefined, ignoreEventWhen: inDialog },
  );
  useEffect(() => {
    if (!taken) return;
    focusIn(place, "tr[data-workings] > td");
    bringUp(place);
  }, [place, shownId, taken]);
  const opened = useMemo(() => ({ taken, inner }), [taken]);
  const turn = (id: RowId): void => {
    if (id !== shownId) open(id);
    else if (taken) open(null);
    else takeUp();
  };
  return {
    shownId,
    taken,
    open,
    turn,
    takeUp,
    looked: openId === null && !taken && shownId !== null,
    opened,
  };
}

/** What Enter does while the row is only looked at. */
const TakeUp = chakra("span", {
  base: { float: "right", fontSize: "13px" },
});

type OpenedRowProps = {
  columns: number;
  opening: Pick<Opening<Id>, "opened" | "taken" | "takeUp">;
  children: ReactNode;
};

/** The workings of the open row; whoever touches anything in them has taken the row up. */
export function OpenedRow({ columns, opening, children }: OpenedRowProps): ReactNode {
  const touch = (): void => {
    if (!opening.taken) opening.takeUp();
  };
  return (
    <tr data-workings data-looked={marked(!opening.taken)}>
      <td
        colSpan={columns}
        tabIndex={-1}
        onPointerDownCapture={touch}
        onFocusCapture={touch}
        onKeyDown={leaveField}
      >
        {opening.taken ? null : (
          <TakeUp>
            <kbd>Enter</kbd> takes it up
          </TakeUp>
        )}
        <Context value={opening.opened}>{children}</Context>
      </td>
    </tr>
  );
}

/** Escape in a field goes back to the row; only the next one closes that. */
function leaveField(event: KeyboardEvent<HTMLElement>): void {
  const field = event.target as HTMLElement;
  if (event.key === "Escape" && field.matches("input, textarea, select"))
    event.currentTarget.focus({ preventScroll: true });
}

/** What the address says of a list beside the row that is open in it. */
function useView(): string {
  const query = new URLSearchParams(useSearchParams());
  query.delete("open");
  return query.toString();
}

/** On a telephone what is opened comes up with its acts, where they would lie below. */
function bringUp(place: RefObject<HTMLDivElement | null>): void {
  const part = place.current?.querySelector("tr[data-workings]");
  const isNarrow = matchMedia(NARROW.replace("@media ", "")).matches;
  if (!part || !isNarrow || part.getBoundingClientRect().bottom <= innerHeight) return;
  part.previousElementSibling?.scrollIntoView({ block: "start" });
}

/** Puts the focus on a part of the list, where nothing within it is typed in. */
function focusIn(place: RefObject<HTMLDivElement | null>, selector: string): void {
  const part = place.current?.querySelector<HTMLElement>(selector);
  if (part && !part.contains(document.activeElement)) part.focus({ preventScroll: true });
}
