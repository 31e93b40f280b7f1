"use client";

import { Box } from "@chakra-ui/react";
import { type ReactNode, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import { NEW_CUSTOMER } from "@/contracts/customers";
import type { EditorFacts } from "@/contracts/editor";
import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";
import { instalmentsOf, readPlan } from "@/core/invoices";
import { type Currency, formatAmount, type Minor, minor } from "@/core/money";

import { CustomerForm } from "../../customers/form/CustomerForm";
import { CustomerFinder } from "../../customers/CustomerFinder";
import { Amount } from "../../kit/Amount";
import { Act, RowButton } from "../../kit/buttons";
import { DayField } from "../../kit/days";
import { Choice, TextField } from "../../kit/fields";
import { HeadingEnd, PageHeading, Title } from "../../kit/headings";
import { ActRow, Section, WorkingsGrid } from "../../kit/layout";
import { useActing } from "../../shell/Notices";
import { Deposits } from "./Deposits";
import { MoreFields } from "./MoreFields";
import { Posting, Sums } from "./EditorSums";
import { LineRows } from "./LineRows";
import { problemWords } from "./problemWords";
import { WhoElse } from "./WhoElse";
import { begunLines } from "./typed";
import { useDraft, useLastPrices, type Saved } from "./useDraft";

type InvoiceEditorProps = BookFacts & { facts: EditorFacts };

/** A document as it is written: the paper at the left, what it will post at the right. */
export function InvoiceEditor({ facts, today }: InvoiceEditorProps): ReactNode {
  const editor = useDraft(facts);
  const { draft, setDraft, worked, saved, approve, drop } = editor;
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
            editor={editor}
            today={today}
            currencies={facts.currencies}
            total={worked.totals?.total ?? minor(0)}
          />
          <LineRows
            {...editor}
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
            lines={begunLines(draft)}
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

type TermsProps = {
  editor: Editor;
  today: BookFacts["today"];
  currencies: readonly Currency[];
  /** What the document comes to so far. */
  total: Minor;
};

/** The due day, or what is due when; undefined where the terms cannot be read. */
function dueWords({ editor, today, total }: TermsProps): string | undefined {
  const { terms, issuedOn, currency } = editor.draft;
  const plan = readPlan(terms);
  if (!plan.ok) return undefined;
  const parts = instalmentsOf(plan.value, issuedOn, total === 0 ? minor(1) : total);
  const isParted = total !== 0 && parts.length > 1;
  return `due ${parts
    .map(({ dueOn, sum }) =>
      isParted
        ? `${formatDay(dueOn, today)} ${formatAmount(sum, currency)}`
        : formatDay(dueOn, today),
    )
    .join(", ")}`;
}

/** Day, terms and order number, and the due days that follow from them. */
function Terms(props: TermsProps): ReactNode {
  const { editor, currencies } = props;
  const { draft, setDraft } = editor;
  const due = dueWords(props);
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: "1fr 1fr", lg: "150px 150px 1fr 90px" }}
      gap="12px"
      padding="8px 0"
    >
      <DayField
        label="Date"
        value={draft.issuedOn}
        onDay={(day) => {
          if (day !== "") setDraft({ ...draft, issuedOn: day });
        }}
      />
      <TextField
        label="Terms"
        value={draft.terms}
        error={due === undefined ? "Like n/30, 2/10 n/30, eom/15, 30% now; rest n/30." : undefined}
        help={due}
        onChange={(event) => setDraft({ ...draft, terms: event.target.value })}
      />
      <TextField
        label="PO number"
        value={draft.poNumber}
        onChange={(event) => setDraft({ ...draft, poNumber: event.target.value })}
      />
      {currencies.length > 1 ? (
        <Choice
          label="Currency"
          options={currencies.map((code) => [code, code] as const)}
          value={draft.currency}
          onChange={(event) => setDraft({ ...draft, currency: event.target.value as Currency })}
        />
      ) : null}
    </Box>
  );
}

function KeptWords({ saved }: { saved: Saved }): ReactNode {
  if (saved.state === "not kept") return <span data-tone="off">not kept: {saved.why}</span>;
  const words = { new: "", typing: "…", kept: "✓ kept as it is typed" }[saved.state];
  return (
    <span data-tone="soft" role="status">
      {words}
    </span>
  );
}
