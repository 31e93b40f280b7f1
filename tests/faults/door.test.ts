import { type ChildProcess, spawn } from "node:child_process";
import { mkdirSync, readdirSync, rmSync } from "node:fs";
import { request } from "node:http";
import { createServer, type AddressInfo } from "node:net";
import { join } from "node:path";
import { brotliDecompressSync } from "node:zlib";

import { openBookToRead } from "@/server/runtime/books";

import { Cli } from "../support/cli";

/**
 * Who reaches what: the clerk's pages are for this machine alone, customers' pages have a port of
 * their own. In front of each stands Debian's nginx as it comes, with nothing but `proxy_pass`.
 */
const cli = new Cli();
const processes: ChildProcess[] = [];
let ports: { clerk: number; door: number; beforeClerk: number; beforeDoor: number };
let link: string;

beforeAll(async () => {
  cli.make("shop");
  const opened = openBookToRead("shop");
  if (!opened.ok) throw new Error(opened.error.code);
  link = `/account/${opened.value.get<{ token: string }>("SELECT token FROM account_link")?.token}`;
  opened.value.close();
  const [clerk = 0, door = 0, beforeClerk = 0, beforeDoor = 0] = await freePorts(4);
  ports = { clerk, door, beforeClerk, beforeDoor };
  start(
    process.execPath,
    ["node_modules/next/dist/bin/next", "start", "-H", "127.0.0.1", "-p", String(clerk)],
    {
      PUBLIC_PORT: String(door),
    },
  );
  start("/usr/sbin/nginx", ["-p", cli.data, "-c", nginx(), "-g", "daemon off;"]);
  await answered(door, link);
  await answered(beforeClerk, "/");
}, 60_000);
afterAll(() => {
  for (const child of processes) child.kill("SIGKILL");
  rmSync(cli.data, { recursive: true, force: true });
});

function start(program: string, args: string[], env: Record<string, string> = {}): void {
  const own = { DOZO_DATA: cli.data, DOZO_ROOT: process.cwd(), NEXT_TELEMETRY_DISABLED: "1" };
  processes.push(
    spawn(program, args, { stdio: "ignore", env: { ...process.env, ...own, ...env } }),
  );
}

function nginx(): string {
  mkdirSync(join(cli.data, "tmp"), { recursive: true });
  const kinds = ["client_body", "proxy", "fastcgi", "uwsgi", "scgi"];
  const server = (listen: number, to: number): string =>
    `server { listen 127.0.0.1:${listen}; location / { proxy_pass http://127.0.0.1:${to}; } }`;
  return cli.file(
    "nginx.conf",
    `pid ${cli.data}/nginx.pid; error_log /dev/null; worker_processes 1; events {}
     http { access_log off; ${kinds.map((kind) => `${kind}_temp_path ${cli.data}/tmp/${kind};`).join(" ")}
     ${server(ports.beforeClerk, ports.clerk)} ${server(ports.beforeDoor, ports.door)} }`,
  );
}

type Answer = { status: number; body: string; headers: Record<string, unknown> };
/** Asks with the path just as it is written, which `fetch` would tidy. */
function asked(
  port: number,
  path: string,
  more: { method?: string; headers?: Record<string, string>; body?: string } = {},
): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const { body, ...options } = more;
    const made = request({ host: "127.0.0.1", port, path, ...options }, (answer) => {
      let text = "";
      answer.on("data", (chunk: Buffer) => (text += chunk.toString("latin1")));
      answer.on("end", () =>
        resolve({ status: answer.statusCode ?? 0, body: text, headers: answer.headers }),
      );
    });
    made.on("error", reject);
    made.end(body);
  });
}

async function answered(port: number, path: string): Promise<void> {
  for (const from = Date.now(); Date.now() - from < 40_000;) {
    const answer = await asked(port, path).catch(() => null);
    if (answer && answer.status < 500) return;
    await new Promise((resolve) => {
      setTimeout(resolve, 100);
    });
  }
  throw new Error(`nothing answers at ${port}${path}`);
}

