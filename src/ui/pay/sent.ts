/** Sends JSON; null where no answer came. */
export async function sent<T>(
  address: string,
  body: object,
): Promise<T | { error: { message: string } } | null> {
  try {
    const response = await fetch(address, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(body),
    });
    return (await response.json()) as T | { error: { message: string } };
  } catch {
    return null;
  }
}
