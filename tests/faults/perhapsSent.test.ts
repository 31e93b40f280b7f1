import { openBookToRead } from "@/server/runtime/books";

import { Writer } from "../support/bookWriter";
import { Cli } from "../support/cli";
import { MailServer } from "../support/mailServer";

/** A letter that was with the mail server when the program was killed never goes a second time by itself. */
const cli = new Cli();
const CUSTOMER = "customer_id,name,email\nC1,Alder Lane Pottery,office@alder.example\n";
let mail: MailServer;

beforeAll(async () => {
  cli.make("shop");
  cli.run("import", "--book", "shop", cli.file("with-address.csv", CUSTOMER));
  mail = await MailServer.start();
});
afterAll(() => mail.stop());

const delivery = (): string => {
  const opened = openBookToRead("shop");
  if (!opened.ok) throw new Error(opened.error.code);
  const found = opened.value.get<{ delivery: string }>("SELECT delivery FROM letter")?.delivery;
  opened.value.close();
  return found ?? "none";
};
const handedOver = (): number => mail.heard.filter((line) => line === "DATA").length;
async function until(what: () => boolean): Promise<void> {
  for (const from = Date.now(); !what();) {
    if (Date.now() - from > 20_000) throw new Error(`waited too long: ${delivery()}`);
    await new Promise((resolve) => {
      setTimeout(resolve, 20);
    });
  }
}

it("is perhaps sent, and never sent again by itself", async () => {
  mail.silent = true;
  const first = new Writer("shop");
  expect(await first.run("changeMailServer", { server: mail.parts })).toMatchObject({ ok: true });
  const letter = { customerId: 1, subject: "Overdue", body: "Dear all, 100.00 is overdue." };
  await first.run("changeSettings", { clock: "2026-12-20", smallestSumAskedFor: 0 });
  expect(await first.run("sendLetter", { ...letter, despiteFiles: [] })).toMatchObject({
    ok: true,
  });
  await until(() => handedOver() === 1);
  await first.kill();
  expect(delivery()).toBe("handing");

  mail.silent = false;
  const second = new Writer("shop");
  expect(await second.run("changeSettings", { feedDays: 6 })).toMatchObject({ ok: true });
  await until(() => delivery() === "perhaps sent");
  await new Promise((resolve) => {
    setTimeout(resolve, 500);
  });
  expect([handedOver(), delivery()]).toEqual([1, "perhaps sent"]);
  // Somebody asked: it did not arrive.
  expect(await second.run("settleLetter", { letterId: 1, arrived: false })).toMatchObject({
    ok: true,
  });
  await until(() => delivery() === "sent");
  expect(handedOver()).toBe(2);
  expect(await second.run("settleLetter", { letterId: 1, arrived: true })).toMatchObject({
    error: { code: "letter.settled" },
  });
  await second.kill();
}, 60_000);
