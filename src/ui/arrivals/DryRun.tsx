"use client";

import { Box } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { type ReactNode, useEffect, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type { ArrivalsFacts, ImportReport, InspectedFile } from "@/contracts/arrivals";
import { FILE_KIND_TRAITS, type FileKind, type MappingSpec } from "@/core/formats";

import { TextField } from "../kit/fields";
import { useActing } from "../shell/Notices";
import { post, sendCommand } from "../shell/send";
import { DryRunHeading, KindAndAccount, WhatItSays } from "./DryRunParts";
import { Sample } from "./DryRunReport";
import { MappingForm } from "./MappingForm";

type DryRunProps = {
  facts: ArrivalsFacts;
  first: InspectedFile;
  close: () => void;
};
/** The dry run of a file: what it is, how its columns are read, and what would happen, before anything does. */
export function DryRun(props: DryRunProps): ReactNode {
  const { facts, close } = props;
  const {
    waiting,
    mapping,
    setMapping,
    account,
    setAccount,
    saveAs,
    setSaveAs,
    report,
    problem,
    taking,
    asKind,
    takeIn,
    of,
  } = useDryRun(props);
  return (
    <Box overflow="auto" flex={1} minHeight="0" paddingBottom="20px">
      <DryRunHeading
        close={close}
        report={report}
        takeIn={takeIn}
        taking={taking}
        waiting={waiting}
      />
      <Box display="grid" gridTemplateColumns="minmax(0, 2fr) minmax(0, 3fr)" gap="32px">
        <Box>
          <KindAndAccount
            account={account}
            asKind={asKind}
            mapping={mapping}
            of={of}
            setAccount={setAccount}
          />
          <MappingForm facts={facts} waiting={waiting} mapping={mapping} change={setMapping} />
          <Box marginTop="10px" maxWidth="260px">
            <TextField
              label="Keep this mapping as"
              value={saveAs}
              onChange={(event) => setSaveAs(event.target.value)}
              placeholder="a name, if it is to be kept"
            />
          </Box>
        </Box>
        <Box>
          <WhatItSays facts={facts} mapping={mapping} problem={problem} report={report} />
          <Sample waiting={waiting} />
        </Box>
      </Box>
    </Box>
  );
}

function useDryRun({ facts, first, close }: DryRunProps) {
  const router = useRouter();
  const { book } = facts;
  const { say, complain } = useActing();
  const known = facts.mappings
    .filter((mapping) => mapping.kind === first.kind)
    .find((mapping) =>
      Object.values(mapping.spec.columns).every((header) => first.headers.includes(header)),
    );
  const [waiting, setWaiting] = useState(first);
  const [mapping, setMapping] = useState<MappingSpec>(
    known
      ? { ...known.spec, rowKinds: { ...first.mapping.rowKinds, ...known.spec.rowKinds } }
      : first.mapping,
  );
  const [account, setAccount] = useState<string | null>(() =>
    guessAccount(facts, first.kind, known?.name ?? first.name),
  );
  const [saveAs, setSaveAs] = useState(known?.name ?? "");
  const [report, setReport] = useState<ImportReport | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [taking, setTaking] = useState(false);
  const input = {
    sha256: waiting.sha256,
    name: waiting.name,
    size: waiting.size,
    mapping,
    account,
    saveAs: saveAs.trim() || null,
  };
  const asked = JSON.stringify(input);
  useEffect(() => {
    let current = true;
    void sendCommand<ImportReport>(book, "importFile", JSON.parse(asked), { rehearse: true }).then(
      (sent) => {
        if (!current) return;
        setReport(sent.ok ? sent.value : null);
        setProblem(sent.ok ? null : sent.message);
      },
    );
    return () => {
      current = false;
    };
  }, [book, asked]);
  const asKind = async (kind: FileKind): Promise<void> => {
    const sent = await post<InspectedFile>(
      `/api/v1/b/${book}/files?kept=${waiting.sha256}&kind=${kind}&name=${encodeURIComponent(waiting.name)}`,
      "",
    );
    if (!sent.ok) return complain(sent.message);
    setWaiting(sent.value);
    setMapping(sent.value.mapping);
    setAccount(guessAccount(facts, kind, waiting.name));
  };
  const takeIn = (): void => {
    if (taking || report === null || report.new + report.changed === 0) return;
    setTaking(true);
    void sendCommand<ImportReport>(book, "importFile", input).then((sent) => {
      setTaking(false);
      if (!sent.ok) return complain(sent.message);
      say(
        `${sent.value.new} lines of ${waiting.name} taken in${sent.value.refused.length > 0 ? "; the refused ones stay out" : ""}.`,
        "A file that was taken in stays; what was posted of it is undone act by act.",
      );
      close();
      router.refresh();
    });
  };
  useHotkeys("enter", takeIn, [takeIn]);
  useHotkeys("escape", close);
  const of = accountsFor(mapping.kind, facts);
  return {
    waiting,
    mapping,
    setMapping,
    account,
    setAccount,
    saveAs,
    setSaveAs,
    report,
    problem,
    taking,
    asKind,
    takeIn,
    of,
  };
}
function guessAccount(facts: ArrivalsFacts, kind: FileKind, name: string): string | null {
  const of = accountsFor(kind, facts) ?? [];
  return (
    (of.find(
      ([code, words]) =>
        name.toLowerCase().includes(words.toLowerCase()) || name.toLowerCase().includes(code),
    ) ?? (of.length === 1 ? of[0] : undefined))?.[0] ?? null
  );
}

/** The accounts that a file of a kind can belong to; null where it belongs to the book. */
function accountsFor(
  kind: FileKind,
  { accounts }: ArrivalsFacts,
): ArrivalsFacts["accounts"]["bank"] | null {
  const { account } = FILE_KIND_TRAITS[kind];
  return account && accounts[account];
}
