/**
 * How a page has the server do something. Every request carries a key of its own, so that a
 * repeated click or a lost answer does nothing twice.
 */
export type Sent<T> = { ok: true; value: T } | { ok: false; message: string };

export async function sendCommand<T>(
  book: string,
  command: string,
  input: unknown,
  options: { rehearse?: boolean; onProgress?: (done: number, of: number) => void } = {},
): Promise<Sent<T>> {
  const key = crypto.randomUUID();
  const watch = options.onProgress
    ? setInterval(
        () =>
          void load<{ done: number; of: number } | null>(
            `/api/v1/b/${book}/progress?key=${key}`,
          ).then((far) => {
            if (far.ok && far.value && far.value.of > 0)
              options.onProgress?.(far.value.done, far.value.of);
          }),
        WATCH_EVERY,
      )
    : undefined;
  const sent = await post<T>(
    `/api/v1/b/${book}/commands/${command}`,
    JSON.stringify({ input, key, rehearse: options.rehearse ?? false }),
    { "content-type": "application/json" },
  );
  clearInterval(watch);
  return sent;
}

/** Milliseconds between two looks at how far a long command is. */
const WATCH_EVERY = 300;

export async function post<T>(
  url: string,
  body: BodyInit,
  headers: Record<string, string> = {},
): Promise<Sent<T>> {
  try {
    return await answer<T>(await fetch(url, { method: "POST", body, headers }));
  } catch {
    return {
      ok: false,
      message: "The server did not answer. Nothing was lost: try again in a moment.",
    };
  }
}

export async function load<T>(url: string): Promise<Sent<T>> {
  try {
    return await answer<T>(await fetch(url));
  } catch {
    return { ok: false, message: "The server did not answer. Try again in a moment." };
  }
}

async function answer<T>(response: Response): Promise<Sent<T>> {
  const body = (await response.json().catch(() => null)) as {
    value?: T;
    error?: { message: string };
  } | null;
  if (body?.error) return { ok: false, message: body.error.message };
  if (!response.ok || body === null)
    return {
      ok: false,
      message: `The server could not do that (${response.status}). Nothing was changed.`,
    };
  return { ok: true, value: body.value as T };
}
