"use client";

import { useRouter } from "next/navigation";
import {
  type Dispatch,
  type SetStateAction,
  useCallback,
  useDeferredValue,
  useEffect,
  useMemo,
  useRef,
  useState,
} from "react";

import type { EditorFacts, TypedDraft, TypedLine } from "@/contracts/editor";
import type { BilledBefore } from "@/core/invoices";
import { formatAmount } from "@/core/money";

import { useActing } from "../../shell/Notices";
import { load, sendCommand } from "../../shell/send";
import { problemWords } from "./problemWords";
import { asInput, begunLines, EMPTY_LINE, isBegun, pastedLines, workedOut } from "./typed";

/** Milliseconds without a key after which what is typed is kept. */
const KEPT_AFTER = 500;

/** Where what was typed is kept in the browser until there is a customer to keep a draft for. */
const placeOf = (book: string): string => `dozo-draft-${book}`;

/**
 * A draft that is being typed: what it comes to, and that it is kept as it is typed. Nothing that is
 * typed is lost: with a customer it is kept in the book, before that in the browser.
 */
export function useDraft(facts: EditorFacts) {
  const { book } = useActing();
  const [draft, setDraft] = useState<TypedDraft>(facts.draft);
  const [saved, setSaved] = useState<Saved>({ state: facts.id === null ? "new" : "kept" });
  const [keptAs, setKeptAs] = useState(facts.id);
  const id = useRef(facts.id);
  const version = useRef(facts.version);
  const under = useRef(Promise.resolve(true));
  // The key that is typed is shown first; what all of it comes to, right after it.
  const shown = useDeferredValue(draft);
  const worked = useMemo(() => workedOut(shown, facts), [shown, facts]);
  const begun = useMemo(() => begunLines(shown), [shown]);
  const lines = useLines(setDraft);
  const keep = useCallback(
    (typed: TypedDraft): Promise<boolean> => {
      under.current = under.current.then(async () => {
        if (!typed.customer || begunLines(typed).length === 0) {
          setSaved({ state: "new" });
          return false;
        }
        const { problem } = workedOut(typed, facts);
        if (problem) {
          setSaved({ state: "not kept", why: problemWords(problem).words });
          return false;
        }
        const sent = await sendCommand<{ id: number; version: number }>(book, "writeDraft", {
          id: id.current,
          version: version.current,
          draft: asInput(typed, typed.customer.id),
        });
        if (!sent.ok) {
          setSaved({ state: "not kept", why: sent.message });
          return false;
        }
        if (id.current === null)
          window.history.replaceState(null, "", `/b/${book}/invoices/drafts/${sent.value.id}`);
        id.current = sent.value.id;
        setKeptAs(sent.value.id);
        version.current = sent.value.version;
        localStorage.removeItem(placeOf(book));
        setSaved({ state: "kept" });
        return true;
      });
      return under.current;
    },
    [book, facts],
  );
  useKeeping({ book, draft, facts, keep, setDraft, setSaved });
  const words = worked.totals ? formatAmount(worked.totals.total, draft.currency) : "";
  const finish = useFinishing({ draft, keep, id, words });
  const kept = async (): Promise<Kept | null> =>
    (await keep(draft)) && id.current !== null
      ? { id: id.current, version: version.current }
      : null;
  return { draft, setDraft, worked, begun, saved, keptAs, kept, ...finish, ...lines };
}

/** A draft as the book keeps it. */
export type Kept = { id: number; version: number };

type Finishing = {
  draft: TypedDraft;
  keep: (draft: TypedDraft) => Promise<boolean>;
  id: { current: number | null };
  /** What it comes to. */
  words: string;
};

/** Approves a draft once it is kept, or drops it. */
function useFinishing({ draft, keep, id, words }: Finishing) {
  const { book, act, complain } = useActing();
  const router = useRouter();
  const approve = async (): Promise<void> => {
    if (!draft.customer) return complain("Choose the customer first.");
    if (!(await keep(draft)) || id.current === null)
      return complain("This is not complete yet: look at what stands in red.");
    const done = await act<{ approved: { number: string; itemId: number }[]; waiting: number }>(
      "approveDocuments",
      { ids: [id.current] },
      ({ approved: [first] }) => ({
        words: first
          ? `${first.number} approved, ${words}.`
          : "It waits for somebody else to approve it.",
        final: "An approved invoice is corrected by a credit note.",
      }),
    );
    const first = done?.approved[0];
    if (done)
      router.push(
        first ? `/b/${book}/invoices/${first.itemId}` : `/b/${book}/invoices?state=drafts`,
      );
  };
  const drop = async (): Promise<void> => {
    localStorage.removeItem(placeOf(book));
    if (id.current !== null)
      await act("moveDraft", { id: id.current, to: "drop" }, () => ({ words: "Draft dropped." }));
    router.push(`/b/${book}/invoices?state=drafts`);
  };
  return { approve, drop };
}

