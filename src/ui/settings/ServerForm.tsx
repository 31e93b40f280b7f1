"use client";

import { zodResolver } from "@hookform/resolvers/zod";
import type { ReactNode } from "react";
import { useForm, type UseFormReturn } from "react-hook-form";
import { z } from "zod";

import { Act, RowButton } from "../kit/buttons";
import { fieldsOf } from "../kit/checked";
import { TextField, Tick } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { ActRow, Form } from "../kit/layout";

/** A server that mails leave by or come to; `from`: who may send files, where that is asked. */
type TypedServer = {
  host: string;
  port: string;
  secure: boolean;
  user: string;
  secret: string;
  from: string;
};
export type ServerForm = UseFormReturn<TypedServer>;

/** How one of them is called, and what stands in its fields while they are empty. */
export type ServerWords = {
  head: string;
  said: string;
  host: string;
  like: string;
  port: string;
  user: string;
  secret: string;
  secure: string;
  take: string;
  none: string;
  portLike: string;
  /** Where a name is needed, what it is. */
  userNeeded: string | null;
};

type Facts = { host: string; port: number; secure: boolean; user: string | null; from?: string[] };

/** The form of a server as it is set, or as one that is not. */
export function useServerForm(
  server: Facts | null,
  none: Facts,
  { like, portLike, userNeeded }: ServerWords,
): ServerForm {
  const { port, user, from = [], ...kept } = server ?? none;
  const name = z.string().trim();
  const schema = z.object({
    host: z.string().trim().min(1, `A name or an address, like ${like}.`),
    port: z.string().regex(/^\d{1,5}$/, `${portLike}, as a rule.`),
    secure: z.boolean(),
    user: userNeeded === null ? name : name.min(1, userNeeded),
    secret: z.string(),
    from: z.string(),
  });
  return useForm<TypedServer>({
    resolver: zodResolver(schema),
    values: { ...kept, port: String(port), user: user ?? "", secret: "", from: from.join(", ") },
  });
}

type Props = {
  form: ServerForm;
  words: ServerWords;
  /** Whether one is set. */
  isSet: boolean;
  busy: boolean;
  keep: (typed: TypedServer) => Promise<boolean>;
  without: () => void;
  children?: ReactNode;
};

/** By which server mails leave, or which mailbox is read. The password is never shown: left empty, it stays. */
export function ServerFields(props: Props): ReactNode {
  const { form, words, isSet, busy, keep, without, children } = props;
  const field = fieldsOf(form);
  const submit = form.handleSubmit(async (typed) => {
    if (await keep(typed)) form.resetField("secret");
  });
  return (
    <>
      <Subheading>
        {words.head}{" "}
        <span data-tone="soft" data-light>
          {words.said}
        </span>
      </Subheading>
      <Form
        display="grid"
        gridTemplateColumns="2fr 1fr"
        gap="12px"
        onSubmit={(event) => void submit(event)}
        noValidate
      >
        <TextField label={words.host} {...field("host")} placeholder={words.like} />
        <TextField label={words.port} inputMode="numeric" {...field("port")} />
        <TextField label={words.user} autoComplete="off" {...field("user")} />
        <TextField
          label={words.secret}
          type="password"
          autoComplete="new-password"
          {...field("secret")}
          placeholder={isSet ? "stays as it is" : ""}
        />
        {children}
        <label>
          <Tick {...form.register("secure")} /> {words.secure}
        </label>
        <ActRow>
          <Act type="submit" disabled={busy || !form.formState.isDirty}>
            {words.take}
          </Act>
          {isSet ? (
            <RowButton data-tone="soft" type="button" disabled={busy} onClick={without}>
              {words.none}
            </RowButton>
          ) : null}
        </ActRow>
      </Form>
    </>
  );
}
