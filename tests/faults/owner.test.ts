import {
  copyFileSync,
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

import { Hold } from "@/db/hold";
import { holdOf } from "@/db/opening";
import { restoreBook } from "@/server/books/backups/restoreBook";
import { openBookToRead } from "@/server/runtime/books";
import { bookFile, inTheMaking, listBooks } from "@/server/runtime/folders";

import { CUSTOMERS } from "../support/book";
import { Cli } from "../support/cli";
import { Writer } from "../support/bookWriter";

/** One owner of a book: what is answered with success stays, and nothing is swapped under anybody. */
let cli: Cli;
let copies: string;

beforeEach(() => {
  cli = new Cli();
  copies = mkdtempSync(join(tmpdir(), "dozo-copies-"));
  process.env.DOZO_DATA = cli.data;
  process.env.DOZO_BACKUPS = join(copies, "kept");
  cli.make("shop");
});
afterEach(() => {
  for (const folder of [cli.data, copies]) rmSync(folder, { recursive: true, force: true });
});

const copy = (name: string): string => join(copies, name);
const linksOf = (book: string): string[] => {
  const opened = openBookToRead(book);
  if (!opened.ok) throw new Error(opened.error.code);
  const links = opened.value.all<{ token: string }>(
    "SELECT token FROM account_link ORDER BY customer_id",
  );
  opened.value.close();
  return links.map(({ token }) => token);
};

describe("who has a book open", () => {
  it("two servers on one folder: the second writes nothing and says why", async () => {
    const [first, second] = [new Writer("shop"), new Writer("shop")];
    const rate = { currency: "EUR", onDay: "2026-11-20", rate: "1.1" };
    expect(await first.run("setRates", { rates: [rate] })).toMatchObject({ ok: true });
    expect(await second.run("setRates", { rates: [rate] })).toMatchObject({
      ok: false,
      error: { code: "book.served" },
    });
    // What held the book is gone with its process, however that ended.
    await first.kill();
    expect(await second.run("setRates", { rates: [rate] })).toMatchObject({ ok: true });
    await second.kill();
  });
  it("restore refuses while somebody holds the book, even where its file was taken away", async () => {
    cli.run("backup", "--book", "shop", "--out", copy("shop.sqlite"));
    const server = new Writer("shop");
    await server.run("changeSettings", { feedDays: 6 });
    renameSync(bookFile("shop"), copy("away.sqlite"));
    const refused = cli.run("restore", "--book", "shop", copy("shop.sqlite"));
    expect([refused.code, refused.err]).toEqual([4, expect.stringContaining("has the book open")]);
    expect(existsSync(bookFile("shop"))).toBe(false);
    await server.kill();
    expect(cli.run("restore", "--book", "shop", copy("shop.sqlite")).code).toBe(0);
  });
  it("a server that finds another file under its book writes nothing more, and answers nothing with success", async () => {
    cli.run("backup", "--book", "shop", "--out", copy("shop.sqlite"));
    const server = new Writer("shop");
    expect(await server.run("changeSettings", { feedDays: 6 })).toMatchObject({ ok: true });
    renameSync(copy("shop.sqlite"), bookFile("shop"));
    expect(await server.run("changeSettings", { feedDays: 7 })).toMatchObject({
      error: { code: "book.replaced" },
    });
    rmSync(bookFile("shop"));
    expect(await server.run("changeSettings", { feedDays: 8 })).toMatchObject({
      error: { code: "book.gone" },
    });
    await server.kill();
  });
  it("a file that is written over in place is another book by its id", () => {
    cli.make("other");
    const opened = openBookToRead("shop");
    if (!opened.ok) throw new Error(opened.error.code);
    expect(opened.value.fileState()).toBe("same");
    copyFileSync(bookFile("other"), bookFile("shop"));
    opened.value.exec("PRAGMA shrink_memory");
    expect(opened.value.fileState()).toBe("replaced");
    opened.value.close();
  });
});

describe("backup", () => {
  it("writes over nothing without being told, never into the data folder, and leaves no parts", () => {
    writeFileSync(copy("there.sqlite"), "mine");
    expect(cli.run("backup", "--book", "shop", "--out", copy("there.sqlite"))).toMatchObject({
      code: 2,
      err: expect.stringContaining("--over"),
    });
    expect(readFileSync(copy("there.sqlite"), "utf8")).toBe("mine");
    expect(cli.run("backup", "--book", "shop", "--out", copy("there.sqlite"), "--over").code).toBe(
      0,
    );
    expect(
      cli.run("backup", "--book", "shop", "--out", join(cli.data, "books/x.sqlite")).code,
    ).toBe(2);
    expect(cli.run("backup", "--book", "shop", "--out", "/nowhere/x.sqlite").code).toBe(2);
    expect(readdirSync(copies)).toEqual(["there.sqlite"]);
  });
  it("a broken proof or a damaged page never takes the place of the last good copy", () => {
    const out = copy("shop.sqlite");
    expect(cli.run("backup", "--book", "shop", "--out", out).code).toBe(0);
    const good = readFileSync(out);
    cli.sql("shop", "UPDATE open_item SET balance = balance - 1");
    const broken = cli.run("backup", "--book", "shop", "--out", out, "--over");
    expect([broken.code, broken.err]).toEqual([
      1,
      expect.stringContaining("A proof of this book is broken"),
    ]);
    expect(readFileSync(out).equals(good)).toBe(true);
    expect(existsSync(`${out}.broken`)).toBe(true);
  });
  it("says of a damaged book where, and which the last good backup is, with exit code 4", () => {
    expect(cli.run("backups", "--keep", "3").code).toBe(0);
    const path = bookFile("shop");
    const bytes = readFileSync(path);
    bytes.fill(0x5a, 4096 * 3, 4096 * 3 + 3000);
    writeFileSync(path, bytes);
    for (const command of [["check"], ["backup", "--out", copy("x.sqlite")]]) {
      const told = cli.run(...command, "--book", "shop");
      expect([told.code, told.err]).toEqual([4, expect.stringMatching(/damaged/)]);
    }
    expect(cli.run("check", "--book", "shop").err).toMatch(
      /last good backup is .*shop--\d{8}T\d{6}Z/,
    );
    expect(existsSync(copy("x.sqlite"))).toBe(false);
    truncateSync(path, 5000);
    expect(cli.run("check", "--book", "shop").code).toBe(4);
  });
  it("works on a folder that cannot be written to", () => {
    const folder = join(cli.data, "books", "shop");
    rmSync(holdOf(bookFile("shop")), { force: true });
    const made = cli.asNobody(
      [folder, copies],
      "backup",
      "--book",
      "shop",
      "--out",
      copy("ro.sqlite"),
    );
    expect([made.code, made.err]).toEqual([0, expect.stringContaining("copied")]);
    expect(statSync(copy("ro.sqlite")).size).toBeGreaterThan(100_000);
  });
  it("keeps the last so many of each book", () => {
    const names = (): string[] => readdirSync(join(copies, "kept")).sort();
    cli.run("backups", "--keep", "2");
    cpSync(
      join(copies, "kept", names()[0] ?? ""),
      join(copies, "kept", "shop--20260101T000000Z.sqlite"),
    );
    cpSync(
      join(copies, "kept", names()[0] ?? ""),
      join(copies, "kept", "shop-2--20260101T000000Z.sqlite"),
    );
    writeFileSync(join(copies, "kept", "notes.txt"), "");
    cli.wait(1100);
    expect(cli.run("backups", "--keep", "2").code).toBe(0);
    expect(names().filter((name) => name.startsWith("shop--"))).toHaveLength(2);
    expect(names()).toEqual(
      expect.arrayContaining(["notes.txt", "shop-2--20260101T000000Z.sqlite"]),
    );
    expect(names()).not.toContain("shop--20260101T000000Z.sqlite");
  });
});

describe("restore", () => {
  beforeEach(() => {
    cli.run("import", "--book", "shop", cli.file("customers.csv", CUSTOMERS));
    cli.run("backup", "--book", "shop", "--out", copy("shop.sqlite"));
  });
  it("makes another book, whose customers have links of their own", () => {
    expect(cli.run("restore", "--book", "second", copy("shop.sqlite")).code).toBe(0);
    const [first, second] = [linksOf("shop"), linksOf("second")];
    expect(second).toHaveLength(first.length);
    expect(second.filter((link) => first.includes(link))).toEqual([]);
  });
  it("takes the place of the first when told, with its links, and keeps what lay there", () => {
    const before = linksOf("shop");
    cli.sql("shop", "UPDATE account_link SET token = 'x' || token");
    const done = cli.run("restore", "--book", "shop", "--replaces", "--json", copy("shop.sqlite"));
    expect(done.code).toBe(0);
    expect(linksOf("shop")).toEqual(before);
    expect(existsSync((JSON.parse(done.out) as { moved: string }).moved)).toBe(true);
  });
  it("keeps each of them, where it is told twice in one second", () => {
    const kept = Array.from({ length: 4 }, () => {
      const done = restoreBook({ file: copy("shop.sqlite"), book: "shop", replaces: true });
      return done.ok ? done.value.moved : done.error.code;
    });
    expect(new Set(kept).size).toBe(4);
    expect(kept.every((file) => existsSync(file ?? ""))).toBe(true);
  });
  it("never makes two books that answer to one link, nor replaces another book", () => {
    expect(cli.run("restore", "--book", "second", "--replaces", copy("shop.sqlite"))).toMatchObject(
      {
        code: 4,
        err: expect.stringContaining("would lead to two"),
      },
    );
    cli.make("other");
    expect(cli.run("restore", "--book", "other", "--replaces", copy("shop.sqlite"))).toMatchObject({
      code: 4,
      err: expect.stringContaining("is another one"),
    });
  });
  it("leaves nothing behind of what is no book, nor of a folder in its place", () => {
    const text = join(cli.data, "text.sqlite");
    writeFileSync(text, "not a book");
    const folder = join(cli.data, "folder.sqlite");
    mkdirSync(folder);
    expect([
      cli.run("restore", "--book", "wrong", text),
      cli.run("restore", "--book", "wrong", folder),
    ]).toMatchObject([
      { code: 4, err: expect.stringContaining("damaged or not a book") },
      { code: 3, err: expect.stringContaining("is a folder") },
    ]);
    expect(existsSync(join(cli.data, "books", "wrong"))).toBe(false);
  });
  it("never reads the restored file with the log of the one that was there before", () => {
    const server = Hold.share(holdOf(bookFile("shop")));
    server?.release();
    writeFileSync(`${bookFile("shop")}-wal`, Buffer.alloc(4096, 7));
    rmSync(bookFile("shop"));
    expect(cli.run("restore", "--book", "shop", copy("shop.sqlite")).code).toBe(0);
    expect(existsSync(`${bookFile("shop")}-wal`)).toBe(false);
    expect(cli.run("check", "--book", "shop").code).toBe(0);
  });
  it("killed at any moment leaves the book that was there, or the one that was restored, whole", async () => {
    for (let wait = 100; wait < 1500; wait = Math.ceil(wait * 1.4)) {
      await cli.kill(wait, "restore", "--book", "shop", "--replaces", copy("shop.sqlite"));
      expect(cli.run("check", "--book", "shop").code).toBe(0);
    }
    expect(cli.run("restore", "--book", "shop", "--replaces", copy("shop.sqlite")).code).toBe(0);
    expect(
      readdirSync(join(cli.data, "books", "shop")).filter((name) => /part/.test(name)),
    ).toEqual([]);
  }, 120_000);
});

describe("a disk that is full", () => {
  const many = (): string =>
    cli.file(
      "many.csv",
      `customer_id,name\n${Array.from({ length: 4000 }, (_, at) => `M${at},Customer Number${at} of a long name`).join("\n")}\n`,
    );
  it("is named, and nothing of what was begun is in the book", () => {
    const before = cli.run("export", "open-items", "--book", "shop").out;
    const limit = Math.ceil(statSync(bookFile("shop")).size / 1024) + 60;
    const full = cli.withLimit(limit, "import", "--book", "shop", many());
    expect([full.code, full.err]).toEqual([4, expect.stringContaining("disk is full")]);
    expect(cli.run("check", "--book", "shop").code).toBe(0);
    expect(cli.run("export", "open-items", "--book", "shop").out).toBe(before);
    expect(cli.run("import", "--book", "shop", many()).code).toBe(0);
  });
  it("leaves no part of a backup", () => {
    const full = cli.withLimit(100, "backup", "--book", "shop", "--out", copy("x.sqlite"));
    expect([full.code, full.err]).toEqual([4, expect.stringContaining("disk is full")]);
    expect(readdirSync(copies)).toEqual([]);
  });
});

describe("killed at any moment", () => {
  it("while a file is taken back: all of it or nothing, and the trail is whole", async () => {
    const many = Array.from({ length: 3000 }, (_, at) => `M${at},Customer Number${at}`).join("\n");
    cli.run("import", "--book", "shop", cli.file("many.csv", `customer_id,name\n${many}\n`));
    const customers = (): number => {
      const opened = openBookToRead("shop");
      if (!opened.ok) throw new Error(opened.error.code);
      const found = opened.value.get<{ n: number }>("SELECT count(*) AS n FROM customer")?.n ?? -1;
      opened.value.close();
      return found;
    };
    const fileId = 3;
    let kills = 0;
    for (let wait = 5; wait < 2000 && customers() === 3001; wait *= 2) {
      const server = new Writer("shop");
      await server.run("setRates", {
        rates: [{ currency: "EUR", onDay: "2026-11-20", rate: "1.1" }],
      });
      const undone = server.run("undoFile", { fileId }).catch(() => null);
      cli.wait(wait);
      await server.kill();
      void undone;
      kills += 1;
      expect([1, 3001]).toContain(customers());
      expect(cli.run("check", "--book", "shop").code).toBe(0);
    }
    expect(kills).toBeGreaterThan(0);
  }, 120_000);
  it("a book that is being made is nobody's yet: no list has it, and no clock looks at it", () => {
    cli.make(inTheMaking("shop"));
    expect([listBooks(), existsSync(bookFile(inTheMaking("shop")))]).toEqual([["shop"], true]);
  });
  it("while a book is made: it is there whole, or not at all", async () => {
    for (let wait = 200; wait < 2500; wait = Math.ceil(wait * 1.6)) {
      const ended = await cli.kill(wait, "demo", "--make-only");
      const there = existsSync(bookFile("kestrel-row"));
      if (there) expect(cli.run("check", "--book", "kestrel-row").code).toBe(0);
      if (ended) break;
      rmSync(join(cli.data, "books", "kestrel-row"), { recursive: true, force: true });
    }
  }, 120_000);
});
