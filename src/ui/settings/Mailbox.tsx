"use client";

import { zodResolver } from "@hookform/resolvers/zod";
import type { ReactNode } from "react";
import { useForm } from "react-hook-form";
import { z } from "zod";

import { Act, RowButton } from "../kit/buttons";
import { fieldsOf } from "../kit/checked";
import { TextField, Tick } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { ActRow, Form } from "../kit/layout";
import { useActing } from "../shell/Notices";
import type { Settings } from "./useFacts";

const schema = z.object({
  host: z.string().trim().min(1, "A name or an address, like imap.example.com."),
  port: z.string().regex(/^\d{1,5}$/, "993 or 143, as a rule."),
  secure: z.boolean(),
  user: z.string().trim().min(1, "The name of the mailbox, often its address."),
  secret: z.string(),
  from: z.string(),
});

type Props = { mailbox: Settings["mailbox"] };

/** Which mailbox is read, and who may send files to it. The password is never shown. */
export function Mailbox({ mailbox }: Props): ReactNode {
  const { form, busy, keep, without } = useMailbox(mailbox);
  const field = fieldsOf(form);
  return (
    <>
      <Subheading>
        Mailbox{" "}
        <span data-tone="soft" data-light>
          {mailbox === null
            ? "none is read"
            : "files, answers and letters that came back are taken from it each minute"}
        </span>
      </Subheading>
      <Form
        display="grid"
        gridTemplateColumns="2fr 1fr"
        gap="12px"
        onSubmit={(event) => void keep(event)}
        noValidate
      >
        <TextField label="Mailbox at" {...field("host")} placeholder="imap.example.com" />
        <TextField label="Port of the mailbox" inputMode="numeric" {...field("port")} />
        <TextField label="Name of the mailbox" autoComplete="off" {...field("user")} />
        <TextField
          label="Password of the mailbox"
          type="password"
          autoComplete="new-password"
          {...field("secret")}
          placeholder={mailbox === null ? "" : "stays as it is"}
        />
        <TextField
          label="Files may come from"
          {...field("from")}
          placeholder="nobody"
          help="Addresses, or @example.com for everybody there, with commas between. What is proven is taken in, the rest waits under Files."
        />
        <label>
          <Tick {...form.register("secure")} /> secure from the start (port 993)
        </label>
        <ActRow>
          <Act type="submit" disabled={busy || !form.formState.isDirty}>
            Read this mailbox
          </Act>
          {mailbox === null ? null : (
            <RowButton data-tone="soft" type="button" disabled={busy} onClick={without}>
              read none
            </RowButton>
          )}
        </ActRow>
      </Form>
    </>
  );
}

const NONE = { host: "", port: 993, secure: true, user: "", from: [] };

function useMailbox(mailbox: Props["mailbox"]) {
  const { act, busy } = useActing();
  const { port, from, ...kept } = mailbox ?? NONE;
  const form = useForm<z.input<typeof schema>>({
    resolver: zodResolver(schema),
    values: { ...kept, port: String(port), from: from.join(", "), secret: "" },
  });
  const keep = form.handleSubmit(
    ({ port, secret, from, ...typed }) =>
      void act(
        "changeMailbox",
        {
          mailbox: { ...typed, port: Number(port), from: from.split(/[\s,;]+/).filter(Boolean) },
          ...(secret === "" ? {} : { secret }),
        },
        () => ({ words: `The mailbox of ${typed.user} is read from the next minute on.` }),
      ).then((done) => {
        if (done !== null) form.resetField("secret");
      }),
  );
  const without = (): void =>
    void act("changeMailbox", { mailbox: null }, () => ({ words: "No mailbox is read." }));
  return { form, busy, keep, without };
}
