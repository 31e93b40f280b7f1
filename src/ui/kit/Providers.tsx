"use client";

import { ChakraProvider } from "@chakra-ui/react";
import createCache from "@emotion/cache";
import type { EmotionCache } from "@emotion/cache";
import { CacheProvider } from "@emotion/react";
import { ThemeProvider } from "next-themes";
import { useServerInsertedHTML } from "next/navigation";
import { type ReactNode, useState } from "react";

import { useEarlyFields } from "./early";
import { system } from "./theme";

/**
 * Emotion's styles are flushed into the server's HTML as they are made, outside ChakraProvider;
 * otherwise the page would not hydrate.
 */
function makeRegistry(): { cache: EmotionCache; flush: () => string[] } {
  const cache = createCache({ key: "css" });
  cache.compat = true;
  const insert = cache.insert;
  let inserted: string[] = [];
  cache.insert = (...args) => {
    const [, serialized] = args;
    if (cache.inserted[serialized.name] === undefined) inserted.push(serialized.name);
    return insert(...args);
  };
  return {
    cache,
    flush: () => {
      const names = inserted;
      inserted = [];
      return names;
    },
  };
}

/** `nonce`: the word by which scripts of this answer are known; a browser hides it once it has read them. */
export function Providers({
  nonce,
  children,
}: {
  nonce: string | undefined;
  children: ReactNode;
}): ReactNode {
  const [{ cache, flush }] = useState(makeRegistry);
  useEarlyFields();
  useServerInsertedHTML(() => {
    const names = flush();
    if (names.length === 0) return null;
    const css = names
      .map((name) => cache.inserted[name])
      .filter((entry) => typeof entry === "string")
      .join("");
    return (
      <style
        data-emotion={`${cache.key} ${names.join(" ")}`}
        dangerouslySetInnerHTML={{ __html: css }}
      />
    );
  });
  return (
    <CacheProvider value={cache}>
      <ChakraProvider value={system}>
        <ThemeProvider
          attribute="class"
          disableTransitionOnChange
          {...(nonce === undefined ? {} : { nonce })}
        >
          {children}
        </ThemeProvider>
      </ChakraProvider>
    </CacheProvider>
  );
}
