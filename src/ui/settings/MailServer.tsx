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
  host: z.string().trim().min(1, "A name or an address, like mail.example.com."),
  port: z.string().regex(/^\d{1,5}$/, "587 or 465, as a rule."),
  secure: z.boolean(),
  user: z.string().trim(),
  secret: z.string(),
});

type Props = { server: Settings["mailServer"] };

/** By which server letters leave. The password is never shown: left empty, it stays as it is. */
export function MailServer({ server }: Props): ReactNode {
  const { form, busy, keep, without } = useMailServer(server);
  const field = fieldsOf(form);
  return (
    <>
      <Subheading>
        Mail server{" "}
        <span data-tone="soft" data-light>
          {server === null
            ? "none: letters stay in the outbox, as files"
            : "every letter is written to the outbox too"}
        </span>
      </Subheading>
      <Form
        display="grid"
        gridTemplateColumns="2fr 1fr"
        gap="12px"
        onSubmit={(event) => void keep(event)}
        noValidate
      >
        <TextField label="Server" {...field("host")} placeholder="mail.example.com" />
        <TextField label="Port" inputMode="numeric" {...field("port")} />
        <TextField label="User" autoComplete="off" {...field("user")} />
        <TextField
          label="Password"
          type="password"
          autoComplete="new-password"
          {...field("secret")}
          placeholder={server === null ? "" : "stays as it is"}
        />
        <label>
          <Tick {...form.register("secure")} /> secure from the start (port 465)
        </label>
        <ActRow>
          <Act type="submit" disabled={busy || !form.formState.isDirty}>
            Use this server
          </Act>
          {server === null ? null : (
            <RowButton data-tone="soft" type="button" disabled={busy} onClick={without}>
              use none
            </RowButton>
          )}
        </ActRow>
      </Form>
    </>
  );
}

const NONE = { host: "", port: 587, secure: false, user: null };

function useMailServer(server: Props["server"]) {
  const { act, busy } = useActing();
  const { user, port, ...kept } = server ?? NONE;
  const form = useForm<z.input<typeof schema>>({
    resolver: zodResolver(schema),
    values: {
      ...kept,
      port: String(port),
      user: user ?? "",
      secret: "",
    },
  });
  const keep = form.handleSubmit(
    ({ port, user, secret, ...typed }) =>
      void act(
        "changeMailServer",
        {
          server: { ...typed, port: Number(port), user: user === "" ? null : user },
          ...(secret === "" ? {} : { secret }),
        },
        () => ({ words: `Letters leave by ${typed.host}.` }),
      ).then((done) => {
        if (done !== null) form.resetField("secret");
      }),
  );
  const without = (): void =>
    void act("changeMailServer", { server: null }, () => ({
      words: "Letters stay in the outbox.",
    }));
  return { form, busy, keep, without };
}
