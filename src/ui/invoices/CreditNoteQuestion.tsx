"use client";

import { useRouter } from "next/navigation";
import { type ReactNode, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import { type Currency, formatAmount, type Minor, parseAmount } from "@/core/money";

import { Act } from "../kit/buttons";
import { AmountField, Choice, TextField } from "../kit/fields";
import { inDialog } from "../kit/keys";
import { ActRow, Form } from "../kit/layout";
import { useActing } from "../shell/Notices";

type CreditNoteQuestionProps = {
  itemId: number;
  number: string;
  currency: Currency;
  /** What has not been taken back yet. */
  creditable: Minor;
  total: Minor;
  lines: readonly string[];
};

/** Corrects an invoice by a credit note: of all of it, or of a sum of one line. */
export function CreditNoteQuestion(props: CreditNoteQuestionProps): ReactNode {
  const [open, setOpen] = useState(false);
  useHotkeys("c", () => setOpen(true), { ignoreEventWhen: inDialog, preventDefault: true }, []);
  if (props.creditable === 0) return null;
  return open ? (
    <CreditNoteForm {...props} close={() => setOpen(false)} />
  ) : (
    <ActRow>
      <Act hint="C" onClick={() => setOpen(true)}>
        Credit note …
      </Act>
    </ActRow>
  );
}

function CreditNoteForm(props: CreditNoteQuestionProps & { close: () => void }): ReactNode {
  const { lines, currency, creditable, total, close } = props;
  const { form, setForm, write, busy, wrong } = useCreditNote(props);
  return (
    <Form
      display="grid"
      gap="10px"
      onSubmit={(event) => {
        event.preventDefault();
        write();
      }}
      onKeyDown={(event) => {
        if (event.key === "Escape") close();
      }}
    >
      <Choice
        label="Take back"
        autoFocus
        value={form.what}
        options={
          // What a part was taken back of already is not taken back as a whole.
          [
            ["whole", `all of it, ${formatAmount(creditable, currency)}`] as const,
            ["sum", "a sum of a line, tax comes on top"] as const,
          ].slice(creditable === total ? 0 : 1)
        }
        onChange={(event) => setForm({ ...form, what: event.target.value as "whole" | "sum" })}
      />
      {form.what === "sum" ? (
        <>
          <Choice
            label="Of the line"
            value={form.line}
            options={lines.map((words, at) => [String(at + 1), words] as const)}
            onChange={(event) => setForm({ ...form, line: event.target.value })}
          />
          <AmountField
            label="Sum without tax"
            currency={currency}
            value={form.sum}
            onChange={(event) => setForm({ ...form, sum: event.target.value })}
          />
        </>
      ) : null}
      <TextField
        label="Why (it stands on the paper)"
        value={form.reason}
        error={wrong ?? undefined}
        onChange={(event) => setForm({ ...form, reason: event.target.value })}
      />
      <ActRow>
        <Act main type="submit" disabled={busy}>
          Approve the credit note
        </Act>
        <Act hint="Esc" onClick={close}>
          Not now
        </Act>
      </ActRow>
    </Form>
  );
}

function useCreditNote({ itemId, currency, number, creditable, total }: CreditNoteQuestionProps) {
  const { act, busy } = useActing();
  const router = useRouter();
  const [wrong, setWrong] = useState<string | null>(null);
  const [form, setForm] = useState({
    what: (creditable === total ? "whole" : "sum") as "whole" | "sum",
    line: "1",
    sum: "",
    reason: "",
  });
  const write = (): void => {
    if (form.reason.trim() === "") return setWrong("A reason, please.");
    setWrong(null);
    const sum = parseAmount(form.sum, ".", currency);
    if (form.what === "sum" && (!sum.ok || sum.value <= 0))
      return setWrong("A sum like 20.00, please.");
    const taken =
      form.what === "whole"
        ? { what: "whole" }
        : { what: "sum", sum: sum.ok ? sum.value : 0, line: Number(form.line) };
    void act<{ number: string | null }>(
      "writeCreditNote",
      { itemId, taken, reason: form.reason.trim() },
      (made) => ({
        words: made.number
          ? `Credit note ${made.number} on ${number}, set off against what was open.`
          : "The credit note waits for somebody else to approve it.",
        final:
          "A credit note has its number and stays. What was set off can be undone on its page.",
      }),
    ).then((done) => {
      if (done) router.refresh();
    });
  };
  return { form, setForm, write, busy, wrong };
}
