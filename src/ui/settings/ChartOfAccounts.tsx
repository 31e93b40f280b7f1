"use client";

import { type ReactNode, useState } from "react";

import type { ChartListed } from "@/contracts/settings";

import { Act, RowButton } from "../kit/buttons";
import { LineChoice, LineField } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { ActRow, Details } from "../kit/layout";
import { Cell, DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { FormWord } from "./FormWord";

/** The book's accounts: names and numbers are its own; what was posted goes with its account. */
export function ChartOfAccounts({
  chart,
  taxCodes,
}: {
  chart: readonly ChartListed[];
  taxCodes: readonly { code: string }[];
}): ReactNode {
  return (
    <Details>
      <summary>
        <Subheading as="span">Accounts</Subheading> {chart.length}
      </summary>
      <DetailTable aria-label="Accounts">
        <tbody>
          {chart.map((account) => (
            <AccountRow key={account.code} account={account} />
          ))}
        </tbody>
      </DetailTable>
      <NewAccount taxCodes={taxCodes} />
    </Details>
  );
}

function AccountRow({ account }: { account: ChartListed }): ReactNode {
  const { act, busy } = useActing();
  const [code, setCode] = useState(account.code);
  const [name, setName] = useState(account.name);
  const changed = code !== account.code || name !== account.name;
  const keep = (): void =>
    void act("setAccount", { code: account.code, to: { code, name } }, () => ({
      words: `Account ${code} ${name} is kept.`,
    }));
  return (
    <tr>
      <Cell width="90px">
        <LineField
          kind="words"
          width="100%"
          aria-label={`Number of ${account.name}`}
          value={code}
          onChange={(event) => setCode(event.target.value)}
        />
      </Cell>
      <Cell>
        <LineField
          kind="words"
          width="100%"
          aria-label={`Name of account ${account.code}`}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
      </Cell>
      <Cell data-tone="soft">{account.role.replaceAll("_", " ")}</Cell>
      <Cell width="80px">
        {changed ? (
          <RowButton disabled={busy} onClick={keep}>
            Keep
          </RowButton>
        ) : null}
        {account.removable && !changed ? (
          <RowButton
            data-tone="soft"
            disabled={busy}
            aria-label={`Remove account ${account.code}`}
            onClick={() =>
              void act("setAccount", { code: account.code }, () => ({
                words: `${account.name} is removed.`,
              }))
            }
          >
            ✕
          </RowButton>
        ) : null}
      </Cell>
    </tr>
  );
}

const EMPTY = { code: "", name: "", taxCode: "" };

function NewAccount({ taxCodes }: { taxCodes: readonly { code: string }[] }): ReactNode {
  const { act, busy } = useActing();
  const [form, setForm] = useState(EMPTY);
  const add = (): void =>
    void act(
      "setAccount",
      {
        to: { code: form.code, name: form.name },
        role: form.taxCode === "" ? "income" : "tax",
        taxCode: form.taxCode || null,
      },
      () => ({ words: `Account ${form.code} ${form.name} added.` }),
    ).then(() => setForm(EMPTY));
  return (
    <ActRow
      as="form"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <FormWord
        label="Number of the new account"
        placeholder="number"
        width="80px"
        value={form.code}
        onWord={(code) => setForm({ ...form, code })}
      />
      <FormWord
        label="Name of the new account"
        placeholder="name"
        width="180px"
        value={form.name}
        onWord={(name) => setForm({ ...form, name })}
      />
      <LineChoice
        kind="words"
        aria-label="What the new account is for"
        value={form.taxCode}
        onChange={(event) => setForm({ ...form, taxCode: event.target.value })}
      >
        <option value="">income</option>
        {taxCodes.map(({ code }) => (
          <option key={code} value={code}>
            tax {code}
          </option>
        ))}
      </LineChoice>
      <Act type="submit" disabled={busy || form.code.trim() === "" || form.name.trim() === ""}>
        Add
      </Act>
    </ActRow>
  );
}
