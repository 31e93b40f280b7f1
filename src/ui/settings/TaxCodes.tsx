"use client";

import { type ReactNode, useState } from "react";

import { TAX_CATEGORIES, type TaxCategory, type TaxCode } from "@/core/invoices";

import { Act } from "../kit/buttons";
import { LineChoice } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { ActRow } from "../kit/layout";
import { DetailTable, NoneRow } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { FormWord } from "./FormWord";

const CATEGORIES = Object.keys(TAX_CATEGORIES) as TaxCategory[];
const EMPTY = { code: "", percent: "", category: "standard" as TaxCategory };

/** The tax codes that lines of invoices may bear. */
export function TaxCodes({ taxCodes }: { taxCodes: readonly TaxCode[] }): ReactNode {
  const { act, busy } = useActing();
  const [form, setForm] = useState(EMPTY);
  const add = (): void =>
    void act("setTaxCode", { ...form, percent: form.percent || "0" }, () => ({
      words: `Tax code ${form.code} added.`,
    })).then((done) => {
      if (done !== undefined && done !== null) setForm(EMPTY);
    });
  return (
    <>
      <Subheading>Tax codes</Subheading>
      <DetailTable aria-label="Tax codes">
        <tbody>
          {taxCodes.map(({ code, percent, category }) => (
            <tr key={code}>
              <td>
                <b data-strong>{code}</b>
              </td>
              <td data-tone="soft">{TAX_CATEGORIES[category].words}</td>
              <td data-numeric>{percent} %</td>
            </tr>
          ))}
          <NoneRow of={taxCodes}>None yet: invoices bear no tax.</NoneRow>
        </tbody>
      </DetailTable>
      <ActRow
        as="form"
        onSubmit={(event) => {
          event.preventDefault();
          add();
        }}
      >
        <FormWord
          label="Name of the tax code"
          placeholder="code"
          width="110px"
          value={form.code}
          onWord={(code) => setForm({ ...form, code })}
        />
        <FormWord
          label="Percent of the tax code"
          placeholder="percent"
          width="80px"
          number
          value={form.percent}
          onWord={(percent) => setForm({ ...form, percent })}
        />
        <LineChoice
          kind="words"
          aria-label="Kind of the tax code"
          value={form.category}
          onChange={(event) => setForm({ ...form, category: event.target.value as TaxCategory })}
        >
          {CATEGORIES.map((category) => (
            <option key={category} value={category}>
              {TAX_CATEGORIES[category].words}
            </option>
          ))}
        </LineChoice>
        <Act type="submit" disabled={busy || form.code.trim() === ""}>
          Add
        </Act>
      </ActRow>
    </>
  );
}