export type Saved = { state: "new" | "typing" | "kept" } | { state: "not kept"; why: string };

type Keeping = {
  book: string;
  draft: TypedDraft;
  facts: EditorFacts;
  keep: (draft: TypedDraft) => Promise<boolean>;
  setDraft: (draft: TypedDraft) => void;
  setSaved: Dispatch<SetStateAction<Saved>>;
};

/** Keeps what is typed a moment after the last key; takes up what the browser kept of a new one. */
function useKeeping({ book, draft, facts, keep, setDraft, setSaved }: Keeping): void {
  const first = useRef(true);
  useEffect(() => {
    if (facts.id !== null) return;
    const kept = localStorage.getItem(placeOf(book));
    if (kept === null) return;
    const typed = typedBefore(kept);
    // Whom it is for stands in the address where somebody came from a customer's page.
    if (typed) setDraft({ ...typed, customer: facts.draft.customer });
    else localStorage.removeItem(placeOf(book));
  }, [book, facts.id, facts.draft.customer, setDraft]);
  useEffect(() => {
    if (first.current) {
      first.current = false;
      return;
    }
    setSaved((saved) => (saved.state === "typing" ? saved : { state: "typing" }));
    if (!draft.customer && begunLines(draft).length > 0)
      localStorage.setItem(placeOf(book), JSON.stringify(draft));
    const timer = setTimeout(() => void keep(draft), KEPT_AFTER);
    return () => clearTimeout(timer);
  }, [book, draft, keep, setSaved]);
}

/** A draft as the browser kept it; null where it is none, as of an earlier version. */
function typedBefore(kept: string): TypedDraft | null {
  try {
    const typed = JSON.parse(kept) as Partial<TypedDraft> | null;
    if (
      !Array.isArray(typed?.lines) ||
      !Array.isArray(typed.charges) ||
      typeof typed.terms !== "string"
    )
      return null;
    // What the browser keeps has no number yet, and so no deposit.
    return {
      ...(typed as TypedDraft),
      paysBy: typed.paysBy ?? "",
      lines: typed.lines.map((line) => ({ ...line, settles: null })),
    };
  } catch {
    return null;
  }
}

/** A new line appears by itself below the last that was begun. */
function withNext(lines: TypedLine[]): TypedLine[] {
  const last = lines.at(-1);
  return last && !isBegun(last) ? lines : [...lines, EMPTY_LINE];
}

/** What can be done with the lines; the same functions from key to key, so that other lines stay as they are. */
export function useLines(setDraft: (change: (draft: TypedDraft) => TypedDraft) => void) {
  return useMemo(() => {
    const edit = (to: (lines: TypedLine[]) => TypedLine[]): void =>
      setDraft((draft) => ({ ...draft, lines: withNext(to(draft.lines)) }));
    return {
      change: (at: number, changed: Partial<TypedLine>): void =>
        edit((lines) =>
          lines.map((line, index) => (index === at ? { ...line, ...changed } : line)),
        ),
      remove: (at: number): void => edit((lines) => lines.filter((_, index) => index !== at)),
      paste: (at: number, text: string): void =>
        edit((lines) => [...lines.slice(0, at), ...pastedLines(text), ...lines.slice(at + 1)]),
    };
  }, [setDraft]);
}

/** What was written before, with its latest rate, this customer's first. */
export function useLastPrices(customerId: number | null): BilledBefore[] {
  const { book } = useActing();
  const [prices, setPrices] = useState<BilledBefore[]>([]);
  useEffect(() => {
    let current = true;
    void load<BilledBefore[]>(`/api/v1/b/${book}/customers/${customerId ?? 0}/prices`).then(
      (sent) => {
        if (current && sent.ok) setPrices(sent.value);
      },
    );
    return () => {
      current = false;
    };
  }, [book, customerId]);
  return prices;
}