async function freePorts(count: number): Promise<number[]> {
  const servers = Array.from({ length: count }, () => createServer().listen(0, "127.0.0.1"));
  await Promise.all(
    servers.map((server) => new Promise((resolve) => server.once("listening", resolve))),
  );
  const found = servers.map((server) => (server.address() as AddressInfo).port);
  await Promise.all(servers.map((server) => new Promise((resolve) => server.close(resolve))));
  return found;
}

const CLERK_PATHS = [
  "/b/shop/match",
  "/b/shop/overdue",
  "/api/v1/b/shop/proofs",
  "/api/v1/b/shop/export/journal",
  "/",
];

describe("with a proxy in front of the clerk's port", () => {
  it.each([...CLERK_PATHS, "/account"])("%s is refused, and says why", async (path) => {
    const { status, body } = await asked(ports.beforeClerk, path);
    expect([status, JSON.parse(body)]).toEqual([
      403,
      { error: { code: "request.proxied", message: expect.stringContaining("PUBLIC_PORT") } },
    ]);
  });
  it("files are not taken in either", async () => {
    const sent = await asked(ports.beforeClerk, "/api/v1/b/shop/files?name=x.csv", {
      method: "POST",
      body: "a,b\n1,2\n",
    });
    expect(sent.status).toBe(403);
  });
  it.each(["forwarded", "x-forwarded-for", "x-forwarded-host", "via", "x-real-ip"])(
    "a request with %s is known as one that came through a proxy",
    async (name) => {
      const { status } = await asked(ports.clerk, "/b/shop/match", {
        headers: { [name]: "1.2.3.4" },
      });
      expect(status).toBe(403);
    },
  );
});

describe("the customers' door, with a proxy in front and without", () => {
  const doors = (): number[] => [ports.door, ports.beforeDoor];
  it("leads to an account page, its papers and what they need", async () => {
    for (const port of doors()) {
      const page = await asked(port, link);
      expect([page.status, page.body]).toEqual([200, expect.stringContaining("Alder Lane")]);
      const script = /\/_next\/static\/[\w./~-]+\.js/.exec(page.body)?.[0] ?? "";
      expect((await asked(port, script)).status).toBe(200);
      const paper = await asked(port, `${link}/statement`);
      expect([paper.status, paper.body.slice(0, 5)]).toEqual([200, "%PDF-"]);
    }
  });
  it.each([
    ...CLERK_PATHS,
    "/account/../b/shop/match",
    "/account/%2e%2e/b/shop/match",
    "/account//../b/shop",
    "//b/shop/match",
    "/_next/static/../../b/shop/match",
    "/_next/static/%2e%2e/%2e%2e/b/shop/match",
    "/_next/image?url=%2Fb%2Fshop%2Fmatch",
    "/account/0123456789abcdef/../../b/shop/match",
    "/api/v1/b/shop/files",
  ])("and to nothing else: %s", async (path) => {
    for (const port of doors()) {
      const { status, body } = await asked(port, path);
      expect([400, 404]).toContain(status);
      expect(body).not.toContain("Alder Lane");
    }
  });
  it("takes nothing in", async () => {
    const headers = { "content-type": "application/json" };
    const path = "/api/v1/b/shop/commands/undo";
    expect((await asked(ports.door, path, { method: "POST", headers, body: "{}" })).status).toBe(
      405,
    );
    expect((await asked(ports.door, link, { method: "POST", headers, body: "{}" })).status).toBe(
      405,
    );
  });
  it("a word that was made up opens no door", async () => {
    for (const path of CLERK_PATHS) {
      const headers = { "x-dozo-door": "guess", host: "elsewhere.example" };
      expect((await asked(ports.clerk, path, { headers })).status).toBe(403);
    }
  });
});

