"use client";

import { memo, type ReactNode, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import { NEW_CUSTOMER } from "@/contracts/customers";
import type { EditorFacts } from "@/contracts/editor";
import type { BookFacts } from "@/contracts/shell";
import { type Currency, ZERO } from "@/core/money";

import { CustomerForm } from "../../customers/form/CustomerForm";
import { CustomerFinder } from "../../customers/CustomerFinder";
import { Amount } from "../../kit/Amount";
import { Act, RowButton } from "../../kit/buttons";
import { HeadingEnd, PageHeading, Title } from "../../kit/headings";
import { ActRow, Section, WorkingsGrid } from "../../kit/layout";
import { useActing } from "../../shell/Notices";
import { Deposits } from "./Deposits";
import { MoreFields } from "./MoreFields";
import { Posting, Sums } from "./EditorSums";
import { LineRows } from "./LineRows";
import { problemWords } from "./problemWords";
import { Terms } from "./Terms";
import { WhoElse } from "./WhoElse";
import { useDraft, useLastPrices, type Saved } from "./useDraft";

type InvoiceEditorProps = BookFacts & { facts: EditorFacts };

/** A document as it is written: the paper at the left, what it will post at the right. */
export function InvoiceEditor({ facts, today }: InvoiceEditorProps): ReactNode {
  const editor = useDraft(facts);
  const { draft, setDraft, worked, saved, approve, drop, change, remove, paste } = editor;
  const { busy } = useActing();
  const prices = useLastPrices(draft.customer?.id ?? null);
  useHotkeys("ctrl+enter, meta+enter", () => void approve(), { enableOnFormTags: true }, [approve]);
  const problem = worked.problem ? problemWords(worked.problem) : null;
  const { currency } = draft;
  return (
    <>
      <PageHeading>
        <Title>
          <Amount of={worked.totals?.total ?? 0} currency={currency} />{" "}
          <small>{facts.kind === "invoice" ? "invoice, a draft" : "credit note, a draft"}</small>
        </Title>
        <KeptWords saved={saved} />
        <WhoElse draft={editor.keptAs} />
        <HeadingEnd>
          <RowButton data-tone="soft" onClick={() => void drop()}>
            Drop it
          </RowButton>
        </HeadingEnd>
      </PageHeading>
      <WorkingsGrid gridTemplateColumns={{ base: "1fr", lg: "minmax(0, 1fr) 300px" }}>
        <Section>
          <Customer facts={facts} editor={editor} />
          <Terms
            draft={draft}
            setDraft={setDraft}
            today={today}
            currencies={facts.currencies}
            total={/[;+]/.test(draft.terms) ? (worked.totals?.total ?? ZERO) : ZERO}
          />
          <LineRows
            {...{ change, remove, paste }}
            lines={draft.lines}
            totals={worked.totals}
            problem={problem}
            taxCodes={facts.taxCodes}
            prices={prices}
            currency={currency}
          />
          <Sums totals={worked.totals} currency={currency} included={facts.rules.included} />
          {problem && problem.line === 0 ? (
            <p role="alert" data-tone="off">
              {problem.words}
            </p>
          ) : null}
          <MoreFields draft={draft} setDraft={setDraft} taxCodes={facts.taxCodes} />
          <ActRow>
            <Act main hint="Ctrl Enter" disabled={busy} onClick={() => void approve()}>
              Approve
            </Act>
          </ActRow>
          <Deposits facts={facts} editor={editor} />
        </Section>
        <Section>
          <Posting
            totals={worked.totals}
            currency={currency}
            credit={facts.kind !== "invoice"}
            lines={editor.begun}
            postsTo={facts.postsTo}
          />
        </Section>
      </WorkingsGrid>
    </>
  );
}

type Editor = ReturnType<typeof useDraft>;

function Customer({ facts, editor }: { facts: EditorFacts; editor: Editor }): ReactNode {
  const { draft, setDraft } = editor;
  const { book } = useActing();
  const [made, setMade] = useState<string | null>(null);
  const chosen = ({ id, name, terms, currency }: Chosen): void => {
    setMade(null);
    setDraft({
      ...draft,
      customer: { id, name },
      terms: terms ?? draft.terms,
      currency: currency ?? draft.currency,
    });
    toFirstLine();
  };
  if (draft.customer)
    return (
      <p>
        For <b data-strong>{draft.customer.name}</b>{" "}
        <RowButton data-tone="soft" onClick={() => setDraft({ ...draft, customer: null })}>
          another
        </RowButton>
      </p>
    );
  if (made !== null)
    return (
      <CustomerForm
        short
        facts={{ ...NEW_CUSTOMER, name: made }}
        book={book}
        currency={draft.currency}
        kept={({ id, name, terms }) => chosen({ id, name, terms: terms || null, currency: null })}
        leave={() => setMade(null)}
        meant={({ id, name }) => chosen({ id, name, terms: null, currency: null })}
      />
    );
  return (
    <CustomerFinder
      label="Customer"
      placeholder="for whom: part of a name or number …"
      currency={facts.currencies[0] ?? draft.currency}
      autoFocus
      choose={chosen}
      create={setMade}
    />
  );
}

/** Whom it is for is said: what it is for comes next. */
const toFirstLine = (): void => {
  requestAnimationFrame(() =>
    document.querySelector<HTMLElement>("[aria-label='Description of line 1']")?.focus(),
  );
};

type Chosen = { id: number; name: string; terms: string | null; currency: Currency | null };

const KeptWords = memo(function KeptWords({ saved }: { saved: Saved }): ReactNode {
  if (saved.state === "not kept") return <span data-tone="off">not kept: {saved.why}</span>;
  const words = { new: "", typing: "…", kept: "✓ kept as it is typed" }[saved.state];
  return (
    <span data-tone="soft" role="status">
      {words}
    </span>
  );
});
