"use client";

import { useRouter } from "next/navigation";
import { createContext, type ReactNode, useCallback, useContext, useMemo, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import { RowButton } from "../kit/buttons";
import { inDialog } from "../kit/keys";
import { Notice, NoticePlace } from "../kit/layout";
import { sendCommand } from "./send";

/** What can be undone: one act, or all that one command did. */
type Undo = number | { commandId: number } | null;
type Said = { words: string; bad: boolean; undo: Undo; final?: string | undefined };
/** What came of a command; `final`: why it cannot be taken back, where that is so. */
type Done = { words: string; undo?: Undo; final?: string };
type Acting = {
  /** Says something below the page; `final`: why it cannot be taken back. */
  say: (words: string, final?: string) => void;
  complain: (words: string) => void;
  /**
   * Carries out a command and shows the page anew; gives its value, or null where it failed and the
   * reason was shown.
   */
  act: <T>(
    command: string,
    input: unknown,
    done: (value: T) => Done,
    onProgress?: (done: number, of: number) => void,
  ) => Promise<T | null>;
  /**
   * A command is under way. That the page is being shown anew after it holds no key back: what is
   * old on it by then is refused by the server, and a key that did nothing would be lost.
   */
  busy: boolean;
  book: string;
  /** What the key U would do now, in words. */
  undoes: string;
};

/** What the key says where nothing stands that it would take back. */
const NOTHING_TO_UNDO =
  "Nothing was done here just now that could be undone. Earlier acts are undone in the audit trail.";

/** What U would do: take back what the notice says, or say why it cannot. */
function undoInWords(notice: Said | null): string {
  if (notice?.undo != null) return `take back: ${notice.words}`;
  return notice?.final ?? "nothing: nothing was done here just now that could be undone";
}

const Context = createContext<Acting | null>(null);

export function useActing(): Acting {
  const acting = useContext(Context);
  if (!acting) throw new Error("useActing belongs below Notices");
  return acting;
}

export function Notices({ book, children }: { book: string; children: ReactNode }): ReactNode {
  const router = useRouter();
  const [notice, setNotice] = useState<Said | null>(null);
  const [sending, setSending] = useState(false);
  const act = useCallback<Acting["act"]>(
    async (command, input, done, onProgress) => {
      setSending(true);
      const sent = await sendCommand<Awaited<ReturnType<typeof done>> & object>(
        book,
        command,
        input,
        onProgress ? { onProgress } : {},
      );
      setSending(false);
      if (!sent.ok) {
        setNotice({ words: sent.message, bad: true, undo: null });
        return null;
      }
      const { words, undo = null, final } = done(sent.value as never);
      setNotice({ words, bad: false, undo, final });
      router.refresh();
      return sent.value as never;
    },
    [book, router],
  );
  const undoLast = useCallback(() => {
    if (notice?.undo == null)
      return setNotice({ words: notice?.final ?? NOTHING_TO_UNDO, bad: true, undo: null });
    const words = "Undone. Both entries stay in the journal.";
    if (typeof notice.undo === "number")
      void act<{ actId: number }>("undo", { actId: notice.undo }, () => ({ words }));
    else
      void act<{ undone: number }>("undoTogether", notice.undo, (value) => ({
        words: `All ${value.undone} undone. Both entries of each stay in the journal.`,
      }));
  }, [act, notice]);
  useHotkeys("u", undoLast, { ignoreEventWhen: inDialog }, [undoLast]);
  const acting = useMemo<Acting>(
    () => ({
      act,
      busy: sending,
      book,
      say: (words, final) => setNotice({ words, bad: false, undo: null, final }),
      complain: (words) => setNotice({ words, bad: true, undo: null }),
      undoes: undoInWords(notice),
    }),
    [act, book, notice, sending],
  );
  return (
    <Context value={acting}>
      {children}
      <NoticePlace role="status" aria-live="polite">
        {notice ? (
          <Notice tone={notice.bad ? "bad" : undefined}>
            <span data-tone={notice.bad ? "off" : undefined}>
              {notice.bad ? "✗ " : "✓ "}
              {notice.words}
            </span>
            {notice.undo !== null ? (
              <RowButton data-strong title={undoInWords(notice)} onClick={undoLast}>
                Undo <kbd>U</kbd>
              </RowButton>
            ) : null}
            <RowButton data-tone="soft" onClick={() => setNotice(null)} aria-label="Close">
              ✕
            </RowButton>
          </Notice>
        ) : null}
      </NoticePlace>
    </Context>
  );
}
