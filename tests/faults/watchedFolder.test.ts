import { type ChildProcess, spawn } from "node:child_process";
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { createServer, type AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";

import { addBankAccount } from "@/server/settings/commands/addBankAccount";
import { changeSettings } from "@/server/settings/commands/changeSettings";
import { runCommand } from "@/server/runtime/command";

import { Cli } from "../support/cli";

/** A folder of the settings: the server has it watched, and no longer than it runs. */
const cli = new Cli();
const folder = mkdtempSync(join(tmpdir(), "dozo-watched-"));
let server: ChildProcess;

/** OFX 1.x as SGML (OFX 2.2, from memory). */
const OFX =
  "OFXHEADER:100\r\nDATA:OFXSGML\r\n\r\n<OFX><BANKMSGSRSV1><STMTTRNRS><STMTRS><CURDEF>USD\n<BANKTRANLIST><STMTTRN><TRNTYPE>CREDIT\n<DTPOSTED>20261103\n<TRNAMT>1200.50\n<FITID>F1\n<NAME>LEE AND CO\n</STMTTRN></BANKTRANLIST></STMTRS></STMTTRNRS></BANKMSGSRSV1></OFX>";

const db = cli.practiceBook("shop");
const who = (key: string) => ({ book: "shop", actor: "test", key });
const set = (watchedFolder: string | null, key: string) =>
  runCommand(db, changeSettings, { watchedFolder }, who(key));

afterAll(() => {
  server.kill("SIGKILL");
  for (const path of [cli.data, folder]) rmSync(path, { recursive: true, force: true });
});

const soon = async (holds: () => boolean): Promise<boolean> => {
  for (let tries = 0; tries < 150 && !holds(); tries += 1)
    await new Promise((resolve) => setTimeout(resolve, 200));
  return holds();
};
/** How many processes watch this folder. */
const watching = (): number =>
  readdirSync("/proc").filter((id) => {
    const path = `/proc/${id}/cmdline`;
    if (!/^\d+$/.test(id) || !existsSync(path)) return false;
    const words = textOf(path).split("\0");
    return words.includes("watch") && words.includes(folder);
  }).length;
/** What a process says of itself; nothing where it has just ended. */
function textOf(path: string): string {
  try {
    return readFileSync(path, "utf8");
  } catch {
    return "";
  }
}

it("is one that is there, not the books' own and no other book's", () => {
  expect(set("from-the-bank", "rel-1")).toMatchObject({ error: { code: "settings.folder" } });
  expect(set(join(folder, "none"), "none-1")).toMatchObject({ error: { code: "settings.folder" } });
  const other = cli.practiceBook("other");
  const said = { watchedFolder: `${folder}/.` };
  expect(runCommand(other, changeSettings, said, { ...who("o-1"), book: "other" }).ok).toBe(true);
  expect(set(folder, "taken-1")).toMatchObject({ error: { code: "settings.folder_taken" } });
  const none = { watchedFolder: null };
  expect(runCommand(other, changeSettings, none, { ...who("o-2"), book: "other" }).ok).toBe(true);
  other.close();
  expect(set(join(cli.data, "books"), "own-1")).toMatchObject({
    error: { code: "settings.folder_own" },
  });
});

it("has its files taken up by the server, and is let go with it", async () => {
  runCommand(
    db,
    addBankAccount,
    { code: "operating", name: "Operating bank", openingBalance: 0 },
    who("bank-1"),
  );
  expect(set(folder, "set-1").ok).toBe(true);
  db.close();
  writeFileSync(join(folder, "november.ofx"), OFX);
  const port = await freePort();
  server = spawn(
    process.execPath,
    ["node_modules/next/dist/bin/next", "start", "-H", "127.0.0.1", "-p", String(port)],
    {
      stdio: "ignore",
      env: {
        ...process.env,
        DOZO_DATA: cli.data,
        DOZO_ROOT: process.cwd(),
        NEXT_TELEMETRY_DISABLED: "1",
      },
    },
  );
  expect(await soon(() => existsSync(join(folder, "done", "november.ofx")))).toBe(true);
  expect(readdirSync(join(folder, "done")).sort()).toEqual([
    "november.ofx",
    "november.ofx.report.json",
  ]);
  expect(watching()).toBe(1);
  // However the server ends, what it began ends with it.
  server.kill("SIGKILL");
  expect(await soon(() => watching() === 0)).toBe(true);
}, 60_000);

function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const holder = createServer().listen(0, "127.0.0.1", () => {
      const { port } = holder.address() as AddressInfo;
      holder.close(() => resolve(port));
    });
  });
}