describe("pages of other sites", () => {
  it("are refused whatever they ask for, by the browser's own word", async () => {
    for (const path of CLERK_PATHS)
      for (const site of ["cross-site", "same-site"]) {
        const headers = { "sec-fetch-site": site };
        expect((await asked(ports.clerk, path, { headers })).status).toBe(403);
      }
    expect(
      (await asked(ports.clerk, link, { headers: { "sec-fetch-site": "cross-site" } })).status,
    ).toBe(200);
    expect(
      (await asked(ports.clerk, "/b/shop/match", { headers: { "sec-fetch-site": "none" } })).status,
    ).toBe(200);
  });
  it("a form without an Origin is refused; a program that sends JSON is not", async () => {
    const path = "/api/v1/b/shop/commands/undo";
    const body = '{"input":{"actId":1},"key":"k"}';
    const sent = (type: string): Promise<Answer> =>
      asked(ports.clerk, path, { method: "POST", body, headers: { "content-type": type } });
    expect((await sent("text/plain")).status).toBe(403);
    expect((await sent("application/x-www-form-urlencoded")).status).toBe(403);
    expect((await sent("application/json")).status).not.toBe(403);
  });
  it("no script runs that the page did not name, and no map of the sources is served", async () => {
    const { headers, body } = await asked(ports.clerk, "/b/shop/match");
    const policy = String(headers["content-security-policy"]);
    const nonce = /script-src 'self' 'nonce-(\w{32})';/.exec(policy)?.[1];
    expect(policy).not.toMatch(/script-src[^;]*unsafe/);
    const inline = [...body.matchAll(/<script(?![^>]*\bsrc=)[^>]*>/g)].map(([tag]) => tag);
    expect(inline.length).toBeGreaterThan(0);
    expect(inline.filter((tag) => !tag.includes(`nonce="${nonce}"`))).toEqual([]);
    const again = await asked(ports.clerk, "/b/shop/match");
    expect(again.headers["content-security-policy"]).not.toBe(policy);
    const maps = readdirSync(".next/static", { recursive: true, encoding: "utf8" }).filter((name) =>
      name.endsWith(".map"),
    );
    expect(maps).toEqual([]);
  });
});

it("what a pay page runs comes packed where a browser takes it, in less than 180 kB, and is the same unpacked", async () => {
  const page = await asked(ports.door, link.replace("account", "pay"));
  const scripts = [...page.body.matchAll(/<script[^>]*?src="([^"]+)"[^>]*>/g)]
    .filter(([tag]) => !/nomodule/i.test(tag))
    .map(([, path]) => path ?? "");
  expect(scripts.length).toBeGreaterThan(5);
  let weight = 0;
  for (const path of scripts) {
    const packed = await asked(ports.door, path, { headers: { "accept-encoding": "gzip, br" } });
    expect(packed.headers["content-encoding"]).toBe("br");
    expect(packed.headers["content-type"]).toMatch(/javascript/);
    const plain = await asked(ports.door, path);
    expect([plain.status, plain.headers["content-encoding"]]).toEqual([200, undefined]);
    const bytes = Buffer.from(packed.body, "latin1");
    expect(brotliDecompressSync(bytes).toString("latin1")).toBe(plain.body);
    weight += bytes.length;
  }
  expect(weight).toBeLessThan(180_000);
  const none = "/_next/static/chunks/none.js";
  const gone = await asked(ports.door, none, { headers: { "accept-encoding": "br" } });
  expect(gone.status).toBe(404);
});

it("papers asked for over and over by one link are refused for a while; pages of others go on", async () => {
  const answers = await Promise.all(
    Array.from({ length: 40 }, () => asked(ports.door, `${link}/statement`)),
  );
  const late = answers.filter(({ status }) => status === 429);
  expect(late.length).toBeGreaterThan(15);
  expect([late[0]?.body, Number(late[0]?.headers["retry-after"])]).toEqual([
    expect.stringContaining("try again in"),
    expect.any(Number),
  ]);
  expect((await asked(ports.clerk, "/b/shop/match")).status).toBe(200);
});
