"use client";

import { Box } from "@chakra-ui/react";
import { type ReactNode, useState } from "react";

import type { PaperFacts } from "@/contracts/invoices";
import type { BookFacts } from "@/contracts/shell";
import { type BankDetails, lookInWords, type PaperLook, USUAL_LOOK } from "@/core/invoices";

import { Act, RowButton } from "../../kit/buttons";
import { Choice, FileField, Labels, LineText, TextField, Tick } from "../../kit/fields";
import { HeadingEnd, PageHeading, Title } from "../../kit/headings";
import { ActRow, Form, Section, WorkingsGrid } from "../../kit/layout";
import { useActing } from "../../shell/Notices";
import { post } from "../../shell/send";
import { BankDetailsField } from "./BankDetailsField";
import { PaperSheet } from "./PaperSheet";

type LooksPageProps = BookFacts & {
  looks: readonly PaperLook[];
  bankDetails: readonly BankDetails[];
  paper: PaperFacts | null;
};

/** How papers look, tried on a real invoice while it is typed. */
export function LooksPage({ looks, bankDetails, paper }: LooksPageProps): ReactNode {
  const typing = useLook(looks);
  const { look, choose, chosen } = typing;
  return (
    <>
      <PageHeading>
        <Title>How papers look</Title>
        {looks.map(({ name }) => (
          <RowButton key={name} aria-pressed={name === chosen} onClick={() => choose(name)}>
            {name}
          </RowButton>
        ))}
        <HeadingEnd>
          {looks.length > 1 ? (
            <RowButton data-tone="soft" onClick={typing.drop}>
              Drop it
            </RowButton>
          ) : null}
        </HeadingEnd>
      </PageHeading>
      <WorkingsGrid gridTemplateColumns={{ base: "1fr", lg: "380px minmax(0, 1fr)" }}>
        <Section>
          <LookForm typing={typing} bankDetails={bankDetails} />
        </Section>
        <Section overflowX="auto">
          {paper ? (
            <PaperSheet
              paper={paper}
              look={lookInWords(look, bankDetails)}
              picture={typing.shown}
            />
          ) : (
            <p data-tone="soft">Write an invoice first: looks are tried on it.</p>
          )}
        </Section>
      </WorkingsGrid>
    </>
  );
}

type Typing = ReturnType<typeof useLook>;

function useLook(looks: readonly PaperLook[]) {
  const { act, busy, complain, book } = useActing();
  const [chosen, setChosen] = useState(looks[0]?.name ?? USUAL_LOOK.name);
  const [look, setLook] = useState<PaperLook>(looks[0] ?? USUAL_LOOK);
  /** The picture that was chosen just now, as the browser has it. */
  const [shown, setShown] = useState<string | null>(null);
  const choose = (name: string): void => {
    setChosen(name);
    setLook(looks.find((known) => known.name === name) ?? USUAL_LOOK);
    setShown(null);
  };
  const set = (changed: Partial<PaperLook>): void => setLook({ ...look, ...changed });
  const keep = (as: string): void =>
    void act<{ logo: string | null }>("setLook", { name: as, look }, () => ({
      words: `The look ${look.name} is kept. Approved papers stay as they are.`,
    })).then((done) => {
      if (!done) return;
      setChosen(look.name);
    });
  const drop = (): void =>
    void act("setLook", { name: chosen, look: null }, () => ({
      words: `The look ${chosen} is dropped.`,
    })).then((done) => {
      if (done) choose(looks.find(({ name }) => name !== chosen)?.name ?? "");
    });
  const take = (file: File | undefined): void => {
    if (!file) return;
    if (file.size > 300_000) return complain("A picture has up to 300 kB. Make it smaller.");
    void post<{ sha256: string }>(`/api/v1/b/${book}/pictures`, file).then((sent) => {
      if (!sent.ok) return complain(sent.message);
      set({ logo: sent.value.sha256 });
      setShown(URL.createObjectURL(file));
    });
  };
  return { look, set, chosen, choose, keep, drop, take, shown, busy };
}

type LookFormProps = { typing: Typing; bankDetails: readonly BankDetails[] };

function LookForm({ typing, bankDetails }: LookFormProps): ReactNode {
  const { look, set, chosen, keep, take, busy } = typing;
  const text = (name: "name" | "accent" | "oneLine", label: string): ReactNode => (
    <TextField
      label={label}
      value={look[name]}
      onChange={(event) => set({ [name]: event.target.value })}
    />
  );
  return (
    <Form
      display="grid"
      gap="10px"
      onSubmit={(event) => {
        event.preventDefault();
        keep(chosen);
      }}
    >
      <Box display="grid" gridTemplateColumns="1fr 1fr" gap="10px">
        {text("name", "Name")}
        {text("accent", "Colour, like #1f4e79")}
        <Choice
          label="Letters"
          options={[
            ["plain", "plain"],
            ["serif", "with serifs"],
          ]}
          value={look.letters}
          onChange={(event) => set({ letters: event.target.value as PaperLook["letters"] })}
        />
        <Choice
          label="Paper"
          options={[
            ["usual", "as in the country"],
            ["letter", "Letter"],
            ["a4", "A4"],
          ]}
          value={look.size}
          onChange={(event) => set({ size: event.target.value as PaperLook["size"] })}
        />
        <Choice
          label="Lines"
          options={[
            ["all", "every line"],
            ["items", "one for each item"],
            ["one", "one for all"],
          ]}
          value={look.lines}
          onChange={(event) => set({ lines: event.target.value as PaperLook["lines"] })}
        />
        {look.lines === "one" ? text("oneLine", "Words of that line") : null}
      </Box>
      <Ticks look={look} set={set} />
      <Words label="Words above the lines" value={look.above} onWords={(above) => set({ above })} />
      <BankDetailsField look={look} kept={bankDetails} set={set} />
      <Words label="Words at the foot" value={look.below} onWords={(below) => set({ below })} />
      <Labels label="Picture at the top, PNG or JPEG">
        <FileField
          aria-label="Picture at the top"
          accept=".png,.jpg,.jpeg"
          onChange={(event) => take(event.target.files?.[0])}
        />
      </Labels>
      <ActRow>
        <Act main type="submit" disabled={busy}>
          Keep
        </Act>
        {look.name === chosen ? null : (
          <Act disabled={busy} onClick={() => keep(look.name)}>
            Keep as one more
          </Act>
        )}
      </ActRow>
    </Form>
  );
}

const TICKS = [
  ["quantities", "quantities"],
  ["rates", "rates"],
  ["code", "the account page as a QR code"],
  ["slip", "a slip to come back with a check"],
] as const;

type TicksProps = { look: PaperLook; set: (changed: Partial<PaperLook>) => void };

function Ticks({ look, set }: TicksProps): ReactNode {
  return (
    <Box display="grid" gap="4px">
      {TICKS.map(([name, words]) => (
        <label key={name}>
          <Tick checked={look[name]} onChange={(event) => set({ [name]: event.target.checked })} />{" "}
          {words}
        </label>
      ))}
      {look.logo === null ? null : (
        <span>
          <RowButton data-tone="soft" onClick={() => set({ logo: null })}>
            without its picture
          </RowButton>
        </span>
      )}
    </Box>
  );
}

function Words({
  label,
  value,
  onWords,
}: {
  label: string;
  value: string;
  onWords: (words: string) => void;
}): ReactNode {
  return (
    <Labels label={label}>
      <LineText
        kind="words"
        rows={2}
        width="100%"
        aria-label={label}
        value={value}
        onChange={(event) => onWords(event.target.value)}
      />
    </Labels>
  );
}
